// Readings and forecasts of a water as the series that the core's conditions read.
import { type Spread, type WaterStateView, waterRecord } from '@bluffwind/contract/water';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { disagreements } from '@bluffwind/core/weather/disagreement';
import { joinForecast, type Track } from '@bluffwind/core/weather/joinForecast';
import { windComponents, windFromComponents } from '@bluffwind/core/weather/wind';
import { type EntityManager, In, IsNull, LessThanOrEqual, Not } from 'typeorm';
import { FILES } from './filedForecasts';
import { BoatEntity } from '../db/entities/boats';
import { namesOf } from '../db/namesOf';
import {
  ForecastEntity,
  ForecastMemberEntity,
  InstrumentEntity,
  type StationRow,
  StationEntity,
  type WaterRow,
  WaterEntity,
} from '../db/entities/water';
import { found } from '../http/context';
import { ALL_VARIABLES } from '@bluffwind/core/weather/variables';

interface RawRow {
  id: string;
  station_id: string | null;
  source: string;
  variable: string;
  at: Date;
  value: number;
  flag: number;
  by: string | null;
  spot_id: string | null;
  spot_name: string | null;
  note: string;
  corrects: boolean;
}

interface MemberRow {
  runAt: Date;
  member: number;
  variable: string;
  at: Date[];
  value: number[];
}

/** Another source is heard where the believed one was silent for two of these on either side. */
const SLOT = 30 * 60_000;

/** Readings looked at before a span: what clarity, heat and the tide's residual remember. */
const BEFORE = 6 * DAY;

/** State of a water over a span; forecasts only from runs that were out by nowMs. */
export async function loadWaterState(
  entities: EntityManager,
  waterId: string,
  fromMs: number,
  toMs: number,
  nowMs: number,
): Promise<WaterStateView> {
  const water = found(await entities.findOneBy(WaterEntity, { id: waterId }), 'water');
  const stations = await entities.find(StationEntity, {
    where: { waterId, path: Not(FILES), removedAt: IsNull() },
    order: { name: 'ASC' },
  });
  const until = Math.min(toMs, nowMs);
  const rows: RawRow[] = await entities.query(
    `select r.id, r.station_id, r.source, r.variable, r.at, r.value, r.flag, p.name as by, r.spot_id, s.name as spot_name, r.note,
       exists (select from reading o where o.superseded_by = r.id) as corrects
     from reading r left join person p on p.id = r.person_id left join spot s on s.id = r.spot_id
     where r.water_id = $1 and r.at between $2 and $3 and r.superseded_by is null and r.withdrawn_at is null order by r.at, r.id`,
    [waterId, new Date(fromMs - BEFORE), new Date(until)],
  );
  const members: MemberRow[] = toMs > nowMs - 6 * HOUR ? await newestMembers(entities, waterId, nowMs) : [];
  const instruments = await entities.find(InstrumentEntity, { where: { waterId, removedAt: IsNull() }, order: { name: 'ASC' } });
  const boats = await namesOf(
    entities,
    BoatEntity,
    instruments.map((i) => i.boatId),
  );
  const { tracks, sources } = bestTracks(rows, stations);
  return {
    record: recordOf(water, tracks, sources, members, nowMs),
    windSpread: windSpread(members),
    spreads: named((v) => scalarSpread(members, v)),
    forecastRunAt: members[0]?.runAt.toISOString() ?? null,
    stations: stations.map((s) => stationView(s, rows, fromMs)),
    instruments: instruments.map((i) => ({
      id: i.id,
      name: i.name,
      boat: boats.get(i.boatId) ?? '',
      lastHeardAt: i.lastHeardAt?.toISOString() ?? null,
      lastError: i.lastError,
    })),
    disagreements: disagreementsOf(rows, stations, until),
    crewReadings: rows
      .filter((r) => r.source === 'crew')
      .map((r) => ({
        id: r.id,
        at: r.at.toISOString(),
        variable: r.variable,
        value: r.value,
        by: r.by,
        spotName: r.spot_name,
        note: r.note,
        corrected: r.corrects,
      })),
  };
}

/** Wind of each member of the newest forecast of a water that was out by nowMs, or null. */
export async function loadMemberWinds(entities: EntityManager, waterId: string, nowMs: number): Promise<ReturnType<typeof memberWinds>> {
  return memberWinds(await newestMembers(entities, waterId, nowMs));
}

async function newestMembers(entities: EntityManager, waterId: string, nowMs: number): Promise<MemberRow[]> {
  const stations = await entities.find(StationEntity, { where: { waterId }, order: { name: 'ASC' } });
  const [newest] = await entities.find(ForecastEntity, {
    where: { stationId: In(stations.map((s) => s.id)), runAt: LessThanOrEqual(new Date(nowMs)) },
    order: { runAt: 'DESC' },
    take: 1,
  });
  if (!newest) return [];
  // Of runs that were out at the same time the first by the name of its station.
  const { runAt } = newest;
  const together = await entities.findBy(ForecastEntity, { stationId: In(stations.map((s) => s.id)), runAt });
  const run = stations.flatMap((s) => together.find((f) => f.stationId === s.id) ?? [])[0] ?? newest;
  const members = await entities.find(ForecastMemberEntity, { where: { forecastId: run.id }, order: { member: 'ASC' } });
  return members.map(({ member, variable, at, value }) => ({ runAt, member, variable, at, value }));
}

/** A reading of one spot's temperature is not the main water's. */
const ofMainWater = (r: RawRow) => r.variable !== 'note' && !(r.variable === 'waterTempC' && r.spot_id !== null);

/** Per variable the trusted values by time, and who speaks; where sources overlap, the one with fewer failed readings. */
function bestTracks(
  rows: readonly RawRow[],
  stations: readonly StationRow[],
): { tracks: Map<string, Track>; sources: Record<string, string> } {
  const byVariable = new Map<string, Map<string, RawRow[]>>();
  for (const r of rows.filter(ofMainWater)) {
    const key = r.station_id ?? r.source;
    const bySource = byVariable.get(r.variable) ?? new Map<string, RawRow[]>();
    const list = bySource.get(key) ?? [];
    list.push(r);
    bySource.set(key, list);
    byVariable.set(r.variable, bySource);
  }
  const tracks = new Map<string, Track>();
  const sources: Record<string, string> = {};
  const rank = (key: string) => {
    const i = stations.findIndex((s) => s.id === key);
    return i < 0 ? stations.length : i;
  };
  const kind = (key: string) => Math.max(0, ['instrument', 'import', 'crew'].indexOf(key) + 1);
  for (const [variable, bySource] of byVariable) {
    const failed = (key: string) => (bySource.get(key) ?? []).filter((r) => r.flag === 4).length;
    // Stations speak before instruments and files, of several the one with the fewest failures, of equals the first by name; the crew's own eyes are always taken; any other
    // only fills the gaps, since two places do not read the same and a line drawn through both would swing.
    const order = [...bySource.keys()].sort((a, b) => kind(a) - kind(b) || failed(a) - failed(b) || rank(a) - rank(b));
    const merged = new Map<number, number>();
    const spoken = new Set<number>();
    for (const key of order) {
      const mine: number[] = [];
      for (const r of bySource.get(key) as RawRow[]) {
        const at = r.at.getTime();
        const slot = Math.floor(at / SLOT);
        const taken = [-2, -1, 0, 1, 2].some((d) => spoken.has(slot + d));
        if (r.flag >= 3 || (taken && key !== 'crew')) continue;
        if (!merged.has(at) || key === 'crew') merged.set(at, r.value);
        mine.push(slot);
        sources[variable] ??= stations.find((s) => s.id === key)?.name ?? key;
      }
      for (const slot of mine) spoken.add(slot);
    }
    const atMs = [...merged.keys()].sort((a, b) => a - b);
    tracks.set(variable, { atMs, value: atMs.map((t) => merged.get(t) as number) });
  }
  return { tracks, sources };
}

function disagreementsOf(rows: readonly RawRow[], stations: readonly StationRow[], nowMs: number): WaterStateView['disagreements'] {
  return ALL_VARIABLES.filter(([, v]) => v.disagree !== undefined).flatMap(([variable]) => {
    const tracks = stations.map((s) => ({
      station: s.name,
      readings: rows
        .filter((r) => r.station_id === s.id && r.variable === variable && r.flag !== 4)
        .map((r) => ({ atMs: r.at.getTime(), value: r.value })),
    }));
    return disagreements(variable, tracks, nowMs).map((d) => ({ variable, ...d }));
  });
}

function recordOf(
  water: WaterRow,
  tracks: Map<string, Track>,
  sources: Record<string, string>,
  members: readonly MemberRow[],
  nowMs: number,
): WaterStateView['record'] {
  const scalar = (variable: string) => {
    const measured = tracks.get(variable);
    const forecast = meanOf(members, variable);
    return measured || forecast ? joinForecast(measured ?? { atMs: [], value: [] }, forecast, nowMs) : null;
  };
  return {
    lat: water.lat,
    lon: water.lon,
    tide: water.tide && {
      z0M: water.tide.z0M,
      constants: [...water.tide.constants],
      ...(water.tide.differences ? { differences: water.tide.differences } : {}),
    },
    currents: water.currents.map((c) => ({ ...c, constants: [...c.constants] })),
    levelM: scalar('waterLevelM'),
    wind: windOf(tracks, members, nowMs),
    airTempC: scalar('airTempC'),
    dewPointC: scalar('dewPointC'),
    visibilityM: scalar('visibilityM'),
    pressureHpa: scalar('pressureHpa'),
    cloud: scalar('cloud'),
    waterTempC: scalar('waterTempC'),
    clarityM: scalar('clarityM'),
    flowM3s: scalar('flowM3s'),
    thunder: scalar('thunder'),
    // What no model reads is drawn all the same.
    others: named((v) => (v in waterRecord.shape ? null : scalar(v))),
    // Fresh water without a stream that was ever measured stands: there is no current to be unknown.
    still: water.kind === 'fresh' && water.currents.length === 0,
    sources,
  };
}

/** What there is of each variable that the ribbon draws. */
function named<T>(of: (variable: string) => T | null): Record<string, T> {
  return Object.fromEntries(
    ALL_VARIABLES.flatMap(([name, v]) => {
      const here = v.lane ? of(name) : null;
      return here === null ? [] : [[name, here]];
    }),
  );
}

function windOf(tracks: Map<string, Track>, members: readonly MemberRow[], nowMs: number): WaterStateView['record']['wind'] {
  const speed = tracks.get('windMps');
  const direction = tracks.get('windFromDeg');
  const both = new Map(direction?.atMs.map((t, i) => [t, direction.value[i] as number]));
  const atMs = speed?.atMs.filter((t) => both.has(t)) ?? [];
  const speedAt = new Map(speed?.atMs.map((t, i) => [t, speed.value[i] as number]));
  const part = (key: 'east' | 'north'): Track => ({
    atMs,
    value: atMs.map((t) => windComponents(speedAt.get(t) as number, both.get(t) as number)[key]),
  });
  const ahead = memberWinds(members);
  const mean = (key: 'east' | 'north'): Track | null =>
    ahead && { atMs: ahead.atMs, value: ahead.atMs.map((_, i) => average(ahead.members.map((m) => m[key][i] as number))) };
  if (atMs.length === 0 && !ahead) return null;
  const gusts = tracks.get('windGustMps');
  const gustAhead = meanOf(members, 'windGustMps');
  return {
    east: joinForecast(part('east'), mean('east'), nowMs),
    north: joinForecast(part('north'), mean('north'), nowMs),
    gust: gusts || gustAhead ? joinForecast(gusts ?? { atMs: [], value: [] }, gustAhead, nowMs) : null,
  };
}

function memberWinds(rows: readonly MemberRow[]): { atMs: number[]; members: { east: number[]; north: number[] }[] } | null {
  const speeds = rows.filter((r) => r.variable === 'windMps');
  const first = speeds[0];
  if (!first) return null;
  const members = speeds.map((s) => {
    const d = rows.find((r) => r.variable === 'windFromDeg' && r.member === s.member);
    const parts = s.value.map((v, i) => windComponents(v, d?.value[i] as number));
    return { east: parts.map((p) => p.east), north: parts.map((p) => p.north) };
  });
  return { atMs: first.at.map((t) => t.getTime()), members };
}

function meanOf(rows: readonly MemberRow[], variable: string): Track | null {
  const of = rows.filter((r) => r.variable === variable);
  const first = of[0];
  return first
    ? { atMs: first.at.map((t) => t.getTime()), value: first.at.map((_, i) => average(of.map((m) => m.value[i] as number))) }
    : null;
}

function windSpread(rows: readonly MemberRow[]): Spread | null {
  const ahead = memberWinds(rows);
  if (!ahead) return null;
  const speeds = ahead.members.map((m) => m.east.map((e, i) => windFromComponents(e, m.north[i] as number).mps));
  return { atMs: ahead.atMs, ...edges(ahead.atMs.length, speeds) };
}

function scalarSpread(rows: readonly MemberRow[], variable: string): Spread | null {
  const of = rows.filter((r) => r.variable === variable);
  const first = of[0];
  if (!first) return null;
  return {
    atMs: first.at.map((t) => t.getTime()),
    ...edges(
      first.at.length,
      of.map((m) => m.value),
    ),
  };
}

function edges(length: number, members: readonly (readonly number[])[]): { low: number[]; high: number[] } {
  const pick = (choose: (...v: number[]) => number) => Array.from({ length }, (_, i) => choose(...members.map((m) => m[i] as number)));
  return { low: pick(Math.min), high: pick(Math.max) };
}

function average(values: readonly number[]): number {
  return values.reduce((a, b) => a + b, 0) / values.length;
}

function stationView(s: StationRow, rows: readonly RawRow[], fromMs: number): WaterStateView['stations'][number] {
  const failed = new Map<string, { count: number; suspect: number; since: Date }>();
  for (const r of rows) {
    if (r.station_id !== s.id || (r.flag !== 4 && r.flag !== 3) || r.at.getTime() < fromMs) continue;
    const entry = failed.get(r.variable) ?? { count: 0, suspect: 0, since: r.at };
    if (r.flag === 4) entry.count++;
    else entry.suspect++;
    failed.set(r.variable, entry);
  }
  return {
    id: s.id,
    name: s.name,
    polledTo: s.polledTo?.toISOString() ?? null,
    lastGoodAt: s.lastGoodAt?.toISOString() ?? null,
    lastError: s.lastError,
    failures: s.failures,
    nextTryAt: s.nextTryAt?.toISOString() ?? null,
    failed: [...failed].map(([variable, f]) => ({ variable, count: f.count, suspect: f.suspect, since: f.since.toISOString() })),
  };
}

// Readings and forecasts of a water as the series that the core's conditions read.
import { type WaterStateView, waterRecord } from '@bluffwind/contract/water';
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { believed, type Said } from '@bluffwind/core/weather/believed';
import { disagreements } from '@bluffwind/core/weather/disagreement';
import { type MemberTrack, type MemberWinds, meanOf, meanWind, memberWinds, spreadOf, windSpread } from '@bluffwind/core/weather/ensemble';
import { joinForecast, type Track } from '@bluffwind/core/weather/joinForecast';
import { windComponents } from '@bluffwind/core/weather/wind';
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

/** A reading as it is on file. */
interface Filed extends Said {
  readonly id: string;
  readonly source: string;
  readonly person: string | null;
  readonly spotName: string | null;
  readonly ofSpot: boolean;
  readonly note: string;
  readonly corrects: boolean;
}

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
  const filed = await readingsOf(entities, waterId, fromMs - BEFORE, until);
  const run = toMs > nowMs - 6 * HOUR ? await newestRun(entities, waterId, nowMs) : null;
  const members = run?.members ?? [];
  const instruments = await entities.find(InstrumentEntity, { where: { waterId, removedAt: IsNull() }, order: { name: 'ASC' } });
  const boats = await namesOf(entities, BoatEntity, instruments, (i) => i.boatId);
  // A reading of one spot's temperature is not the main water's.
  const { tracks, sources } = believed(
    filed.filter((r) => r.variable !== 'note' && !(r.variable === 'waterTempC' && r.ofSpot)),
    stations,
  );
  return {
    record: recordOf(water, tracks, sources, members, nowMs),
    windSpread: windSpread(members),
    spreads: named((v) => spreadOf(members, v)),
    forecastRunAt: run?.runAt.toISOString() ?? null,
    stations: stations.map((s) => stationView(s, filed, fromMs)),
    instruments: instruments.map((i) => ({
      id: i.id,
      name: i.name,
      boat: boats.get(i.boatId) ?? '',
      lastHeardAt: i.lastHeardAt?.toISOString() ?? null,
      lastError: i.lastError,
    })),
    disagreements: disagreementsOf(filed, stations, until),
    crewReadings: filed
      .filter((r) => r.source === 'crew')
      .map(({ id, atMs, variable, value, person, spotName, note, corrects }) => ({
        id,
        at: new Date(atMs).toISOString(),
        variable,
        value,
        by: person,
        spotName,
        note,
        corrected: corrects,
      })),
  };
}

async function readingsOf(entities: EntityManager, waterId: string, fromMs: number, toMs: number): Promise<Filed[]> {
  const rows: (Omit<Filed, 'atMs' | 'ofSpot'> & { at: Date; spotId: string | null })[] = await entities.query(
    `select r.id, coalesce(r.station_id::text, r.source) as by, r.source, r.variable, r.at, r.value, r.flag, p.name as person,
       r.spot_id as "spotId", s.name as "spotName", r.note, exists (select from reading o where o.superseded_by = r.id) as corrects
     from reading r left join person p on p.id = r.person_id left join spot s on s.id = r.spot_id
     where r.water_id = $1 and r.at between $2 and $3 and r.superseded_by is null and r.withdrawn_at is null order by r.at, r.id`,
    [waterId, new Date(fromMs), new Date(toMs)],
  );
  return rows.map(({ at, spotId, ...r }) => ({ ...r, atMs: at.getTime(), ofSpot: spotId !== null }));
}

/** Wind of each member of the newest forecast of a water that was out by nowMs, or null. */
export async function loadMemberWinds(entities: EntityManager, waterId: string, nowMs: number): Promise<MemberWinds | null> {
  return memberWinds((await newestRun(entities, waterId, nowMs))?.members ?? []);
}

async function newestRun(
  entities: EntityManager,
  waterId: string,
  nowMs: number,
): Promise<{ readonly runAt: Date; readonly members: MemberTrack[] } | null> {
  const stations = await entities.find(StationEntity, { where: { waterId }, order: { name: 'ASC' } });
  const [newest] = await entities.find(ForecastEntity, {
    where: { stationId: In(stations.map((s) => s.id)), runAt: LessThanOrEqual(new Date(nowMs)) },
    order: { runAt: 'DESC' },
    take: 1,
  });
  if (!newest) return null;
  // Of runs that were out at the same time the first by the name of its station.
  const { runAt } = newest;
  const together = await entities.findBy(ForecastEntity, { stationId: In(stations.map((s) => s.id)), runAt });
  const run = stations.flatMap((s) => together.find((f) => f.stationId === s.id) ?? [])[0] ?? newest;
  const members = await entities.find(ForecastMemberEntity, { where: { forecastId: run.id }, order: { member: 'ASC' } });
  return {
    runAt,
    members: members.map(({ member, variable, at, value }) => ({ member, variable, atMs: at.map((t) => t.getTime()), value })),
  };
}

function disagreementsOf(filed: readonly Filed[], stations: readonly StationRow[], nowMs: number): WaterStateView['disagreements'] {
  return ALL_VARIABLES.filter(([, v]) => v.disagree !== undefined).flatMap(([variable]) => {
    const tracks = stations.map((s) => ({
      station: s.name,
      readings: filed.filter((r) => r.by === s.id && r.variable === variable && r.flag !== 4),
    }));
    return disagreements(variable, tracks, nowMs).map((d) => ({ variable, ...d }));
  });
}

function recordOf(
  water: WaterRow,
  tracks: ReadonlyMap<string, Track>,
  sources: Record<string, string>,
  members: readonly MemberTrack[],
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

function windOf(tracks: ReadonlyMap<string, Track>, members: readonly MemberTrack[], nowMs: number): WaterStateView['record']['wind'] {
  const speed = tracks.get('windMps');
  const direction = tracks.get('windFromDeg');
  const both = new Map(direction?.atMs.map((t, i) => [t, direction.value[i] as number]));
  const atMs = speed?.atMs.filter((t) => both.has(t)) ?? [];
  const speedAt = new Map(speed?.atMs.map((t, i) => [t, speed.value[i] as number]));
  const part = (key: 'east' | 'north'): Track => ({
    atMs,
    value: atMs.map((t) => windComponents(speedAt.get(t) as number, both.get(t) as number)[key]),
  });
  const ahead = meanWind(members);
  if (atMs.length === 0 && !ahead) return null;
  const gusts = tracks.get('windGustMps');
  const gustAhead = meanOf(members, 'windGustMps');
  return {
    east: joinForecast(part('east'), ahead?.east ?? null, nowMs),
    north: joinForecast(part('north'), ahead?.north ?? null, nowMs),
    gust: gusts || gustAhead ? joinForecast(gusts ?? { atMs: [], value: [] }, gustAhead, nowMs) : null,
  };
}

function stationView(s: StationRow, filed: readonly Filed[], fromMs: number): WaterStateView['stations'][number] {
  const failed = new Map<string, { count: number; suspect: number; sinceMs: number }>();
  for (const r of filed) {
    if (r.by !== s.id || (r.flag !== 4 && r.flag !== 3) || r.atMs < fromMs) continue;
    const entry = failed.get(r.variable) ?? { count: 0, suspect: 0, sinceMs: r.atMs };
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
    failed: [...failed].map(([variable, f]) => ({
      variable,
      count: f.count,
      suspect: f.suspect,
      since: new Date(f.sinceMs).toISOString(),
    })),
  };
}

// Readings and forecasts of a water as the series that the core's conditions read.
import type { Spread, WaterStateView } from '@bluffwind/contract/water';
import { HOUR } from '@bluffwind/core/units/time';
import { joinForecast, type Track } from '@bluffwind/core/weather/joinForecast';
import { windComponents, windFromComponents } from '@bluffwind/core/weather/wind';
import type { EntityManager } from 'typeorm';
import { type StationRow, StationEntity, type WaterRow, WaterEntity } from '../db/entities/water';
import { found } from '../http/context';

interface RawRow {
  station_id: string | null;
  variable: string;
  at: Date;
  value: number;
  flag: number;
  by: string | null;
}

interface MemberRow {
  run_at: Date;
  member: number;
  variable: string;
  at: Date[];
  value: number[];
}

/** State of a water over a span; forecasts only from runs that were out by nowMs. */
export async function loadWaterState(
  entities: EntityManager,
  waterId: string,
  fromMs: number,
  toMs: number,
  nowMs: number,
): Promise<WaterStateView> {
  const water = found(await entities.findOneBy(WaterEntity, { id: waterId }), 'water');
  const stations = await entities.find(StationEntity, { where: { waterId }, order: { name: 'ASC' } });
  const until = Math.min(toMs, nowMs);
  const rows: RawRow[] = await entities.query(
    `select r.station_id, r.variable, r.at, r.value, r.flag, p.name as by
     from reading r left join person p on p.id = r.person_id
     where r.water_id = $1 and r.at between $2 and $3 and r.superseded_by is null order by r.at`,
    [waterId, new Date(fromMs - 4 * 24 * HOUR), new Date(until)],
  );
  const members: MemberRow[] =
    toMs > nowMs - 6 * HOUR
      ? await entities.query(
          `select f.run_at, m.member, m.variable, m.at, m.value from forecast_member m join forecast f on f.id = m.forecast_id
           where f.id = (select f2.id from forecast f2 join station s on s.id = f2.station_id
                         where s.water_id = $1 and f2.run_at <= $2 order by f2.run_at desc, s.name limit 1)
           order by m.member`,
          [waterId, new Date(nowMs)],
        )
      : [];
  const tracks = bestTracks(rows, stations);
  return {
    record: recordOf(water, tracks, members, nowMs),
    measuredLevelM: tracks.has('waterLevelM') ? joinForecast(tracks.get('waterLevelM') as Track, null, nowMs) : null,
    windSpread: windSpread(members),
    waterTempSpread: scalarSpread(members, 'waterTempC'),
    forecastRunAt: members[0]?.run_at.toISOString() ?? null,
    stations: stations.map((s) => stationView(s, rows, fromMs)),
    crewReadings: rows
      .filter((r) => r.station_id === null && r.at.getTime() >= fromMs)
      .map((r) => ({ at: r.at.toISOString(), variable: r.variable, value: r.value, by: r.by })),
  };
}

/** Per variable the trusted values by time; where stations overlap, the one with fewer failed readings speaks. */
function bestTracks(rows: readonly RawRow[], stations: readonly StationRow[]): Map<string, Track> {
  const failed = (id: string | null, variable: string) =>
    rows.filter((r) => r.station_id === id && r.variable === variable && r.flag === 4).length;
  const byVariable = new Map<string, Map<string | null, RawRow[]>>();
  for (const r of rows) {
    const sources = byVariable.get(r.variable) ?? new Map<string | null, RawRow[]>();
    const list = sources.get(r.station_id) ?? [];
    list.push(r);
    sources.set(r.station_id, list);
    byVariable.set(r.variable, sources);
  }
  const tracks = new Map<string, Track>();
  for (const [variable, sources] of byVariable) {
    const order = [...sources.keys()].sort(
      (a, b) => failed(b, variable) - failed(a, variable) || stations.findIndex((s) => s.id === b) - stations.findIndex((s) => s.id === a),
    );
    const merged = new Map<number, number>();
    for (const source of order) {
      for (const r of sources.get(source) as RawRow[]) if (r.flag < 3) merged.set(r.at.getTime(), r.value);
    }
    const atMs = [...merged.keys()].sort((a, b) => a - b);
    tracks.set(variable, { atMs, value: atMs.map((t) => merged.get(t) as number) });
  }
  return tracks;
}

function recordOf(water: WaterRow, tracks: Map<string, Track>, members: readonly MemberRow[], nowMs: number): WaterStateView['record'] {
  const scalar = (variable: string) => {
    const measured = tracks.get(variable);
    const forecast = meanOf(members, variable);
    return measured || forecast ? joinForecast(measured ?? { atMs: [], value: [] }, forecast, nowMs) : null;
  };
  return {
    lat: water.lat,
    lon: water.lon,
    tide: water.tide,
    wind: windOf(tracks, members, nowMs),
    airTempC: scalar('airTempC'),
    pressureHpa: scalar('pressureHpa'),
    cloud: scalar('cloud'),
    waterTempC: scalar('waterTempC'),
    clarityM: scalar('clarityM'),
    flowM3s: scalar('flowM3s'),
  };
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
  const failed = new Map<string, { count: number; since: Date }>();
  for (const r of rows) {
    if (r.station_id !== s.id || r.flag !== 4 || r.at.getTime() < fromMs) continue;
    const entry = failed.get(r.variable) ?? { count: 0, since: r.at };
    entry.count++;
    failed.set(r.variable, entry);
  }
  return {
    id: s.id,
    name: s.name,
    polledTo: s.polledTo?.toISOString() ?? null,
    lastError: s.lastError,
    failed: [...failed].map(([variable, f]) => ({ variable, count: f.count, since: f.since.toISOString() })),
  };
}

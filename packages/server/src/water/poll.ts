// Fetches what the stations have to say and stores it with quality flags. Nothing stored is ever overwritten.
import { DAY, HOUR } from '@bluffwind/core/units/time';
import { type DataSource, IsNull, Not } from 'typeorm';
import { inOutfit } from '../db/database';
import { ForecastEntity, type StationRow, StationEntity } from '../db/entities/water';
import { outfitIds } from '../db/outfitIds';
import type { FetchTerms } from '../http/fetchOutside';
import { zoneOf } from '../trips/tripsOn';
import { FILES } from './filedForecasts';
import { askStation } from './ownStation';
import { refreshStops } from './recompute';
import type { StationClient } from './stationClient';
import { forecastSeries, keepRun, seriesOfRun } from './keepRun';
import { storeReadings } from './storeReadings';

const RUN_HOURS = 6;
/** A run is out an hour after its time. */
const RUN_DELAY = HOUR;
const SLICE = 40 * DAY;
/** Readings may come late; this much is asked for again. */
const OVERLAP = 6 * HOUR;
/** How far back a new station is asked at first. */
const FIRST_LOOK = 5 * DAY;
/** A station of the crew's own is asked so often, listened to for so long back and so far ahead. */
const OWN_EVERY = 10 * 60_000;
const OWN_LOOK = 5 * DAY;
const OWN_AHEAD = 16 * DAY;

/** How long a failing station is left alone: doubling from the first to the longest. */
export interface BackOff {
  readonly firstMs: number;
  readonly longestMs: number;
}

/** A silent station is asked again after a minute, two, four ... half an hour. */
export const BACK_OFF: BackOff = { firstMs: 60_000, longestMs: 30 * 60_000 };

/** The demo's stations come back sooner, so that what happens to them is soon seen. */
export const DEMO_BACK_OFF: BackOff = { firstMs: 5000, longestMs: 60_000 };

/** Time of the newest forecast run that is out. */
export function latestRun(nowMs: number): number {
  return Math.floor((nowMs - RUN_DELAY) / (RUN_HOURS * HOUR)) * RUN_HOURS * HOUR;
}

/**
 * Polls every station of every outfit up to now. A station that fails keeps its last good readings, its error is stored
 * for the screen and it is left alone for a while; the others go on.
 * @returns Readings stored, the outfits of which something else was written, and those of them that have a new forecast or late readings for stops already fished.
 */
export async function pollStations(
  source: DataSource,
  client: StationClient | null,
  nowMs: number,
  backOff: BackOff = BACK_OFF,
  own: FetchTerms = { allowPrivate: false },
): Promise<{ readonly stored: number; readonly touched: ReadonlySet<string>; readonly outfits: readonly string[] }> {
  let stored = 0;
  const changed = new Set<string>();
  const touched = new Set<string>();
  for (const id of await outfitIds(source)) {
    const stations = await inOutfit(source, id, (entities) =>
      entities.find(StationEntity, { where: { path: Not(FILES), removedAt: IsNull() }, order: { name: 'ASC' } }),
    );
    for (const station of stations) {
      if (station.nextTryAt && station.nextTryAt.getTime() > nowMs) continue;
      if (station.url === null && client === null) continue;
      const note = (change: Partial<StationRow>) => {
        touched.add(id);
        return inOutfit(source, id, (e) => e.update(StationEntity, { id: station.id }, change));
      };
      try {
        const news =
          station.url !== null
            ? await pollOwn(source, station, nowMs, own)
            : await pollStation(source, client as StationClient, station, nowMs);
        stored += news.stored;
        // A reading more of the present hour changes nothing that was worked out; answers that show it are kept for seconds only.
        if (news.forecast || news.stops > 0) changed.add(id);
        if (station.lastError !== null || station.failures > 0)
          await note({ lastError: null, failures: 0, ...(station.url === null ? { nextTryAt: null } : {}) });
      } catch (error) {
        const wait = Math.min(backOff.longestMs, backOff.firstMs * 2 ** Math.min(20, station.failures));
        await note({
          lastError: (error as Error).message.slice(0, 300),
          failures: station.failures + 1,
          nextTryAt: new Date(nowMs + wait),
        });
      }
    }
  }
  return { stored, touched: new Set([...touched, ...changed]), outfits: [...changed] };
}

/**
 * Fetches the stations' history over spans in order, before the first poll. A failure is thrown: a scenario is loaded
 * whole or not at all.
 */
export async function fetchHistory(
  source: DataSource,
  client: StationClient,
  spans: readonly { from: number; to: number }[],
  nowMs: number,
): Promise<number> {
  let stored = 0;
  for (const id of await outfitIds(source)) {
    const stations = await inOutfit(source, id, (entities) =>
      entities.find(StationEntity, { where: { path: Not(FILES), url: IsNull() }, order: { name: 'ASC' } }),
    );
    // Stations side by side, each one's spans in order: flags look back.
    const counts = await Promise.all(
      stations.map(async (station) => {
        let count = 0;
        for (const span of spans) count += await fetchSpan(source, client, station, span.from, Math.min(span.to, nowMs), nowMs);
        return count;
      }),
    );
    stored += counts.reduce((a, b) => a + b, 0);
  }
  return stored;
}

async function fetchSpan(
  source: DataSource,
  client: StationClient,
  station: StationRow,
  fromMs: number,
  toMs: number,
  nowMs: number,
  seasonal = false,
): Promise<number> {
  let from = fromMs;
  let stored = 0;
  while (from < toMs) {
    const to = Math.min(toMs, from + SLICE);
    const answer = await client.readings(station.path, from, to);
    stored += await inOutfit(source, station.outfitId, async (entities) => {
      const { count, goodAt } = await storeReadings(entities, station, answer.readings, nowMs, seasonal);
      const newest = goodAt !== null && goodAt > (station.lastGoodAt?.getTime() ?? 0) ? { lastGoodAt: new Date(goodAt) } : {};
      await entities.update(StationEntity, { id: station.id }, { polledTo: new Date(to), ...newest });
      return count;
    });
    from = to;
  }
  return stored;
}

/** Asks a station of the crew's own once: what lies behind is a reading, what lies ahead a forecast. */
async function pollOwn(
  source: DataSource,
  station: StationRow,
  nowMs: number,
  own: FetchTerms,
): Promise<{ stored: number; stops: number; forecast: boolean }> {
  const zone = await inOutfit(source, station.outfitId, (e) => zoneOf(e, station.outfitId));
  if (station.url === null || station.reading === null) throw new Error('it has no address');
  const spoken = await askStation(station.url, station.reading, zone, nowMs, own);
  const since = nowMs - OWN_LOOK;
  const behind = spoken.readings.filter((r) => r.atMs <= nowMs && r.atMs >= since && r.member === 0);
  const ahead = spoken.readings.filter((r) => r.atMs > nowMs && r.atMs < nowMs + OWN_AHEAD);
  if (behind.length === 0 && ahead.length === 0)
    throw new Error(spoken.readings.length === 0 ? 'nothing of its answer could be read' : 'all that it says is older than five days');
  const first = behind.reduce((a, r) => Math.min(a, r.atMs), nowMs);
  const stored = await inOutfit(source, station.outfitId, async (entities) => {
    const rows = behind.map((r) => ({ at: new Date(r.atMs).toISOString(), variable: r.variable, value: r.value }));
    const { count, goodAt } = await storeReadings(entities, station, rows, nowMs, true);
    const newest = goodAt !== null && goodAt > (station.lastGoodAt?.getTime() ?? 0) ? { lastGoodAt: new Date(goodAt) } : {};
    await entities.update(
      StationEntity,
      { id: station.id },
      { polledTo: new Date(nowMs), nextTryAt: new Date(nowMs + OWN_EVERY), ...newest },
    );
    return count;
  });
  const stops = stored > 0 ? await inOutfit(source, station.outfitId, (e) => refreshStops(e, station.waterId, first, nowMs, nowMs)) : 0;
  const forecast =
    ahead.length > 0 &&
    (await inOutfit(source, station.outfitId, (e) => keepRun(e, station, Math.floor(nowMs / HOUR) * HOUR, nowMs, forecastSeries(ahead))));
  return { stored, stops, forecast };
}

async function pollStation(
  source: DataSource,
  client: StationClient,
  station: StationRow,
  nowMs: number,
): Promise<{ stored: number; stops: number; forecast: boolean }> {
  const from = station.polledTo ? station.polledTo.getTime() - OVERLAP : nowMs - FIRST_LOOK;
  const stored = await fetchSpan(source, client, station, from, nowMs, nowMs, true);
  // Late readings change what is known of stops already fished.
  const stops = stored > 0 ? await inOutfit(source, station.outfitId, (e) => refreshStops(e, station.waterId, from, nowMs, nowMs)) : 0;
  const run = latestRun(nowMs);
  const known = await inOutfit(source, station.outfitId, (e) =>
    e.existsBy(ForecastEntity, { stationId: station.id, runAt: new Date(run) }),
  );
  if (!known) {
    const forecast = await client.forecast(station.path, run);
    await inOutfit(source, station.outfitId, (e) =>
      keepRun(e, station, Date.parse(forecast.run), nowMs, seriesOfRun(station.path, forecast)),
    );
  }
  return { stored, stops, forecast: !known };
}

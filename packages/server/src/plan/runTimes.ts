import { setImmediate } from 'node:timers/promises';
import { LRUCache } from 'lru-cache';
import { HANDLING_MIN, type WaysAt } from '@bluffwind/core/plan/planInputs';
import { type Passage, barCells, withBars } from '@bluffwind/core/ground/barCells';
import { type RunAreas, type RunningBoat, runField } from '@bluffwind/core/ground/navigate';
import { type KnownWays, type SeaPlace, type SeaWays, seaWays } from '@bluffwind/core/ground/seaOnWays';
import { type SeaBed, toLocal } from '@bluffwind/core/ground/seaBed';

/** Heights of tide for which ways are worked out lie so far apart, m. */
const TIDE_STEP_M = 0.5;

export interface RunTimes {
  /** Exposed places and bars on the ways. */
  readonly places: readonly SeaPlace[];
  /** By height of tide, the lowest first; at least one. */
  readonly byTide: readonly WaysAt[];
}

/** What ways run through. */
export interface RunGround {
  /** Names the chart: equal names must mean equal beds. */
  readonly chart: string;
  readonly bed: SeaBed;
  readonly dock: { readonly lat: number; readonly lon: number };
  readonly spots: readonly { readonly lat: number; readonly lon: number }[];
  readonly boat: RunningBoat;
  readonly areas: RunAreas;
  readonly passages: readonly Passage[];
}

const cache = new LRUCache<string, SeaWays>({ max: 240 });
/** Ways by the ground, boat and height of tide that they belong to, whatever spots are asked for: a moved spot costs its own ways only. */
const knownWays = new LRUCache<string, KnownWays>({ max: 60 });
/** Fetch at cells by the chart that it belongs to: the same for every boat and height of tide. */
const rosesOf = new LRUCache<string, Map<number, number[]>>({ max: 20 });

/** Heights of tide from the one below the least to the one below the most. */
export function tideLevels(leastM: number, mostM: number): number[] {
  const first = Math.floor(leastM / TIDE_STEP_M);
  return Array.from({ length: Math.floor(mostM / TIDE_STEP_M) - first + 1 }, (_, k) => (first + k) * TIDE_STEP_M);
}

/** What is kept in a map under a name, made when it is not there yet. */
function keptIn<K, V>(map: LRUCache<string, Map<K, V>>, key: string): Map<K, V> {
  const known = map.get(key) ?? new Map<K, V>();
  map.set(key, known);
  return known;
}

/**
 * Minutes between dock and spots and between spots, by height of tide: over water deep enough then, round what is barred, held to
 * what the crew has charted of passages.
 * @param key - Names the ground and the boat, not the spots: equal keys must mean equal ground. @param levelsM - Heights of tide, ascending, at least one.
 */
export async function runTimes(key: string, ground: RunGround, levelsM: readonly number[]): Promise<RunTimes> {
  const all: SeaWays[] = [];
  for (const tideM of levelsM) {
    // Others are heard between two heights of tide.
    await setImmediate();
    all.push(waysAt(`${key} ${tideM}`, ground, tideM));
  }
  const places: SeaPlace[] = [];
  const indexOf = new Map<string, number>();
  const place = (p: SeaPlace): number => {
    const name = `${p.lat},${p.lon},${p.bar ?? ''}`;
    const known = indexOf.get(name);
    if (known !== undefined) return known;
    places.push(p);
    indexOf.set(name, places.length - 1);
    return places.length - 1;
  };
  const byTide = all.map((ways, k): WaysAt => {
    const minutes = ways.seconds.map((row) => row.map((s) => (Number.isFinite(s) ? s / 60 + HANDLING_MIN : null)));
    const met = ways.crossed.map((row) => row.map((on) => on.map((i) => place(ways.sea[i] as SeaPlace))));
    return {
      tideM: levelsM[k] as number,
      dockMin: (minutes[0] ?? []).slice(1),
      betweenMin: minutes.slice(1).map((r) => r.slice(1)),
      dockSea: (met[0] ?? []).slice(1),
      betweenSea: met.slice(1).map((r) => r.slice(1)),
    };
  });
  return { places, byTide };
}

function waysAt(key: string, { chart, bed, dock, spots, boat, areas, passages }: RunGround, tideM: number): SeaWays {
  const whole = `${key} ${[dock, ...spots].map((s) => `${s.lat},${s.lon}`).join()}`;
  const known = cache.get(whole);
  if (known) return known;
  const bars = passages.map((p) => barCells(bed, p));
  const ground = withBars(bed, bars);
  const places = [dock, ...spots].map((p) => toLocal(ground, p.lat, p.lon));
  const field = runField(ground, boat, tideM, areas);
  const ways = seaWays(field, places, bars, { roses: keptIn(rosesOf, chart), known: keptIn(knownWays, key) });
  cache.set(whole, ways);
  return ways;
}

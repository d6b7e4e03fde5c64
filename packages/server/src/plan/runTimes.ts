import { type RunAreas, type RunningBoat, runField } from '@bluffwind/core/ground/navigate';
import { type SeaPlace, seaWays } from '@bluffwind/core/ground/seaOnWays';
import { type SeaBed, toLocal } from '@bluffwind/core/ground/seaBed';

/** Casting off, anchoring and getting lines in, minutes per run. */
const HANDLING_MIN = 3;

export interface RunTimes {
  readonly dock: readonly (number | null)[];
  readonly between: readonly (readonly (number | null)[])[];
  /** Exposed places on the ways, and which of them each way meets. */
  readonly sea: {
    readonly places: readonly SeaPlace[];
    readonly dock: readonly (readonly number[])[];
    readonly between: readonly (readonly (readonly number[])[])[];
  };
}

const cache = new Map<string, RunTimes>();
const KEPT = 40;

/**
 * Minutes between dock and spots and between spots, over water deep enough at half tide, round what is barred.
 * @param key - Names bed, places, areas and boat: equal keys must mean equal arguments.
 */
export function runTimes(
  key: string,
  bed: SeaBed,
  dock: { lat: number; lon: number },
  spots: readonly { lat: number; lon: number }[],
  boat: RunningBoat,
  halfTideM: number,
  areas: RunAreas,
): RunTimes {
  const known = cache.get(key);
  if (known) return known;
  const places = [dock, ...spots].map((p) => toLocal(bed, p.lat, p.lon));
  const ways = seaWays(runField(bed, boat, halfTideM, areas), places);
  const rows = ways.seconds.map((row) => row.map((s) => (Number.isFinite(s) ? s / 60 + HANDLING_MIN : null)));
  const times: RunTimes = {
    dock: (rows[0] as (number | null)[]).slice(1),
    between: rows.slice(1).map((r) => r.slice(1)),
    sea: { places: ways.sea, dock: (ways.crossed[0] ?? []).slice(1), between: ways.crossed.slice(1).map((r) => r.slice(1)) },
  };
  if (cache.size >= KEPT) cache.delete(cache.keys().next().value as string);
  cache.set(key, times);
  return times;
}

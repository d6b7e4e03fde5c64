import { wayLengths } from '@bluffwind/core/ground/runTime';
import { type SeaBed, toLocal } from '@bluffwind/core/ground/seaBed';

/** Casting off, anchoring and getting lines in, minutes per run. */
const HANDLING_MIN = 3;
const MARGIN_M = 0.5;

export interface RunTimes {
  readonly dock: readonly (number | null)[];
  readonly between: readonly (readonly (number | null)[])[];
}

const cache = new Map<string, RunTimes>();
const KEPT = 40;

/**
 * Minutes between dock and spots and between spots, over water deep enough at half tide.
 * @param key - Names bed, places and boat: equal keys must mean equal arguments.
 */
export function runTimes(
  key: string,
  bed: SeaBed,
  dock: { lat: number; lon: number },
  spots: readonly { lat: number; lon: number }[],
  boat: { speedMps: number; draughtM: number },
  halfTideM: number,
): RunTimes {
  const known = cache.get(key);
  if (known) return known;
  const places = [dock, ...spots].map((p) => toLocal(bed, p.lat, p.lon));
  const needM = boat.draughtM + MARGIN_M - halfTideM;
  const rows = places.map((from) =>
    wayLengths(bed, from, places, needM).map((m) => (Number.isFinite(m) ? m / boat.speedMps / 60 + HANDLING_MIN : null)),
  );
  const times: RunTimes = { dock: (rows[0] as (number | null)[]).slice(1), between: rows.slice(1).map((r) => r.slice(1)) };
  if (cache.size >= KEPT) cache.delete(cache.keys().next().value as string);
  cache.set(key, times);
  return times;
}

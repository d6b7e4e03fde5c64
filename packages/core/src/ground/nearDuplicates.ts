import { distanceM } from './seaBed';

/** Closer than this two spots are likely the same, m. */
export const SAME_SPOT_M = 30;

/** A place with a position. */
export interface Placed {
  readonly lat: number;
  readonly lon: number;
}

/** For each of the new places the nearest known one within 30 m, or null. */
export function nearDuplicates<T extends Placed>(
  fresh: readonly Placed[],
  known: readonly T[],
): ({ readonly of: T; readonly metres: number } | null)[] {
  return fresh.map((f) => {
    let best: { of: T; metres: number } | null = null;
    for (const k of known) {
      if (Math.abs(k.lat - f.lat) > 0.001) continue;
      const metres = distanceM(f, k);
      if (metres <= SAME_SPOT_M && (best === null || metres < best.metres)) best = { of: k, metres };
    }
    return best;
  });
}

/** Pairs of places within 30 m of each other. */
export function pairsWithin<T extends Placed>(places: readonly T[]): { readonly a: T; readonly b: T; readonly metres: number }[] {
  return places.flatMap((a, i) =>
    places
      .slice(i + 1)
      .map((b) => ({ a, b, metres: distanceM(a, b) }))
      .filter((p) => p.metres <= SAME_SPOT_M),
  );
}

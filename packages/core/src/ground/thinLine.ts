import { distanceM } from './seaBed';
import { lastOf, row } from '../units/indexed';

type LonLat = readonly [number, number];

/**
 * A track with at most so many points: those nearer to the last kept one than a step are left out, the step doubling until
 * few enough are left. First and last point stay.
 * @param most - At least 2.
 */
export function thinLine(points: readonly LonLat[], most: number): readonly LonLat[] {
  if (!(most >= 2)) throw new RangeError(`most: expected 2 or more, got ${most}`);
  let kept = points;
  for (let stepM = 1; kept.length > most; stepM *= 2) {
    const next: LonLat[] = [row(kept, 0)];
    for (const p of kept) {
      const last = lastOf(next);
      if (distanceM({ lat: last[1], lon: last[0] }, { lat: p[1], lon: p[0] }) >= stepM) next.push(p);
    }
    const end = lastOf(points);
    if (next.at(-1) !== end) {
      if (next.length >= most) next.pop();
      next.push(end);
    }
    kept = next;
  }
  return kept;
}

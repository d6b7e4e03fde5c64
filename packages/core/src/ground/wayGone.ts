// A way that was gone, from positions with their times: how far, how long, how fast, where to.
import { bearingDeg, distanceM } from './seaBed';

export interface TimedPlace {
  readonly lat: number;
  readonly lon: number;
  readonly atMs: number;
}

export interface WayGone {
  /** Along its points, m. */
  readonly lengthM: number;
  readonly minutes: number;
  /** From its first to its last, m/s and degrees true: what a drift does, without the wandering of a position. */
  readonly madeGoodMps: number | null;
  readonly toDeg: number | null;
}

/** @param points - In the order of their times. */
export function wayGone(points: readonly TimedPlace[]): WayGone {
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last || first === last) return { lengthM: 0, minutes: 0, madeGoodMps: null, toDeg: null };
  const lengthM = points.slice(1).reduce((sum, p, i) => sum + distanceM(points[i] ?? p, p), 0);
  const seconds = (last.atMs - first.atMs) / 1000;
  const straightM = distanceM(first, last);
  return {
    lengthM,
    minutes: seconds / 60,
    madeGoodMps: seconds > 0 ? straightM / seconds : null,
    toDeg: straightM < 1 ? null : bearingDeg(first, last),
  };
}

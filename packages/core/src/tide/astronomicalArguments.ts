// Mean longitudes after Meeus, Astronomical Algorithms (2nd ed., 1998), chapters 22, 25 and 47; degrees, good to
// 0.01 deg for 1900-2100. Names follow Schureman, Special Publication 98 (1940): s moon, h sun, p lunar perigee,
// N ascending node of the moon, p1 solar perigee.
import { wrapDeg } from '../units/angle';

/** Mean longitudes at one instant, degrees in [0, 360). */
export interface AstronomicalArguments {
  readonly s: number;
  readonly h: number;
  readonly p: number;
  readonly n: number;
  readonly p1: number;
}

const J2000_MS = Date.UTC(2000, 0, 1, 12);
const CENTURY_MS = 36525 * 86_400_000;

/** @param atMs - Instant, Unix milliseconds. */
export function astronomicalArguments(atMs: number): AstronomicalArguments {
  const t = (atMs - J2000_MS) / CENTURY_MS;
  return {
    s: wrapDeg(218.3164477 + 481267.88123421 * t - 0.0015786 * t * t),
    h: wrapDeg(280.46646 + 36000.76983 * t + 0.0003032 * t * t),
    p: wrapDeg(83.3532465 + 4069.0137287 * t - 0.01032 * t * t),
    n: wrapDeg(125.04452 - 1934.136261 * t + 0.0020708 * t * t),
    p1: wrapDeg(282.93768 + 1.71946 * t + 0.00046 * t * t),
  };
}

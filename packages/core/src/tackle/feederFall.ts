// A clipped feeder falls on a taut line and so swings back toward the rod: at depth z it is sqrt(L^2 - z^2) away. Feed leaves it all the
// while, exp(-t / keep) of it is left after t, and what is lost falls straight down, farther out than the feeder comes to rest (common
// practice, P13 and P14). Where the spilt feed lies on average is the mean of sqrt(L^2 - z^2) weighted by what was lost there.
import { overNothing } from '../units/inRange';

export interface FeederCast {
  /** Line to the clip, m; more than the depth. */
  readonly clipM: number;
  readonly depthM: number;
  /** Speed of the fall, m/s. */
  readonly fallMps: number;
  /** Time in which it keeps 1/e of its feed, s. */
  readonly keepS: number;
}

export interface FeederRest {
  /** How far out it comes to rest, and how much nearer than the clip, m. */
  readonly restM: number;
  readonly backM: number;
  readonly fallS: number;
  /** Feed left in it at the bottom, 0 to 1. */
  readonly leftShare: number;
  /** Where the spilt feed lies: nearest, farthest and mean, m from the rod. */
  readonly spiltFromM: number;
  readonly spiltToM: number;
  readonly spiltMeanM: number;
  /** Line past the clip that lays the hook over the middle of the spilt feed, m. */
  readonly pastClipM: number;
}

/** Panels of Simpson's rule; the integrand is smooth, its error is below 1e-9 of the distance. */
const PANELS = 400;

/**
 * Where a clipped feeder and its feed come to lie.
 * @throws RangeError for a quantity that is not over 0 and for a clip that is not longer than the depth.
 * @example feederFall({ clipM: 40, depthM: 9, fallMps: 0.6, keepS: 20 }).restM.toFixed(5) === '38.97435'
 */
export function feederFall({ clipM, depthM, fallMps, keepS }: FeederCast): FeederRest {
  overNothing('clipM', clipM, 'm');
  overNothing('depthM', depthM, 'm');
  overNothing('fallMps', fallMps, 'm/s');
  overNothing('keepS', keepS, 's');
  if (clipM <= depthM)
    throw new RangeError(`clipM: expected more than the depth of ${depthM} m, got ${clipM}: the feeder would hang under the rod`);
  const fallS = depthM / fallMps;
  const leftShare = Math.exp(-fallS / keepS);
  const out = (t: number) => Math.sqrt(clipM * clipM - (fallMps * t) ** 2);
  const lost = (t: number) => (out(t) * Math.exp(-t / keepS)) / keepS;
  const h = fallS / PANELS;
  let sum = lost(0) + lost(fallS);
  for (let i = 1; i < PANELS; i++) sum += (i % 2 === 1 ? 4 : 2) * lost(i * h);
  const restM = out(fallS);
  const spiltMeanM = (sum * h) / 3 / (1 - leftShare);
  return {
    restM,
    backM: clipM - restM,
    fallS,
    leftShare,
    spiltFromM: restM,
    spiltToM: clipM,
    spiltMeanM,
    pastClipM: Math.hypot(spiltMeanM, depthM) - clipM,
  };
}

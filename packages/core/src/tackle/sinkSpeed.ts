// Speed at which a weight sinks once its weight in water equals its drag. It is reached within centimetres, so that depth / speed is the
// time to the bottom. Good to a tenth for round leads; a tail or a bait adds drag that only a stopwatch tells.
import { inRange, overNothing } from '../units/inRange';
import { GRAVITY, LEAD, SEA_WATER, SPHERE_CD, sphereOf } from './matter';

export interface Sinker {
  /** Mass, g, over 0 to 5000. */
  readonly massG: number;
  /** Density of what it is made of, kg/m3; lead when left out. */
  readonly materialKgM3?: number;
  /** Drag coefficient of its own shape. */
  readonly cd?: number;
  /** Drag of tail, bait and hook beside it: coefficient times face, cm2. */
  readonly extraDragCm2?: number;
}

/**
 * Sinking speed, m/s.
 * @param waterKgM3 - Density of the water, kg/m3.
 * @throws RangeError for a mass out of range and for what floats.
 * @example sinkSpeed({ massG: 7 }).toFixed(5) === '1.77742'
 */
export function sinkSpeed(sinker: Sinker, waterKgM3 = SEA_WATER): number {
  const { materialKgM3 = LEAD, cd = SPHERE_CD, extraDragCm2 = 0 } = sinker;
  overNothing('massG', sinker.massG, 'g');
  inRange('massG', sinker.massG, 0, 5000, 'g');
  inRange('waterKgM3', waterKgM3, 900, 1100, 'kg/m3');
  overNothing('cd', cd);
  inRange('extraDragCm2', extraDragCm2, 0, 10_000, 'cm2');
  if (!(materialKgM3 > waterKgM3))
    throw new RangeError(`materialKgM3: expected more than the water's ${waterKgM3} kg/m3, got ${materialKgM3}: it floats`);
  const { volumeM3, faceM2 } = sphereOf(sinker.massG / 1000, materialKgM3);
  const drag = cd * faceM2 + extraDragCm2 / 10_000;
  return Math.sqrt((2 * (materialKgM3 - waterKgM3) * volumeM3 * GRAVITY) / (waterKgM3 * drag));
}

/**
 * Drag that a stopwatch tells of: what a lure must carry beside its head to sink as slowly as it was timed, cm2 (0 when it sank as fast
 * as a bare ball or faster).
 * @param timed - Depth over which it was timed, m, and the seconds it took.
 * @throws RangeError for a depth or time that is not over 0.
 */
export function dragOfTimed(sinker: Sinker, timed: { readonly depthM: number; readonly seconds: number }, waterKgM3 = SEA_WATER): number {
  const { materialKgM3 = LEAD, cd = SPHERE_CD } = sinker;
  const speed = overNothing('depthM', timed.depthM, 'm') / overNothing('seconds', timed.seconds, 's');
  const { volumeM3, faceM2 } = sphereOf(overNothing('massG', sinker.massG, 'g') / 1000, materialKgM3);
  const all = (2 * (materialKgM3 - waterKgM3) * volumeM3 * GRAVITY) / (waterKgM3 * speed * speed);
  return Math.max(0, (all - cd * faceM2) * 10_000);
}

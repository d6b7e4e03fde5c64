// Poole & Atkins 1929: Kd = 1.7 / Secchi depth. Refraction by Snell's law with n = 1.333.
import { DEG } from '../units/angle';

/**
 * Share of surface light that reaches a depth.
 * @param depthM - Depth, m, >= 0. @param secchiM - Secchi depth (clarity), m, > 0.
 */
export function lightAtDepth(depthM: number, secchiM: number): number {
  if (!(secchiM > 0)) throw new RangeError(`clarity: expected more than 0 m, got ${secchiM}`);
  return Math.exp((-1.7 / secchiM) * Math.max(0, depthM));
}

/**
 * Angle of the sun's ray under water from the vertical, degrees.
 * @param sunHeightDeg - Height of the sun, 0 to 90.
 */
export function refractedAngleDeg(sunHeightDeg: number): number {
  return Math.asin(Math.cos(sunHeightDeg * DEG) / 1.333) / DEG;
}

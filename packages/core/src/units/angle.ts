/** Radians in one degree. */
import { nth } from './indexed';
export const DEG = Math.PI / 180;

/** Folds any angle in degrees into [0, 360). */
export function wrapDeg(angle: number): number {
  return ((angle % 360) + 360) % 360;
}

/** Smallest signed turn from one bearing to another, degrees in (-180, 180]. */
export function turnDeg(fromDeg: number, toDeg: number): number {
  const d = wrapDeg(toDeg - fromDeg);
  return d > 180 ? d - 360 : d;
}

const POINTS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'] as const;

/** Compass point (one of eight) a bearing in degrees true belongs to. */
export function compassPoint(bearingDeg: number): (typeof POINTS)[number] {
  return nth(POINTS, Math.round(wrapDeg(bearingDeg) / 45) % 8);
}

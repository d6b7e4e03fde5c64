// Effective fetch: nine rays within 24 degrees of the bearing, weighted by cosine (Shore Protection Manual 1984, ch. 3).
// Rays march over a local grid; distances are plane, which is within 0.1 % over the 30 km that matter here.
import { DEG } from '../units/angle';
import { depthAt, nearestDepth, type SeaBed } from '../ground/seaBed';
import { num } from '../units/indexed';

/** Longest fetch that is looked for, m; open water counts as this. */
export const MAX_FETCH_M = 30_000;

/**
 * Straight distance over water from a point towards a bearing, m.
 * @param tideM - Height of tide above chart datum; ground above it stops the ray. Beyond the grid is open water when
 * the edge is water.
 */
export function rayFetch(bed: SeaBed, xM: number, yM: number, bearingDeg: number, tideM: number): number {
  const step = bed.cellM / 2;
  const dx = Math.sin(bearingDeg * DEG) * step;
  const dy = Math.cos(bearingDeg * DEG) * step;
  let x = xM;
  let y = yM;
  for (let d = 0; d < MAX_FETCH_M; d += step) {
    // Water that nobody has sounded lets the wind pass as any other does.
    const depth = depthAt(bed, x, y) ?? nearestDepth(bed, x, y);
    if (depth === null) return bed.openBeyond ? MAX_FETCH_M : d;
    if (depth + tideM <= 0 && d > step * 2) return d;
    x += dx;
    y += dy;
  }
  return MAX_FETCH_M;
}

/** Effective fetch towards a bearing, m. */
export function effectiveFetch(bed: SeaBed, xM: number, yM: number, bearingDeg: number, tideM = 0): number {
  return weighted(bearingDeg, (deg) => rayFetch(bed, xM, yM, deg, tideM));
}

function weighted(bearingDeg: number, ray: (bearingDeg: number) => number): number {
  let sum = 0;
  let weights = 0;
  for (let k = -4; k <= 4; k++) {
    const off = k * 6;
    const w = Math.cos(off * DEG);
    sum += w * Math.min(MAX_FETCH_M, ray(bearingDeg + off)) * w;
    weights += w;
  }
  return sum / weights;
}

/** Effective fetch for the 36 bearings 0, 10 .. 350 degrees, whole metres. */
export function fetchRose(bed: SeaBed, xM: number, yM: number): number[] {
  // Neighbouring bearings share rays: every second degree is marched along once.
  const rays = Array.from({ length: 180 }, (_, k) => rayFetch(bed, xM, yM, 2 * k, 0));
  return Array.from({ length: 36 }, (_, i) => Math.round(weighted(i * 10, (deg) => num(rays, ((deg + 360) % 360) / 2))));
}

/** Fetch of a rose at any bearing, linear between its 10 degree steps. */
export function fetchFromRose(rose: readonly number[], bearingDeg: number): number {
  const at = (((bearingDeg % 360) + 360) % 360) / 10;
  const i = Math.floor(at) % 36;
  const a = num(rose, i);
  const b = num(rose, (i + 1) % 36);
  return a + (at - Math.floor(at)) * (b - a);
}

// Shadows of upright things (piles, boulders, walls) on the surface and at fish depth. Shadow length = height / tan(sun
// height), towards the sun's bearing + 180; under water the ray bends (Snell, n = 1.333), so that the shade at depth z lies
// z tan(r) farther off, sin r = cos(sun height) / 1.333.
import { DEG, wrapDeg } from '../units/angle';
import { refractedAngleDeg } from './underwaterLight';

/** The shade of one upright thing. */
export interface Shade {
  /** Direction the shade falls, degrees true. */
  readonly toDeg: number;
  /** Length on the surface of what stands above it, m. */
  readonly surfaceM: number;
  /** How far off the foot of the thing the shade of its waterline lies at fish depth, m. */
  readonly displacedM: number;
}

/** Below this height of the sun, degrees, shadows are too long and light too weak to matter. */
export const LOWEST_SUN_DEG = 3;

/**
 * Shade of something upright.
 * @param sunHeightDeg - Height of the sun, degrees. @param sunBearingDeg - Its bearing, degrees true.
 * @param heightM - Height above the water, m, >= 0. @param depthM - Fish depth below the surface, m, >= 0.
 * @returns null when the sun stands below 3 degrees.
 */
export function shadeOf(sunHeightDeg: number, sunBearingDeg: number, heightM: number, depthM: number): Shade | null {
  if (sunHeightDeg < LOWEST_SUN_DEG) return null;
  return {
    toDeg: wrapDeg(sunBearingDeg + 180),
    surfaceM: heightM / Math.tan(sunHeightDeg * DEG),
    displacedM: depthM * Math.tan(refractedAngleDeg(sunHeightDeg) * DEG),
  };
}

/**
 * Outline of the shade at fish depth of a thing with a foot print, as points east and north of its middle, m, a convex
 * ring (not closed): the foot print swept from where its waterline shades to where its top does.
 * @param foot - Foot print, points east and north, m, at least 3 or a line of 2.
 */
export function shadeRing(
  foot: readonly (readonly [number, number])[],
  sunHeightDeg: number,
  sunBearingDeg: number,
  heightM: number,
  depthM: number,
): [number, number][] {
  const shade = shadeOf(sunHeightDeg, sunBearingDeg, heightM, depthM);
  if (!shade) return [];
  const east = Math.sin(shade.toDeg * DEG);
  const north = Math.cos(shade.toDeg * DEG);
  const moved = [0, shade.displacedM + Math.min(60, shade.surfaceM)].flatMap((d) =>
    foot.map(([x, y]): [number, number] => [x + d * east, y + d * north]),
  );
  return hull(moved);
}

/** Which sides of an upright thing lie in its shade: 1 full shade to -1 full sun, for a side that faces a bearing. */
export function shadedSide(sunBearingDeg: number, sideDeg: number): number {
  return -Math.cos((sideDeg - sunBearingDeg) * DEG);
}

/** Convex hull (Andrew's monotone chain). */
function hull(points: readonly [number, number][]): [number, number][] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: readonly [number, number][]) => {
    const out: [number, number][] = [];
    for (const p of list) {
      for (;;) {
        const a = out.at(-2);
        const b = out.at(-1);
        if (!a || !b || (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break;
        out.pop();
      }
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}

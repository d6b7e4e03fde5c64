// The invented ground: three waters in open ocean where no real place is. Depths below chart datum, metres.
import type { SeaBed } from '@bluffwind/core/ground/seaBed';
import { noise2 } from './noise';

const hump = (x: number, y: number, cx: number, cy: number, rx: number, ry = rx) =>
  Math.exp(-(((x - cx) / rx) ** 2) - ((y - cy) / ry) ** 2);

/** Middle of the old channel of the sound. */
const channelY = (x: number) => 2750 + 520 * Math.sin(x / 2100 + 0.4);
const northShore = (x: number) => 4750 + 330 * Math.sin(x / 1300) + 150 * Math.sin(x / 480 + 1) - 900 * hump(x, 0, 9900, 0, 2200);
const southShore = (x: number) => 820 + 230 * Math.sin(x / 1600 + 2) + 120 * Math.sin(x / 530) + 900 * hump(x, 0, 9900, 0, 2000);

function soundDepth(x: number, y: number): number {
  const offshore = Math.min(y - southShore(x), northShore(x) - y, (9750 - x) * 0.8);
  if (offshore < 0) return Math.max(-9, offshore * 0.02 - 1.8);
  let d = 5.5 * (1 - Math.exp(-offshore / 420)) - 1.2 * Math.exp(-offshore / 120);
  d += 9 * Math.exp(-(((y - channelY(x)) / 430) ** 2)) * (1 - 0.55 * Math.max(0, (x - 4500) / 5500));
  // The Kettle flats dry; two drains cut them.
  d -= 6.4 * hump(x, y, 6300, 4080, 900, 430);
  d += 3.1 * hump(x, y, 5750, 3880, 130, 420) + 2.6 * hump(x, y, 6900, 3900, 120, 420);
  d -= 5.2 * hump(x, y, 2900, 1700, 650, 260);
  // Whin island and a stub of rock.
  d -= 15 * hump(x, y, 7900, 2500, 330, 190) + 13 * hump(x, y, 2350, 3650, 170, 140);
  d += 3.2 * hump(x, y, 8700, 2050, 260, 180);
  d += 0.35 * noise2(x / 420, y / 420, 11) + 0.2 * noise2(x / 150, y / 150, 12);
  // The bar before the mouth: a sill that a boat crosses with the tide.
  d -= (d - BAR_DEPTH_M) * Math.exp(-(((x - BAR_X) / 140) ** 2));
  return jetty(x, y) ? -2.6 : Math.max(d, -6);
}

const BAR_X = 500;
/** Charted depth of the bar, m. */
export const BAR_DEPTH_M = 0.3;

/** Two rock jetties at the mouth, from either shore. */
function jetty(x: number, y: number): boolean {
  const outer = Math.abs(x - (1000 + (y - 3700) * 0.12)) < 45 && y > 3650;
  const inner = Math.abs(x - (1250 - (y - 1900) * 0.1)) < 45 && y < 1950;
  return outer || inner;
}

function skerriesDepth(x: number, y: number): number {
  let d = 33 + 2.2 * noise2(x / 900, y / 900, 21) + 0.8 * noise2(x / 260, y / 260, 22);
  d -= 15 * hump(x, y, 2100, 3300, 900, 260) + 9 * hump(x, y, 4300, 1500, 500, 380);
  d -= 40 * hump(x, y, 1500, 1700, 270, 210) + 38 * hump(x, y, 2250, 1450, 190, 160) + 37 * hump(x, y, 4700, 3700, 300, 220);
  d += 5 * hump(x, y, 3300, 2500, 700, 500);
  return Math.max(d, -6);
}

function lakeDepth(x: number, y: number): number {
  const middle = 1350 + 190 * Math.sin(x / 700);
  const half = 780 - 0.12 * x + 90 * Math.sin(x / 300 + 2) - 330 * hump(x, 0, 2600, 0, 380);
  const inside = Math.min(half - Math.abs(y - middle), x - 150, 3850 - x);
  if (inside < 0) return Math.max(-6, inside * 0.03 - 0.8);
  const deep = 22 * (1 - x / 3900) ** 0.9 + 1.4;
  let d = deep * (1 - Math.exp(-inside / 210));
  d -= 2.5 * hump(x, y, 1700, 1500, 160, 110) + 1.5 * hump(x, y, 3000, 1250, 260, 200);
  d += 0.25 * noise2(x / 170, y / 170, 31);
  return Math.max(d, 0.1);
}

/** A water's ground and where it lies. */
export interface WaterGround {
  readonly bed: SeaBed;
  readonly dock: { readonly xM: number; readonly yM: number };
}

function grid(
  place: { lat0: number; lon0: number; cellM: number; columns: number; rows: number; openBeyond: boolean },
  depth: (x: number, y: number) => number,
): SeaBed {
  const depthM = Array.from({ length: place.columns * place.rows }, (_, k) => {
    const x = (k % place.columns) * place.cellM;
    const y = Math.floor(k / place.columns) * place.cellM;
    return Math.round(depth(x, y) * 10) / 10;
  });
  return { ...place, depthM };
}

/** The ground as a sounder finds it, finer than the chart: ledges and stones that the chart's cells are too wide for. */
export function soundedDepth(x: number, y: number): number {
  const ledge = 1.1 / (1 + Math.exp(-(y - 2480 - 60 * Math.sin(x / 210)) / 9));
  const stones = 1.6 * Math.max(0, noise2(x / 70, y / 70, 41) - 0.72) * 3.5;
  return soundDepth(x, y) + (x > 3900 && x < 5600 ? ledge - 0.55 : 0) - stones + 0.06 * noise2(x / 18, y / 18, 42);
}

export const GROUND: Record<'sound' | 'skerries' | 'lake', WaterGround> = {
  sound: {
    bed: grid({ lat0: 47.575, lon0: -35.27, cellM: 50, columns: 201, rows: 111, openBeyond: true }, soundDepth),
    dock: { xM: 6800, yM: 1150 },
  },
  skerries: {
    bed: grid({ lat0: 47.57, lon0: -35.38, cellM: 50, columns: 121, rows: 101, openBeyond: true }, skerriesDepth),
    dock: { xM: 5950, yM: 2600 },
  },
  lake: {
    bed: grid({ lat0: 47.6, lon0: -35.11, cellM: 25, columns: 161, rows: 109, openBeyond: false }, lakeDepth),
    dock: { xM: 450, yM: 1150 },
  },
};

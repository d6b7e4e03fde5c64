// Soundings to a sea bed grid: corrected to chart datum, triangulated (Delaunay, d3-delaunay), linear inside each triangle.
// A triangle with a side longer than the gap limit is a hole in the coverage and stays blank (NaN).
import { Delaunay } from 'd3-delaunay';
import { metresPerDegree, type SeaBed } from './seaBed';
import { f64, nth } from '../units/indexed';

/** Soundings as columns. */
export interface Soundings {
  readonly lat: ArrayLike<number>;
  readonly lon: ArrayLike<number>;
  /** Depth below chart datum, m, positive down. */
  readonly depthM: ArrayLike<number>;
}

export interface GridOptions {
  /** Cell of the grid, m; by default from the spacing of the soundings, 3 to 25. */
  readonly cellM?: number;
  /** Longest side of a triangle that still counts as covered, m; by default from the spacing. */
  readonly maxGapM?: number;
  /** Called now and then with the share done, 0 to 1; returns false to stop. */
  readonly progress?: (share: number) => boolean;
}

/** Thrown when work is stopped by its caller. */
export class Cancelled extends Error {
  constructor() {
    super('stopped');
  }
}

const MOST_CELLS = 1_500_000;

/**
 * Depth of a sounding at chart datum, m.
 * @param soundedM - What the sounder showed, m, positive down. @param transducerM - How deep the transducer hangs, m.
 * @param tideM - Height of the water above datum at that time, m.
 */
export function toDatum(soundedM: number, transducerM: number, tideM: number): number {
  return soundedM + transducerM - tideM;
}

/** Middle distance between soundings along the track, m. */
export function spacingOf(s: Soundings): number {
  const m = metresPerDegree(nth(s.lat, 0) ?? 0);
  const steps: number[] = [];
  const stride = Math.max(1, Math.floor(s.lat.length / 4000));
  for (let i = 0; i + 1 < s.lat.length; i += stride) {
    const d = Math.hypot((nth(s.lat, i + 1) - nth(s.lat, i)) * m.lat, (nth(s.lon, i + 1) - nth(s.lon, i)) * m.lon);
    if (d > 0) steps.push(d);
  }
  steps.sort((a, b) => a - b);
  return steps[Math.floor(steps.length / 2)] ?? 5;
}

/**
 * Grids soundings.
 * Throws RangeError with fewer than three soundings or when they span more than can be gridded; {@link Cancelled} when stopped.
 */
export function gridSoundings(s: Soundings, options: GridOptions = {}): SeaBed & { readonly depthM: Float64Array } {
  const n = s.lat.length;
  if (n < 3) throw new RangeError(`soundings: at least 3 are needed, got ${n}`);
  const tell = options.progress ?? (() => true);
  let [south, north, west, east] = [90, -90, 180, -180];
  for (let i = 0; i < n; i++) {
    south = Math.min(south, nth(s.lat, i));
    north = Math.max(north, nth(s.lat, i));
    west = Math.min(west, nth(s.lon, i));
    east = Math.max(east, nth(s.lon, i));
  }
  const m = metresPerDegree(south);
  const [width, height] = [(east - west) * m.lon, (north - south) * m.lat];
  // Lines of a survey lie farther apart than soundings along them: the area per sounding tells both.
  const perSounding = Math.sqrt((width * height) / n);
  let cellM = options.cellM ?? Math.min(25, Math.max(3, perSounding));
  if (options.cellM === undefined) while ((width / cellM) * (height / cellM) > MOST_CELLS) cellM *= 1.25;
  const maxGapM = options.maxGapM ?? Math.max(6 * perSounding, 4 * spacingOf(s), 3 * cellM);
  const columns = Math.floor(width / cellM) + 2;
  const rows = Math.floor(height / cellM) + 2;
  if (columns * rows > MOST_CELLS * 4)
    throw new RangeError(
      `soundings: they span ${(width / 1000).toFixed(1)} by ${(height / 1000).toFixed(1)} km, too much for cells of ${cellM} m`,
    );
  const coords = new Float64Array(2 * n);
  for (let i = 0; i < n; i++) {
    coords[2 * i] = (nth(s.lon, i) - west) * m.lon;
    coords[2 * i + 1] = (nth(s.lat, i) - south) * m.lat;
  }
  if (!tell(0.05)) throw new Cancelled();
  const { triangles } = new Delaunay(coords);
  if (!tell(0.4)) throw new Cancelled();
  const depthM = new Float64Array(columns * rows).fill(Number.NaN);
  const count = triangles.length / 3;
  const every = Math.max(1, Math.floor(count / 40));
  for (let t = 0; t < count; t++) {
    if (t % every === 0 && !tell(0.4 + (0.55 * t) / count)) throw new Cancelled();
    const [a, b, c] = [nth(triangles, 3 * t), nth(triangles, 3 * t + 1), nth(triangles, 3 * t + 2)];
    // Soundings at one place make no triangle, which the library says by numbers below 0.
    if (b < 0 || c < 0) continue;
    fillTriangle(coords, s.depthM, a, b, c, maxGapM, cellM, columns, rows, depthM);
  }
  tell(1);
  return { lat0: south, lon0: west, cellM, columns, rows, openBeyond: false, depthM };
}

function fillTriangle(
  xy: Float64Array,
  depth: ArrayLike<number>,
  a: number,
  b: number,
  c: number,
  maxGapM: number,
  cellM: number,
  columns: number,
  rows: number,
  out: Float64Array,
): void {
  const [ax, ay] = [f64(xy, 2 * a), f64(xy, 2 * a + 1)];
  const [bx, by] = [f64(xy, 2 * b), f64(xy, 2 * b + 1)];
  const [cx, cy] = [f64(xy, 2 * c), f64(xy, 2 * c + 1)];
  const longest = Math.max(Math.hypot(bx - ax, by - ay), Math.hypot(cx - bx, cy - by), Math.hypot(ax - cx, ay - cy));
  if (longest > maxGapM) return;
  const area = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
  if (Math.abs(area) < 1e-9) return;
  const [za, zb, zc] = [nth(depth, a), nth(depth, b), nth(depth, c)];
  const i0 = Math.max(0, Math.ceil(Math.min(ax, bx, cx) / cellM));
  const i1 = Math.min(columns - 1, Math.floor(Math.max(ax, bx, cx) / cellM));
  const j0 = Math.max(0, Math.ceil(Math.min(ay, by, cy) / cellM));
  const j1 = Math.min(rows - 1, Math.floor(Math.max(ay, by, cy) / cellM));
  for (let j = j0; j <= j1; j++) {
    const y = j * cellM;
    for (let i = i0; i <= i1; i++) {
      const x = i * cellM;
      const wb = ((x - ax) * (cy - ay) - (cx - ax) * (y - ay)) / area;
      const wc = ((bx - ax) * (y - ay) - (x - ax) * (by - ay)) / area;
      const wa = 1 - wb - wc;
      if (wa < -1e-9 || wb < -1e-9 || wc < -1e-9) continue;
      out[j * columns + i] = wa * za + wb * zb + wc * zc;
    }
  }
}

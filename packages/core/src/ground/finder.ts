// Features of the bed that guides look for (common practice: edges, points, humps, holes, benches, channel bends), found
// from slope and the Bathymetric Position Index at two scales (Weiss 2001; Lundblad et al. 2006), with reasons in figures.
import { DEG, compassPoint } from '../units/angle';
import { bedShape, positionIndex } from './bedShape';
import { type SeaBed, toPosition } from './seaBed';
import { said } from '../units/measure';
import { f64, nth, num } from '../units/indexed';

export type FeatureKind = 'edge' | 'point' | 'hump' | 'hole' | 'bench' | 'channel bend';

/** A place worth a look. */
export interface FoundFeature {
  readonly kind: FeatureKind;
  readonly lat: number;
  readonly lon: number;
  /** Depth there and the shallowest and deepest within it, m below datum. */
  readonly depthM: number;
  readonly depthMinM: number;
  readonly depthMaxM: number;
  /** Long way across, m. */
  readonly sizeM: number;
  /** Distance to the nearest flat and to the nearest channel or hole, m; null when none is near. */
  readonly toFlatM: number | null;
  readonly toDeepM: number | null;
  readonly reason: string;
  /** How marked it is against others of its kind here, 0 to 1. */
  readonly strength: number;
}

const SEARCH_M = 600;
const MOST = 60;

/** Finds features in water that is deeper than drying ground; the most marked of each kind first. */
export function findFeatures(bed: SeaBed): FoundFeature[] {
  const { columns, rows, cellM, depthM } = bed;
  const shape = bedShape(bed);
  const fine = positionIndex(bed, cellM, Math.max(3 * cellM, 60));
  const broad = positionIndex(bed, Math.max(3 * cellM, 120), Math.max(7 * cellM, 320));
  const wet = (k: number) => nth(depthM, k) > -0.5;
  const size = columns * rows;
  const known = Array.from({ length: size }, (_, k) => wet(k) && !Number.isNaN(f64(shape.slope, k)) && !Number.isNaN(f64(broad, k)));
  const spread = (a: Float64Array) => {
    const v: number[] = [];
    for (let k = 0; k < size; k++) if (known[k] && !Number.isNaN(f64(a, k))) v.push(Math.abs(f64(a, k)));
    v.sort((x, y) => x - y);
    return v;
  };
  const quantile = (v: readonly number[], q: number) => v[Math.min(v.length - 1, Math.floor(q * v.length))] ?? 0;
  const slopes = spread(shape.slope);
  const broads = spread(broad);
  const fines = spread(fine);
  const steep = Math.max(0.03, quantile(slopes, 0.85));
  const flatSlope = Math.min(0.02, Math.max(0.004, quantile(slopes, 0.35)));
  const high = Math.max(0.35, quantile(broads, 0.85));
  const fineHigh = Math.max(0.15, quantile(fines, 0.8));
  const flats = mask(size, (k) => nth(known, k) && f64(shape.slope, k) <= flatSlope && nth(depthM, k) < 4);
  const deeps = mask(size, (k) => nth(known, k) && f64(broad, k) < -high);
  const found: FoundFeature[] = [];
  const groups = (
    kind: FeatureKind,
    test: (k: number) => boolean,
    least: number,
    reason: (g: Group) => string | null,
    weight: (g: Group) => number,
  ) => {
    const list: FoundFeature[] = [];
    for (const g of clusters(bed, (k) => nth(known, k) && test(k), least)) {
      const text = reason(g);
      if (text === null) continue;
      const p = toPosition(bed, (g.at % columns) * cellM, Math.floor(g.at / columns) * cellM);
      list.push({
        kind,
        ...p,
        depthM: nth(depthM, g.at),
        depthMinM: g.min,
        depthMaxM: g.max,
        sizeM: g.sizeM,
        toFlatM: nearest(bed, g.at, flats),
        toDeepM: nearest(bed, g.at, deeps),
        reason: text,
        strength: weight(g),
      });
    }
    const top = Math.max(1e-9, ...list.map((f) => f.strength));
    list.sort((a, b) => b.strength - a.strength);
    found.push(...list.slice(0, MOST / 6).map((f) => ({ ...f, strength: f.strength / top })));
  };
  const m = (v: number) => said(v, 'depth', Math.abs(v) < 10 ? 1 : 0);
  const flatWords = (g: Group) => {
    const d = nearest(bed, g.at, flats);
    return d === null ? '' : d < cellM ? ', on the flat' : `, ${said(Math.round(d / 10) * 10, 'near', 0)} from the flat`;
  };
  /** Steepest drop across a few cells: how far down in how many metres. */
  const dropAt = (k: number) => {
    const aspect = f64(shape.aspectDeg, k) * DEG;
    const [i, j] = [k % columns, Math.floor(k / columns)];
    const end = (s: number) => {
      const x = Math.round(i + s * Math.sin(aspect) * 1.5);
      const y = Math.round(j + s * Math.cos(aspect) * 1.5);
      const d = depthM[y * columns + x];
      return d === undefined || Number.isNaN(d) ? nth(depthM, k) : d;
    };
    return { downM: Math.abs(end(1) - end(-1)), overM: 3 * cellM };
  };
  groups(
    'edge',
    (k) => f64(shape.slope, k) >= steep,
    2,
    (g) => {
      const d = dropAt(g.at);
      if (d.downM < 0.8) return null;
      return `drops ${m(d.downM)} in ${said(d.overM, 'near', 0)} towards ${compassPoint(f64(shape.aspectDeg, g.at))}${flatWords(g)}`;
    },
    (g) => dropAt(g.at).downM * Math.sqrt(g.cells),
  );
  groups(
    'hump',
    (k) => f64(broad, k) >= high && f64(fine, k) >= fineHigh * 0.3 && closedTop(bed, k),
    1,
    (g) => `rises ${m(f64(broad, g.at))} above the ground round it, top at ${m(g.min)}${flatWords(g)}`,
    (g) => f64(broad, g.at),
  );
  groups(
    'hole',
    (k) => -f64(broad, k) >= high && closedBottom(bed, k),
    1,
    (g) => `${m(-f64(broad, g.at))} deeper than the ground round it, ${m(g.max)} at the deepest${flatWords(g)}`,
    (g) => -f64(broad, g.at),
  );
  groups(
    'point',
    (k) => f64(fine, k) >= fineHigh && f64(shape.slope, k) >= steep * 0.5 && isNose(bed, k),
    1,
    (g) => {
      const d = dropAt(g.at);
      return `a nose of ${m(g.min)} that falls to ${m(g.min + d.downM)} within ${said(d.overM, 'near', 0)}${flatWords(g)}`;
    },
    (g) => f64(fine, g.at) * (1 + f64(shape.slope, g.at)),
  );
  groups(
    'bench',
    (k) =>
      f64(shape.slope, k) <= flatSlope && nth(depthM, k) > 1.5 && Math.abs(f64(broad, k)) < high && besideSteep(bed, shape.slope, k, steep),
    3,
    (g) => `level at ${m(nth(depthM, g.at))} beside a slope, ${said(Math.round(g.sizeM / 10) * 10, 'near', 0)} long${flatWords(g)}`,
    (g) => g.cells,
  );
  groups(
    'channel bend',
    (k) => -f64(broad, k) >= high * 0.8 && !closedBottom(bed, k) && bends(bed, broad, k, high),
    2,
    (g) => `the channel turns here at ${m(nth(depthM, g.at))}${flatWords(g)}`,
    (g) => -f64(broad, g.at) * Math.sqrt(g.cells),
  );
  return apart(found);
}

interface Group {
  /** The cell that stands for it. */
  readonly at: number;
  readonly cells: number;
  readonly min: number;
  readonly max: number;
  readonly sizeM: number;
}

function mask(size: number, test: (k: number) => boolean): Uint8Array {
  const out = new Uint8Array(size);
  for (let k = 0; k < size; k++) out[k] = test(k) ? 1 : 0;
  return out;
}

/** Groups of touching cells, split so that none is longer than a spot should be. */
function clusters(bed: SeaBed, test: (k: number) => boolean, least: number): Group[] {
  const { columns, rows, cellM, depthM } = bed;
  const open = mask(columns * rows, test);
  const reach = Math.max(2, Math.round(220 / cellM));
  const out: Group[] = [];
  for (let k = 0; k < open.length; k++) {
    if (!open[k]) continue;
    const [ci, cj] = [k % columns, Math.floor(k / columns)];
    const list: number[] = [k];
    open[k] = 0;
    for (let at = 0; at < list.length; at++) {
      const here = num(list, at);
      const [i, j] = [here % columns, Math.floor(here / columns)];
      for (let dj = -1; dj <= 1; dj++) {
        for (let di = -1; di <= 1; di++) {
          const [x, y] = [i + di, j + dj];
          const next = y * columns + x;
          if (x < 0 || y < 0 || x >= columns || y >= rows || !open[next]) continue;
          if (Math.abs(x - ci) > reach || Math.abs(y - cj) > reach) continue;
          open[next] = 0;
          list.push(next);
        }
      }
    }
    if (list.length < least) continue;
    const depths = list.map((c) => nth(depthM, c));
    const xs = list.map((c) => c % columns);
    const ys = list.map((c) => Math.floor(c / columns));
    const [mx, my] = [xs.reduce((a, b) => a + b, 0) / xs.length, ys.reduce((a, b) => a + b, 0) / ys.length];
    const at = list.reduce((best, c) => {
      const d = (q: number) => Math.hypot((q % columns) - mx, Math.floor(q / columns) - my);
      return d(c) < d(best) ? c : best;
    }, k);
    out.push({
      at,
      cells: list.length,
      min: Math.min(...depths),
      max: Math.max(...depths),
      sizeM: Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys), 1) * cellM,
    });
  }
  return out;
}

/** Share of directions in which the bed, a few cells off, is deeper (1) than here. */
function deeperShare(bed: SeaBed, k: number, byM: number): number {
  const { columns, rows, cellM, depthM } = bed;
  const [i, j] = [k % columns, Math.floor(k / columns)];
  const r = Math.max(2, Math.round(150 / cellM));
  let deeper = 0;
  let n = 0;
  for (let a = 0; a < 16; a++) {
    const x = Math.round(i + r * Math.sin((a * Math.PI) / 8));
    const y = Math.round(j + r * Math.cos((a * Math.PI) / 8));
    if (x < 0 || y < 0 || x >= columns || y >= rows) continue;
    const d = nth(depthM, y * columns + x);
    if (Number.isNaN(d)) continue;
    n++;
    if (d > nth(depthM, k) + byM) deeper++;
  }
  return n < 8 ? 0.5 : deeper / n;
}

const closedTop = (bed: SeaBed, k: number) => deeperShare(bed, k, 0.3) >= 0.85;
const closedBottom = (bed: SeaBed, k: number) => deeperShare(bed, k, -0.3) <= 0.15;

/** Deeper on more than half the directions, shallower behind. */
function isNose(bed: SeaBed, k: number): boolean {
  const share = deeperShare(bed, k, 0.3);
  return share >= 0.6 && share < 0.85;
}

function besideSteep(bed: SeaBed, slope: Float64Array, k: number, steep: number): boolean {
  const { columns, rows } = bed;
  const [i, j] = [k % columns, Math.floor(k / columns)];
  for (let dj = -2; dj <= 2; dj++) {
    for (let di = -2; di <= 2; di++) {
      const [x, y] = [i + di, j + dj];
      if (x >= 0 && y >= 0 && x < columns && y < rows && f64(slope, y * columns + x) >= steep * 0.8) return true;
    }
  }
  return false;
}

/** The deep ground on both sides of a channel cell lies at an angle of less than 150 degrees. */
function bends(bed: SeaBed, broad: Float64Array, k: number, high: number): boolean {
  const { columns, rows, cellM } = bed;
  const [i, j] = [k % columns, Math.floor(k / columns)];
  const r = Math.max(3, Math.round(250 / cellM));
  const arms: number[] = [];
  let run: number[] = [];
  const deep = Array.from({ length: 24 }, (_, a) => {
    const x = Math.round(i + r * Math.sin((a * Math.PI) / 12));
    const y = Math.round(j + r * Math.cos((a * Math.PI) / 12));
    return x >= 0 && y >= 0 && x < columns && y < rows && -f64(broad, y * columns + x) >= high * 0.6;
  });
  const start = deep.indexOf(false);
  if (start < 0) return false;
  for (let s = 1; s <= 24; s++) {
    const a = (start + s) % 24;
    if (deep[a]) run.push(start + s);
    else if (run.length > 0) {
      arms.push(run.reduce((p, q) => p + q, 0) / run.length);
      run = [];
    }
  }
  if (arms.length !== 2) return false;
  const between = Math.abs(num(arms, 1) - num(arms, 0)) * 15;
  return Math.min(between, 360 - between) < 150;
}

/** Distance from a cell to the nearest marked one, m; null beyond the search. */
function nearest(bed: SeaBed, k: number, marked: Uint8Array): number | null {
  const { columns, rows, cellM } = bed;
  const [i, j] = [k % columns, Math.floor(k / columns)];
  const reach = Math.ceil(SEARCH_M / cellM);
  let best = Number.POSITIVE_INFINITY;
  for (let y = Math.max(0, j - reach); y <= Math.min(rows - 1, j + reach); y++) {
    for (let x = Math.max(0, i - reach); x <= Math.min(columns - 1, i + reach); x++) {
      if (marked[y * columns + x]) best = Math.min(best, Math.hypot(x - i, y - j));
    }
  }
  return best * cellM > SEARCH_M ? null : best * cellM;
}

/** Features of a kind within 80 m are one; the more marked stays. */
function apart(list: readonly FoundFeature[]): FoundFeature[] {
  const kept: FoundFeature[] = [];
  for (const f of [...list].sort((a, b) => b.strength - a.strength)) {
    const close = kept.some(
      (k) => k.kind === f.kind && Math.hypot((k.lat - f.lat) * 111_200, (k.lon - f.lon) * 111_200 * Math.cos(f.lat * DEG)) < 80,
    );
    if (!close) kept.push(f);
  }
  return kept;
}

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

/** The bed with what its features are found by. */
interface Ground {
  readonly bed: SeaBed;
  readonly slope: Float64Array;
  readonly aspectDeg: Float64Array;
  /** How far a cell stands above the ground near it and farther round it, m. */
  readonly fine: Float64Array;
  readonly broad: Float64Array;
  readonly known: readonly boolean[];
  /** What counts as steep, flat and high here: the most marked of this bed, and never less than a guide would call so. */
  readonly steep: number;
  readonly flatSlope: number;
  readonly high: number;
  readonly fineHigh: number;
  readonly flats: Uint8Array;
  readonly deeps: Uint8Array;
}

function groundOf(bed: SeaBed): Ground {
  const { columns, rows, cellM, depthM } = bed;
  const { slope, aspectDeg } = bedShape(bed);
  const fine = positionIndex(bed, cellM, Math.max(3 * cellM, 60));
  const broad = positionIndex(bed, Math.max(3 * cellM, 120), Math.max(7 * cellM, 320));
  const size = columns * rows;
  const wet = (k: number) => nth(depthM, k) > -0.5;
  const known = Array.from({ length: size }, (_, k) => wet(k) && !Number.isNaN(f64(slope, k)) && !Number.isNaN(f64(broad, k)));
  const spread = (a: Float64Array) => {
    const v: number[] = [];
    for (let k = 0; k < size; k++) if (known[k] && !Number.isNaN(f64(a, k))) v.push(Math.abs(f64(a, k)));
    return v.sort((x, y) => x - y);
  };
  const quantile = (v: readonly number[], q: number) => v[Math.min(v.length - 1, Math.floor(q * v.length))] ?? 0;
  const slopes = spread(slope);
  const flatSlope = Math.min(0.02, Math.max(0.004, quantile(slopes, 0.35)));
  const high = Math.max(0.35, quantile(spread(broad), 0.85));
  return {
    bed,
    slope,
    aspectDeg,
    fine,
    broad,
    known,
    steep: Math.max(0.03, quantile(slopes, 0.85)),
    flatSlope,
    high,
    fineHigh: Math.max(0.15, quantile(spread(fine), 0.8)),
    flats: mask(size, (k) => nth(known, k) && f64(slope, k) <= flatSlope && nth(depthM, k) < 4),
    deeps: mask(size, (k) => nth(known, k) && f64(broad, k) < -high),
  };
}

interface Kind {
  readonly kind: FeatureKind;
  /** Cells that it takes at least. */
  readonly least: number;
  readonly test: (g: Ground, k: number) => boolean;
  /** What is said of a group; null for one that is none after all. */
  readonly reason: (g: Ground, of: Group) => string | null;
  readonly weight: (g: Ground, of: Group) => number;
}

const metres = (v: number) => said(v, 'depth', Math.abs(v) < 10 ? 1 : 0);

const KINDS: readonly Kind[] = [
  {
    kind: 'edge',
    least: 2,
    test: (g, k) => f64(g.slope, k) >= g.steep,
    reason: (g, of) => {
      const d = dropAt(g, of.at);
      if (d.downM < 0.8) return null;
      return `drops ${metres(d.downM)} in ${said(d.overM, 'near', 0)} towards ${compassPoint(f64(g.aspectDeg, of.at))}${flatWords(g, of)}`;
    },
    weight: (g, of) => dropAt(g, of.at).downM * Math.sqrt(of.cells),
  },
  {
    kind: 'hump',
    least: 1,
    test: (g, k) => f64(g.broad, k) >= g.high && f64(g.fine, k) >= g.fineHigh * 0.3 && closedTop(g.bed, k),
    reason: (g, of) => `rises ${metres(f64(g.broad, of.at))} above the ground round it, top at ${metres(of.min)}${flatWords(g, of)}`,
    weight: (g, of) => f64(g.broad, of.at),
  },
  {
    kind: 'hole',
    least: 1,
    test: (g, k) => -f64(g.broad, k) >= g.high && closedBottom(g.bed, k),
    reason: (g, of) =>
      `${metres(-f64(g.broad, of.at))} deeper than the ground round it, ${metres(of.max)} at the deepest${flatWords(g, of)}`,
    weight: (g, of) => -f64(g.broad, of.at),
  },
  {
    kind: 'point',
    least: 1,
    test: (g, k) => f64(g.fine, k) >= g.fineHigh && f64(g.slope, k) >= g.steep * 0.5 && isNose(g.bed, k),
    reason: (g, of) => {
      const d = dropAt(g, of.at);
      return `a nose of ${metres(of.min)} that falls to ${metres(of.min + d.downM)} within ${said(d.overM, 'near', 0)}${flatWords(g, of)}`;
    },
    weight: (g, of) => f64(g.fine, of.at) * (1 + f64(g.slope, of.at)),
  },
  {
    kind: 'bench',
    least: 3,
    test: (g, k) =>
      f64(g.slope, k) <= g.flatSlope &&
      nth(g.bed.depthM, k) > 1.5 &&
      Math.abs(f64(g.broad, k)) < g.high &&
      besideSteep(g.bed, g.slope, k, g.steep),
    reason: (g, of) =>
      `level at ${metres(nth(g.bed.depthM, of.at))} beside a slope, ${said(Math.round(of.sizeM / 10) * 10, 'near', 0)} long${flatWords(g, of)}`,
    weight: (_, of) => of.cells,
  },
  {
    kind: 'channel bend',
    least: 2,
    test: (g, k) => -f64(g.broad, k) >= g.high * 0.8 && !closedBottom(g.bed, k) && bends(g.bed, g.broad, k, g.high),
    reason: (g, of) => `the channel turns here at ${metres(nth(g.bed.depthM, of.at))}${flatWords(g, of)}`,
    weight: (g, of) => -f64(g.broad, of.at) * Math.sqrt(of.cells),
  },
];

/** Finds features in water that is deeper than drying ground; the most marked of each kind first. */
export function findFeatures(bed: SeaBed): FoundFeature[] {
  const ground = groundOf(bed);
  return apart(KINDS.flatMap((kind) => foundOf(ground, kind)));
}

function foundOf(g: Ground, { kind, least, test, reason, weight }: Kind): FoundFeature[] {
  const { columns, cellM, depthM } = g.bed;
  const list: FoundFeature[] = [];
  for (const of of clusters(g.bed, (k) => nth(g.known, k) && test(g, k), least)) {
    const text = reason(g, of);
    if (text === null) continue;
    list.push({
      kind,
      ...toPosition(g.bed, (of.at % columns) * cellM, Math.floor(of.at / columns) * cellM),
      depthM: nth(depthM, of.at),
      depthMinM: of.min,
      depthMaxM: of.max,
      sizeM: of.sizeM,
      toFlatM: nearest(g.bed, of.at, g.flats),
      toDeepM: nearest(g.bed, of.at, g.deeps),
      reason: text,
      strength: weight(g, of),
    });
  }
  const top = Math.max(1e-9, ...list.map((f) => f.strength));
  list.sort((a, b) => b.strength - a.strength);
  return list.slice(0, MOST / KINDS.length).map((f) => ({ ...f, strength: f.strength / top }));
}

function flatWords(g: Ground, of: Group): string {
  const d = nearest(g.bed, of.at, g.flats);
  return d === null ? '' : d < g.bed.cellM ? ', on the flat' : `, ${said(Math.round(d / 10) * 10, 'near', 0)} from the flat`;
}

/** Steepest drop across a few cells: how far down in how many metres. */
function dropAt({ bed: { columns, cellM, depthM }, aspectDeg }: Ground, k: number): { downM: number; overM: number } {
  const aspect = f64(aspectDeg, k) * DEG;
  const [i, j] = [k % columns, Math.floor(k / columns)];
  const end = (s: number) => {
    const x = Math.round(i + s * Math.sin(aspect) * 1.5);
    const y = Math.round(j + s * Math.cos(aspect) * 1.5);
    const d = depthM[y * columns + x];
    return d === undefined || Number.isNaN(d) ? nth(depthM, k) : d;
  };
  return { downM: Math.abs(end(1) - end(-1)), overM: 3 * cellM };
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

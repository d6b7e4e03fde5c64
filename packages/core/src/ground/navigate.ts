// Quickest navigable way over the sea bed grid: Dijkstra over 16 neighbour directions (at most 1.4 % longer than the
// straight way), with the seconds that each cell costs: speed by sea state and no-wake areas, closed where the keel would
// touch or entry is barred. A way that is shown is pulled taut, which takes the 1.4 % away.
import { insideRing } from './polygon';
import { depthAt, type SeaBed, toLocal } from './seaBed';
import { speedInWaves } from './speedInWaves';
import { f64, i32, nth, num, row } from '../units/indexed';

/** A boat as far as runs go. */
export interface RunningBoat {
  readonly speedMps: number;
  readonly draughtM: number;
  /** Wave height beyond which it slows down, and its own limit, m. */
  readonly waveLimitM: number;
  /** Speed left at that limit, m/s; half where absent or null. */
  readonly roughMps?: number | null | undefined;
}

/** What bars or slows a run: rings of [lon, lat]. */
export interface RunAreas {
  readonly noGo: readonly (readonly (readonly [number, number])[])[];
  readonly noWake: readonly { readonly ring: readonly (readonly [number, number])[]; readonly limitMps: number }[];
}

export interface Point {
  readonly xM: number;
  readonly yM: number;
}

/** Seconds a metre for every cell; infinity where the boat cannot be. */
export interface RunField {
  readonly bed: SeaBed;
  readonly secondsPerM: Float64Array;
}

const MARGIN_M = 0.5;

/**
 * Prepares the field for one state of the tide and sea.
 * @param tideM - Height of the water above datum, m. @param waveAt - Wave height at a cell, m; none when left out.
 */
export function runField(
  bed: SeaBed,
  boat: RunningBoat,
  tideM: number,
  areas: RunAreas,
  waveAt?: (xM: number, yM: number) => number,
): RunField {
  const { columns, rows, cellM } = bed;
  const need = boat.draughtM + MARGIN_M - tideM;
  const secondsPerM = new Float64Array(columns * rows);
  for (let k = 0; k < secondsPerM.length; k++) {
    const depth = nth(bed.depthM, k);
    // Where nobody has sounded a boat may go; that the water under it is not known is said where the way is judged.
    if (depth < need) secondsPerM[k] = Number.POSITIVE_INFINITY;
    else {
      const wave = waveAt ? waveAt((k % columns) * cellM, Math.floor(k / columns) * cellM) : 0;
      secondsPerM[k] = 1 / speedInWaves(boat, wave);
    }
  }
  const paint = (ring: readonly (readonly [number, number])[], change: (k: number) => void) => {
    const local = ring.map(([lon, lat]): [number, number] => {
      const p = toLocal(bed, lat, lon);
      return [p.xM, p.yM];
    });
    const xs = local.map((p) => p[0]);
    const ys = local.map((p) => p[1]);
    for (let j = Math.max(0, Math.floor(Math.min(...ys) / cellM)); j <= Math.min(rows - 1, Math.ceil(Math.max(...ys) / cellM)); j++) {
      for (let i = Math.max(0, Math.floor(Math.min(...xs) / cellM)); i <= Math.min(columns - 1, Math.ceil(Math.max(...xs) / cellM)); i++) {
        if (insideRing(local, [i * cellM, j * cellM])) change(j * columns + i);
      }
    }
  };
  for (const { ring, limitMps } of areas.noWake) paint(ring, (k) => (secondsPerM[k] = Math.max(f64(secondsPerM, k), 1 / limitMps)));
  for (const ring of areas.noGo) paint(ring, (k) => (secondsPerM[k] = Number.POSITIVE_INFINITY));
  return { bed, secondsPerM };
}

/** Seconds from one place to others; infinity where there is no way. */
export function runSeconds(field: RunField, from: Point, to: readonly Point[]): number[] {
  const { cost, targets } = search(field, from, to);
  return targets.map((t) => f64(cost, t));
}

/** Quickest ways from one place to others: seconds, infinity where there is none, and the cells on the way. */
export function waysFrom(field: RunField, from: Point, to: readonly Point[]): { seconds: number; cells: number[] }[] {
  const { cost, parent, targets } = search(field, from, to);
  return targets.map((t) => {
    const cells: number[] = [];
    if (Number.isFinite(cost[t])) for (let at = t; at >= 0; at = i32(parent, at)) cells.push(at);
    return { seconds: f64(cost, t), cells: cells.reverse() };
  });
}

/** Seconds between all places, row by row. */
export function runMatrix(field: RunField, places: readonly Point[]): number[][] {
  return places.map((from) => runSeconds(field, from, places));
}

/** The quickest way pulled taut, with its length and time; null when there is none. */
export function quickestWay(field: RunField, from: Point, to: Point): { points: Point[]; lengthM: number; seconds: number } | null {
  const { bed } = field;
  const { cost, parent, targets } = search(field, from, [to]);
  const end = num(targets, 0);
  if (!Number.isFinite(cost[end])) return null;
  const raw: Point[] = [];
  for (let at = end; at >= 0; at = i32(parent, at)) {
    raw.unshift({ xM: (at % bed.columns) * bed.cellM, yM: Math.floor(at / bed.columns) * bed.cellM });
  }
  raw[0] = from;
  if (raw.length > 1) raw[raw.length - 1] = to;
  else raw.push(to);
  const points = taut(field, raw);
  let lengthM = 0;
  let seconds = 0;
  points.slice(1).forEach((p, i) => {
    const a = nth(points, i);
    lengthM += Math.hypot(p.xM - a.xM, p.yM - a.yM);
    seconds += secondsAlong(field, a, p, true);
  });
  return { points, lengthM, seconds };
}

/** Seconds straight from one point to another; infinity across closed cells, unless they are at the very ends. */
function secondsAlong(field: RunField, a: Point, b: Point, openEnds: boolean): number {
  const { bed, secondsPerM } = field;
  const length = Math.hypot(b.xM - a.xM, b.yM - a.yM);
  const steps = Math.max(1, Math.ceil(length / (bed.cellM / 2)));
  let sum = 0;
  for (let s = 0; s < steps; s++) {
    const share = (s + 0.5) / steps;
    const i = Math.min(bed.columns - 1, Math.max(0, Math.round((a.xM + share * (b.xM - a.xM)) / bed.cellM)));
    const j = Math.min(bed.rows - 1, Math.max(0, Math.round((a.yM + share * (b.yM - a.yM)) / bed.cellM)));
    const here = f64(secondsPerM, j * bed.columns + i);
    if (!Number.isFinite(here)) {
      const nearEnd = Math.min(share, 1 - share) * length <= bed.cellM * 1.5;
      if (!openEnds || !nearEnd) return Number.POSITIVE_INFINITY;
      sum += length / steps / 2;
    } else sum += (here * length) / steps;
  }
  return sum;
}

/** Drops every corner that a straight line can leave out without taking longer. */
function taut(field: RunField, raw: readonly Point[]): Point[] {
  const out: Point[] = [nth(raw, 0)];
  let at = 0;
  while (at < raw.length - 1) {
    let next = at + 1;
    let along = secondsAlong(field, nth(raw, at), nth(raw, next), true);
    let reach = along;
    for (let k = at + 2; k < raw.length; k++) {
      along += secondsAlong(field, nth(raw, k - 1), nth(raw, k), true);
      const straight = secondsAlong(field, nth(raw, at), nth(raw, k), k === raw.length - 1 || at === 0);
      if (straight <= along + 1e-6) [next, reach] = [k, straight];
      else if (!Number.isFinite(straight) && k - next > 12) break;
    }
    along = reach;
    out.push(nth(raw, next));
    at = next;
  }
  return out;
}

const MOVES: readonly (readonly [number, number])[] = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
  [1, 1],
  [1, -1],
  [-1, 1],
  [-1, -1],
  [1, 2],
  [2, 1],
  [-1, 2],
  [-2, 1],
  [1, -2],
  [2, -1],
  [-1, -2],
  [-2, -1],
];

/** The cell in which a place lies, or the nearest one at the edge of the bed. */
export function cellOf({ columns, rows, cellM }: SeaBed, p: Point): number {
  const [i, j] = [Math.round(p.xM / cellM), Math.round(p.yM / cellM)];
  return Math.min(rows - 1, Math.max(0, j)) * columns + Math.min(columns - 1, Math.max(0, i));
}

function search({ bed, secondsPerM }: RunField, from: Point, to: readonly Point[]) {
  const { columns, rows, cellM } = bed;
  const cell = (p: Point) => cellOf(bed, p);
  const size = columns * rows;
  const cost = new Float64Array(size).fill(Number.POSITIVE_INFINITY);
  const parent = new Int32Array(size).fill(-1);
  const done = new Uint8Array(size);
  const heap = new Heap();
  const start = cell(from);
  const targets = to.map(cell);
  // A place may lie on ground too shallow itself: only the way between must be deep enough.
  const free = new Uint8Array(size);
  for (const t of [start, ...targets]) free[t] = 1;
  const isTarget = new Uint8Array(size);
  let left = 0;
  for (const t of targets) if (!isTarget[t]) [isTarget[t], left] = [1, left + 1];
  const lengths = MOVES.map(([dx, dy]) => Math.hypot(dx, dy) * cellM);
  cost[start] = 0;
  heap.push(start, 0);
  while (heap.size > 0 && left > 0) {
    const at = heap.pop();
    if (done[at]) continue;
    done[at] = 1;
    if (isTarget[at]) left--;
    const x = at % columns;
    const y = (at - x) / columns;
    const here = f64(secondsPerM, at);
    // A way may end on ground too shallow, never lead across it: else it would depend on which other places are asked for.
    if (at !== start && here === Number.POSITIVE_INFINITY) continue;
    const soft = free[at] === 1;
    for (let m = 0; m < 16; m++) {
      const [dx, dy] = row(MOVES, m);
      const nx = x + dx;
      const ny = y + dy;
      if (nx < 0 || ny < 0 || nx >= columns || ny >= rows) continue;
      const next = ny * columns + nx;
      if (done[next]) continue;
      const there = f64(secondsPerM, next);
      if (there === Number.POSITIVE_INFINITY && !free[next]) continue;
      // Corners must not be cut: the cells that a slanting step brushes have to be open too.
      if (m >= 4 && !soft && !free[next] && !brushes(secondsPerM, columns, x, y, dx, dy)) continue;
      const pace = here === Number.POSITIVE_INFINITY ? there : there === Number.POSITIVE_INFINITY ? here : (here + there) / 2;
      const c = f64(cost, at) + (pace === Number.POSITIVE_INFINITY ? 1 : pace) * num(lengths, m);
      if (c < f64(cost, next)) {
        cost[next] = c;
        parent[next] = at;
        heap.push(next, c);
      }
    }
  }
  return { cost, parent, targets };
}

function brushes(secondsPerM: Float64Array, columns: number, x: number, y: number, dx: number, dy: number): boolean {
  const open = (i: number, j: number) => secondsPerM[j * columns + i] !== Number.POSITIVE_INFINITY;
  if (Math.abs(dx) === 1 && Math.abs(dy) === 1) return open(x + dx, y) && open(x, y + dy);
  if (Math.abs(dx) === 2) return open(x + dx / 2, y) && open(x + dx / 2, y + dy);
  return open(x, y + dy / 2) && open(x + dx, y + dy / 2);
}

/** Binary heap of cells by key, in typed arrays that grow. */
class Heap {
  size = 0;
  private cells = new Int32Array(4096);
  private keys = new Float64Array(4096);

  push(cell: number, key: number): void {
    if (this.size === this.cells.length) {
      const [cells, keys] = [new Int32Array(2 * this.size), new Float64Array(2 * this.size)];
      cells.set(this.cells);
      keys.set(this.keys);
      this.cells = cells;
      this.keys = keys;
    }
    let i = this.size++;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (f64(this.keys, up) <= key) break;
      this.cells[i] = i32(this.cells, up);
      this.keys[i] = f64(this.keys, up);
      i = up;
    }
    this.cells[i] = cell;
    this.keys[i] = key;
  }

  pop(): number {
    const top = i32(this.cells, 0);
    const last = --this.size;
    const cell = i32(this.cells, last);
    const key = f64(this.keys, last);
    let i = 0;
    for (;;) {
      let child = 2 * i + 1;
      if (child >= last) break;
      if (child + 1 < last && f64(this.keys, child + 1) < f64(this.keys, child)) child++;
      if (f64(this.keys, child) >= key) break;
      this.cells[i] = i32(this.cells, child);
      this.keys[i] = f64(this.keys, child);
      i = child;
    }
    this.cells[i] = cell;
    this.keys[i] = key;
    return top;
  }
}

/** Least depth along a straight line, m below datum; null where part of it is not known. */
export function leastDepth(bed: SeaBed, a: Point, b: Point): number | null {
  const steps = Math.max(1, Math.ceil(Math.hypot(b.xM - a.xM, b.yM - a.yM) / (bed.cellM / 4)));
  let least = Number.POSITIVE_INFINITY;
  for (let s = 0; s <= steps; s++) {
    const d = depthAt(bed, a.xM + ((b.xM - a.xM) * s) / steps, a.yM + ((b.yM - a.yM) * s) / steps);
    if (d === null) return null;
    least = Math.min(least, d);
  }
  return least;
}

// Shortest navigable way over the sea bed grid: Dijkstra over 16 neighbour directions, which is at most 1.4 % longer
// than the true straight way.
import { depthAt, type SeaBed } from './seaBed';

const MOVES = [
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
] as const;

/**
 * Way lengths in metres from one place to others through water deep enough.
 * @param needM - Depth needed below chart datum (draught plus margin less height of tide), m.
 * @returns Infinity for a place that cannot be reached.
 */
export function wayLengths(
  bed: SeaBed,
  from: { xM: number; yM: number },
  to: readonly { xM: number; yM: number }[],
  needM: number,
): number[] {
  const { dist, targets } = search(bed, from, to, needM);
  return targets.map((t) => dist[t] as number);
}

/** The shortest way itself as local points, both ends included; null when there is none. */
export function shortestWay(
  bed: SeaBed,
  from: { xM: number; yM: number },
  to: { xM: number; yM: number },
  needM: number,
): { xM: number; yM: number }[] | null {
  const { dist, parent, targets } = search(bed, from, [to], needM);
  const end = targets[0] as number;
  if (!Number.isFinite(dist[end])) return null;
  const points: { xM: number; yM: number }[] = [];
  for (let at = end; at >= 0; at = parent[at] as number) {
    points.unshift({ xM: (at % bed.columns) * bed.cellM, yM: Math.floor(at / bed.columns) * bed.cellM });
  }
  points[0] = from;
  points[points.length - 1] = to;
  return points;
}

function search(bed: SeaBed, from: { xM: number; yM: number }, to: readonly { xM: number; yM: number }[], needM: number) {
  const { columns, rows, cellM } = bed;
  const cell = (p: { xM: number; yM: number }) =>
    Math.min(rows - 1, Math.max(0, Math.round(p.yM / cellM))) * columns + Math.min(columns - 1, Math.max(0, Math.round(p.xM / cellM)));
  const dist = new Float64Array(columns * rows).fill(Number.POSITIVE_INFINITY);
  const parent = new Int32Array(columns * rows).fill(-1);
  const open = new Heap();
  const start = cell(from);
  const targets = to.map(cell);
  // A place may lie on shallow ground itself: only the water between must be deep enough.
  const free = new Set([start, ...targets]);
  dist[start] = 0;
  open.push(start, 0);
  const left = new Set(targets);
  for (let top = open.pop(); top && left.size > 0; top = open.pop()) {
    const [at, d] = top;
    if (d > (dist[at] as number)) continue;
    left.delete(at);
    const x = at % columns;
    const y = (at - x) / columns;
    for (const [dx, dy] of MOVES) {
      const nx = x + dx;
      const ny = y + dy;
      if (nx < 0 || ny < 0 || nx >= columns || ny >= rows) continue;
      const next = ny * columns + nx;
      if ((bed.depthM[next] as number) < needM && !free.has(next)) continue;
      const mid = depthAt(bed, (x + dx / 2) * cellM, (y + dy / 2) * cellM);
      if (mid !== null && mid < needM && !free.has(next) && !free.has(at)) continue;
      const nd = d + Math.hypot(dx, dy) * cellM;
      if (nd < (dist[next] as number)) {
        dist[next] = nd;
        parent[next] = at;
        open.push(next, nd);
      }
    }
  }
  return { dist, parent, targets };
}

/** Binary heap of (cell, distance). */
class Heap {
  private readonly cells: number[] = [];
  private readonly keys: number[] = [];

  push(cell: number, key: number): void {
    let i = this.cells.length;
    this.cells.push(cell);
    this.keys.push(key);
    while (i > 0) {
      const up = (i - 1) >> 1;
      if ((this.keys[up] as number) <= key) break;
      this.swap(i, up);
      i = up;
    }
  }

  pop(): [number, number] | null {
    const { cells, keys } = this;
    if (cells.length === 0) return null;
    const top: [number, number] = [cells[0] as number, keys[0] as number];
    const cell = cells.pop() as number;
    const key = keys.pop() as number;
    if (cells.length > 0) {
      cells[0] = cell;
      keys[0] = key;
      let i = 0;
      for (;;) {
        let low = i;
        for (const child of [2 * i + 1, 2 * i + 2]) {
          if (child < keys.length && (keys[child] as number) < (keys[low] as number)) low = child;
        }
        if (low === i) break;
        this.swap(i, low);
        i = low;
      }
    }
    return top;
  }

  private swap(a: number, b: number): void {
    [this.cells[a], this.cells[b]] = [this.cells[b] as number, this.cells[a] as number];
    [this.keys[a], this.keys[b]] = [this.keys[b] as number, this.keys[a] as number];
  }
}

// Contour lines of a grid with holes: marching squares (d3-contour), without the parts that only run along a hole's edge.
import { contours } from 'd3-contour';
import { type SeaBed, toPosition } from './seaBed';
import { nth, num } from '../units/indexed';

/** One depth's lines as [lon, lat] points. */
export interface ContourLines {
  readonly depthM: number;
  readonly lines: readonly (readonly [number, number])[][];
}

/** Depths at which lines are drawn for a range of depths: about a dozen, at round steps. */
export function contourDepths(minM: number, maxM: number): number[] {
  const step = [0.5, 1, 2, 5, 10, 20, 50].find((s) => (maxM - minM) / s <= 14) ?? 100;
  const out: number[] = [];
  for (let d = Math.ceil(minM / step) * step; d <= maxM; d += step) out.push(Math.round(d * 10) / 10);
  return out;
}

/** Lines at depths of a grid. */
export function contourLines(bed: SeaBed, depths: readonly number[]): ContourLines[] {
  const { columns, rows, cellM, depthM } = bed;
  const unknown = (i: number, j: number) =>
    i < 0 || j < 0 || i >= columns || j >= rows || Number.isNaN(nth(depthM, Math.floor(j) * columns + Math.floor(i)));
  /** A point that marching squares put there because a neighbour is not known, rather than between two depths. */
  const atHole = (gx: number, gy: number) => {
    const [i, j] = [gx - 0.5, gy - 0.5];
    const [x, y] = [Math.round(i), Math.round(j)];
    // Next to an unknown cell the point is moved onto the known one's middle.
    if (Math.abs(i - x) < 1e-9 && Math.abs(j - y) < 1e-9)
      return unknown(x, y) || unknown(x + 1, y) || unknown(x - 1, y) || unknown(x, y + 1) || unknown(x, y - 1);
    return [Math.floor(i), Math.ceil(i)].some((c) => [Math.floor(j), Math.ceil(j)].some((r) => unknown(c, r)));
  };
  return contours()
    .size([columns, rows])
    .thresholds([...depths])(Array.from(depthM))
    .map((c, n) => {
      const lines: [number, number][][] = [];
      for (const polygon of c.coordinates) {
        for (const ring of polygon) {
          let line: [number, number][] = [];
          const end = () => {
            if (line.length > 1) lines.push(line);
            line = [];
          };
          for (const [gx = Number.NaN, gy = Number.NaN] of ring) {
            if (atHole(gx, gy)) {
              end();
              continue;
            }
            const p = toPosition(bed, (gx - 0.5) * cellM, (gy - 0.5) * cellM);
            line.push([p.lon, p.lat]);
          }
          end();
        }
      }
      return { depthM: num(depths, n), lines };
    });
}

// Slope, aspect and curvature by Horn's 3 x 3 differences (Horn 1981); Bathymetric Position Index after Weiss 2001 and
// Lundblad et al. 2006: height of a cell above the mean of the ring round it. Depths are positive down, BPI positive up.
import type { SeaBed } from './seaBed';
import { nth } from '../units/indexed';

/** Shape of the bed, cell by cell; NaN where a neighbour is not known. */
export interface BedShape {
  /** Slope, metres down a metre. */
  readonly slope: Float64Array;
  /** Bearing down the slope, degrees true. */
  readonly aspectDeg: Float64Array;
  /** Laplacian of the bed's height, 1/m: positive in a hollow, negative on a crest. */
  readonly curvature: Float64Array;
}

/** Slope, aspect and curvature of every cell. */
export function bedShape(bed: SeaBed): BedShape {
  const { columns, rows, cellM } = bed;
  const size = columns * rows;
  const slope = new Float64Array(size).fill(Number.NaN);
  const aspectDeg = new Float64Array(size).fill(Number.NaN);
  const curvature = new Float64Array(size).fill(Number.NaN);
  const z = (i: number, j: number) => nth(bed.depthM, j * columns + i);
  for (let j = 1; j < rows - 1; j++) {
    for (let i = 1; i < columns - 1; i++) {
      const dx = (z(i + 1, j - 1) + 2 * z(i + 1, j) + z(i + 1, j + 1) - z(i - 1, j - 1) - 2 * z(i - 1, j) - z(i - 1, j + 1)) / (8 * cellM);
      const dy = (z(i - 1, j + 1) + 2 * z(i, j + 1) + z(i + 1, j + 1) - z(i - 1, j - 1) - 2 * z(i, j - 1) - z(i + 1, j - 1)) / (8 * cellM);
      const k = j * columns + i;
      slope[k] = Math.hypot(dx, dy);
      aspectDeg[k] = ((Math.atan2(dx, dy) * 180) / Math.PI + 360) % 360;
      // Depth is positive down, so height's Laplacian has the other sign.
      curvature[k] = -(z(i + 1, j) + z(i - 1, j) + z(i, j + 1) + z(i, j - 1) - 4 * z(i, j)) / (cellM * cellM);
    }
  }
  return { slope, aspectDeg, curvature };
}

/**
 * Bathymetric Position Index: how far each cell stands above (positive) or below the mean of a ring, m.
 * @param innerM - Inner radius of the ring, m. @param outerM - Outer radius, m, more than the inner.
 */
export function positionIndex(bed: SeaBed, innerM: number, outerM: number): Float64Array {
  if (!(outerM > innerM)) throw new RangeError(`ring: expected outer over inner radius, got ${innerM} and ${outerM}`);
  const { columns, rows, cellM } = bed;
  const reach = Math.ceil(outerM / cellM);
  const ring: [number, number][] = [];
  for (let dj = -reach; dj <= reach; dj++) {
    for (let di = -reach; di <= reach; di++) {
      const d = Math.hypot(di, dj) * cellM;
      if (d >= innerM && d <= outerM && (di !== 0 || dj !== 0)) ring.push([di, dj]);
    }
  }
  const out = new Float64Array(columns * rows).fill(Number.NaN);
  for (let j = 0; j < rows; j++) {
    for (let i = 0; i < columns; i++) {
      const here = nth(bed.depthM, j * columns + i);
      if (Number.isNaN(here)) continue;
      let sum = 0;
      let n = 0;
      for (const [di, dj] of ring) {
        const [x, y] = [i + di, j + dj];
        if (x < 0 || y < 0 || x >= columns || y >= rows) continue;
        const d = nth(bed.depthM, y * columns + x);
        if (Number.isNaN(d)) continue;
        sum += d;
        n++;
      }
      // With less than half the ring known the mean would lean to one side.
      if (n >= ring.length / 2) out[j * columns + i] = sum / n - here;
    }
  }
  return out;
}

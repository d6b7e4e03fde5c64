// A drawn passage as cells of the bed: what the crew has charted there is what a run is held to.
import type { BarCells } from './seaOnWays';
import { type SeaBed, toLocal } from './seaBed';
import { f64, nth } from '../units/indexed';

/** A passage as the crew draws it: a line of [lon, lat] over the shallow part. */
export interface Passage {
  readonly name: string;
  readonly points: readonly (readonly [number, number])[];
  /** m below datum; negative dries. */
  readonly chartedDepthM: number;
}

/** The cells that a passage's line touches, at half a cell's spacing. */
export function barCells(bed: SeaBed, passage: Passage): BarCells {
  const cells = new Set<number>();
  const local = passage.points.map(([lon, lat]) => toLocal(bed, lat, lon));
  const add = (xM: number, yM: number) => {
    const [i, j] = [Math.round(xM / bed.cellM), Math.round(yM / bed.cellM)];
    if (i >= 0 && j >= 0 && i < bed.columns && j < bed.rows) cells.add(j * bed.columns + i);
  };
  local.slice(1).forEach((b, k) => {
    const a = nth(local, k);
    const steps = Math.max(1, Math.ceil(Math.hypot(b.xM - a.xM, b.yM - a.yM) / (bed.cellM / 2)));
    for (let s = 0; s <= steps; s++) add(a.xM + ((b.xM - a.xM) * s) / steps, a.yM + ((b.yM - a.yM) * s) / steps);
  });
  return { name: passage.name, chartedDepthM: passage.chartedDepthM, cells };
}

/** The bed with the depth that the crew has charted where its passages are drawn; what the chart shows shallower stays so. */
export function withBars(bed: SeaBed, bars: readonly BarCells[]): SeaBed {
  if (bars.length === 0) return bed;
  const depthM = Float64Array.from(bed.depthM);
  for (const bar of bars) for (const c of bar.cells) if (f64(depthM, c) > bar.chartedDepthM) depthM[c] = bar.chartedDepthM;
  return { ...bed, depthM };
}

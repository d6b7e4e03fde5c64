import { area, line } from 'd3-shape';
import { createContext, type ReactNode, useContext } from 'react';

/** Whether lanes are drawn for a phone: their names and values above them. */
export const LaneInPocket = createContext(false);

/** Name and value of a lane at the cursor. */
export function LaneLabel({ name, value, unit }: { name: string; value: string; unit: ReactNode }) {
  const pocket = useContext(LaneInPocket);
  return (
    <g>
      <text x={pocket ? 12 : 18} y={pocket ? -10 : 17} fontSize={13} fill="var(--ink-2)">
        {name}
      </text>
      <text x={pocket ? 104 : 18} y={pocket ? -9 : 35} fontSize={pocket ? 18 : 15}>
        <tspan className="num" fontWeight={700} fill="var(--ink)">
          {value}
        </tspan>
        <tspan dx={5} fontSize={11.5} fill="var(--ink-3)">
          {unit}
        </tspan>
      </text>
    </g>
  );
}

const drawLine = line<readonly [number, number | null]>()
  .defined(([, y]) => y !== null)
  .digits(1);

/** SVG path through points; a gap where y is null. */
export const pathOf = (points: readonly (readonly [number, number | null])[]): string =>
  drawLine(points as [number, number | null][]) ?? '';

const drawBand = area<{ x0: number; y0: number; x1: number; y1: number }>()
  .x0((p) => p.x0)
  .x1((p) => p.x1)
  .y0((p) => p.y0)
  .y1((p) => p.y1)
  .digits(1);

/** Closed path between two edges of as many points. */
export function bandOf(upper: readonly (readonly [number, number])[], lower: readonly (readonly [number, number])[]): string {
  const points = upper.flatMap(([x1, y1], i) => {
    const below = lower[i];
    return below ? [{ x0: below[0], y0: below[1], x1, y1 }] : [];
  });
  return drawBand(points) ?? '';
}

/** Instants from one to another, both included, no more than a few hundred. */
export function instants(from: number, to: number): number[] {
  const step = Math.max(10 * 60_000, (to - from) / 400);
  const out: number[] = [];
  for (let t = from; t < to; t += step) out.push(t);
  out.push(to);
  return out;
}

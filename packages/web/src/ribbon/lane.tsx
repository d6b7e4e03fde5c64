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

/** SVG path through points; a gap where y is null. */
export function pathOf(points: readonly (readonly [number, number | null])[]): string {
  let d = '';
  let pen = false;
  for (const [x, y] of points) {
    if (y === null) {
      pen = false;
      continue;
    }
    d += `${pen ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`;
    pen = true;
  }
  return d;
}

/** Closed path between two edges. */
export function bandOf(upper: readonly (readonly [number, number])[], lower: readonly (readonly [number, number])[]): string {
  if (upper.length === 0) return '';
  return `M${[...upper, ...[...lower].reverse()].map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;
}

/** Instants from one to another, both included, no more than a few hundred. */
export function instants(from: number, to: number): number[] {
  const step = Math.max(10 * 60_000, (to - from) / 400);
  const out: number[] = [];
  for (let t = from; t < to; t += step) out.push(t);
  out.push(to);
  return out;
}

import { clock } from '../ui/format';
import { TOP } from './layRibbon';

interface CursorProps {
  readonly x: (at: number) => number;
  readonly at: number;
  readonly now: number;
  readonly from: number;
  readonly to: number;
  readonly zone: string;
  readonly total: number;
  readonly segments: readonly (readonly [from: number, to: number])[];
}

/** The line of now, and the cursor with its time. */
export function RibbonCursor({ x, at, now, from, to, zone, total, segments }: CursorProps) {
  const tag = clock(at, zone).length * 8 + 16;
  return (
    <g aria-hidden="true">
      {now > from && now < to && (
        <g>
          <line x1={x(now)} x2={x(now)} y1={TOP} y2={total} stroke="var(--ink-2)" strokeDasharray="1 3" />
          {Math.abs(x(now) - x(at)) > 60 && (
            <text x={x(now)} y={TOP - 10} textAnchor="middle" fontSize={11.5} fill="var(--ink-2)">
              now
            </text>
          )}
        </g>
      )}
      {segments.map(([from, to]) => (
        <line key={from} x1={x(at)} x2={x(at)} y1={from} y2={to} stroke="var(--ink)" strokeWidth={1.6} />
      ))}
      <rect x={x(at) - tag / 2} y={2} width={tag} height={18} rx={2} fill="var(--ink)" />
      <text x={x(at)} y={15.5} textAnchor="middle" className="num" fontSize={12.5} fontWeight={700} fill="var(--chalk)">
        {clock(at, zone)}
      </text>
    </g>
  );
}

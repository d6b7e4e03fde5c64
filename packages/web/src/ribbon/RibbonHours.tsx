import { DAY } from '@bluffwind/core/units/time';
import { clock, dayName } from '../ui/format';
import { dayStarts, hourTicks, TOP } from './layRibbon';

interface HoursProps {
  readonly x: (at: number) => number;
  readonly from: number;
  readonly to: number;
  readonly zone: string;
  readonly nights: readonly (readonly [number, number])[];
  /** Pixels. */
  readonly width: number;
  readonly left: number;
  readonly total: number;
}

/** Nights, and the hours or days with their names, behind the lanes. */
export function RibbonHours({ x, from, to, zone, nights, width, left, total }: HoursProps) {
  const several = to - from > 1.5 * DAY;
  const hours = several ? [] : hourTicks(from, to, zone, width < 500 ? 4 : width < 800 ? 3 : 2);
  const days = several ? dayStarts(from, to, zone) : [];
  return (
    <>
      {nights.map(([a, b]) => (
        <rect key={a} x={x(a)} width={x(b) - x(a)} y={TOP} height={total - TOP} fill="var(--ink)" opacity={0.07} />
      ))}
      {hours.map((t) => (
        <g key={t}>
          <line x1={x(t)} x2={x(t)} y1={TOP} y2={total} stroke="var(--line)" opacity={0.6} />
          <text x={x(t)} y={15} textAnchor="middle" className="num" fontSize={11.5} fill="var(--ink-2)">
            {clock(t, zone)}
          </text>
        </g>
      ))}
      {days.map((t) => (
        <g key={t}>
          <line x1={x(t)} x2={x(t)} y1={TOP} y2={total} stroke="var(--line)" />
          <text x={Math.max(left, x(t)) + 8} y={16} fontSize={13} fontWeight={700} fill="var(--ink)">
            {dayName(t, zone)}
          </text>
        </g>
      ))}
    </>
  );
}

import type { SVGProps } from 'react';
import type { LaneProps } from '../ribbon/laneProps';
import { clock, fish } from '../ui/format';
import type { ShownLeg } from './planState';

/** Width of a letter of a name, pixels. */
const LETTER_PX = 7.4;

interface OneLegProps {
  readonly lane: LaneProps;
  readonly leg: ShownLeg;
  /** Its place in the day, from 0. */
  readonly index: number;
  readonly name: string;
  /** The baits that are fished one after the other; empty for one alone. */
  readonly baits: readonly string[];
  /** How far it is pulled from where it stands, ms. */
  readonly by: number;
  readonly selected: boolean;
  /** What takes hold of it. */
  readonly held: Pick<SVGProps<SVGGElement>, 'onPointerDown' | 'onPointerMove' | 'onPointerUp' | 'onPointerCancel' | 'onKeyDown'>;
}

/** A leg as a bar with its place, name and fish. */
export function OneLeg({ lane, leg: l, index: i, name, baits: inTurn, by, selected, held }: OneLegProps) {
  const { x, height } = lane;
  const [left, right] = [x(l.startMs + by), x(l.departMs + by)];
  const width = right - left;
  // The whole name or the number alone: nothing is cut in the middle of a word.
  const wide = width > 20 + LETTER_PX * (name.length + 2);
  const baits = inTurn.length > 1 ? ` with ${inTurn.join(', then ')}` : '';
  return (
    <g
      role="button"
      tabIndex={0}
      data-leg={name}
      aria-label={`${i + 1}${wide ? ` ${name} ${fish(l.expected)} fish` : `, ${name}, ${fish(l.expected)} fish`}, ${clock(l.startMs, lane.zone)} to ${clock(l.departMs, lane.zone)}${baits}${l.pinned ? ', pinned' : ''}. Enter selects, p pins, arrows move it.`}
      {...held}
      className={`touch-none ${by !== 0 ? 'cursor-grabbing' : 'cursor-grab'}`}
    >
      <title>{`${i + 1} ${name}, ${fish(l.expected)} fish`}</title>
      <clipPath id={`leg-${i}`}>
        <rect x={left} y={0} width={Math.max(0, width - 6)} height={height} />
      </clipPath>
      <rect
        x={left}
        y={7}
        width={Math.max(0, width)}
        height={height - 14}
        rx={3}
        fill="var(--kelp-pale)"
        fillOpacity={by !== 0 ? 0.7 : 1}
        stroke="var(--kelp)"
        strokeWidth={selected || by !== 0 ? 3 : 1.3}
      />
      {l.parts.slice(1).map((p) => (
        <line
          key={p.fromMs}
          x1={x(p.fromMs + by)}
          x2={x(p.fromMs + by)}
          y1={height - 22}
          y2={height - 8}
          stroke="var(--kelp)"
          strokeWidth={2}
          aria-hidden="true"
        />
      ))}
      <text clipPath={`url(#leg-${i})`} fontSize={13} fill="var(--ink)">
        <tspan x={left + 8} y={height / 2 - 3} fontWeight={700}>
          {wide ? `${i + 1} ${name}` : i + 1}
        </tspan>
        {wide && (
          <>
            {' '}
            <tspan x={left + 8} y={height / 2 + 14} fontSize={12} fill="var(--ink-2)">
              {by !== 0 ? clock(l.startMs + by, lane.zone) : `${fish(l.expected)} fish`}
            </tspan>
          </>
        )}
      </text>
      {l.pinned && <path d={`M${right - 12} 2v12M${right - 16} 5h8`} stroke="var(--ink)" strokeWidth={2} aria-hidden="true" />}
    </g>
  );
}

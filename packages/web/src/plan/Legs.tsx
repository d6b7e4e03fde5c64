import type { PlanLeg } from '@bluffwind/core/plan/layDay';
import type { LaneProps } from '../ribbon/Ribbon';
import { clock, fish } from '../ui/format';

/** A leg as the screen holds it. */
export type ShownLeg = Omit<PlanLeg, 'presentationId'> & { readonly presentationId: string };

interface LegsProps {
  readonly lane: LaneProps;
  readonly legs: readonly ShownLeg[];
  readonly selected: string | null;
  readonly nameOf: (spotId: string) => string;
  readonly onSelect: (spotId: string) => void;
  readonly onPin: (spotId: string) => void;
}

/** Legs as bars on the ribbon's last lane. */
export function Legs({ lane, legs, selected, nameOf, onSelect, onPin }: LegsProps) {
  const { x, height } = lane;
  const first = legs[0];
  const last = legs.at(-1);
  return (
    <g>
      {first && last && (
        <line
          x1={x(first.arriveMs) - 14}
          x2={x(last.departMs) + 14}
          y1={height / 2}
          y2={height / 2}
          stroke="var(--kelp)"
          strokeWidth={2.5}
          strokeDasharray="5 4"
        />
      )}
      {legs.map((l, i) => {
        const width = x(l.departMs) - x(l.startMs);
        const wide = width > 56;
        const name = nameOf(l.spotId);
        return (
          <g
            key={l.spotId}
            role="button"
            tabIndex={0}
            aria-label={`${i + 1}${wide ? ` ${name} ${fish(l.expected)} fish` : `, ${name}, ${fish(l.expected)} fish`}, ${clock(l.startMs, lane.zone)} to ${clock(l.departMs, lane.zone)}${l.pinned ? ', pinned' : ''}. Enter selects, p pins.`}
            onClick={() => onSelect(l.spotId)}
            onKeyDown={(e) => {
              if (e.key === 'Enter' || e.key === ' ') {
                e.preventDefault();
                onSelect(l.spotId);
              }
              if (e.key === 'p') {
                e.stopPropagation();
                onPin(l.spotId);
              }
            }}
            className="cursor-pointer"
          >
            <clipPath id={`leg-${l.spotId}`}>
              <rect x={x(l.startMs)} y={0} width={Math.max(0, width - 6)} height={height} />
            </clipPath>
            <rect
              x={x(l.startMs)}
              y={7}
              width={width}
              height={height - 14}
              rx={3}
              fill="var(--kelp-pale)"
              stroke="var(--kelp)"
              strokeWidth={l.spotId === selected ? 3 : 1.3}
            />
            <text clipPath={`url(#leg-${l.spotId})`} fontSize={13} fill="var(--ink)">
              <tspan x={x(l.startMs) + 8} y={height / 2 - 3} fontWeight={700}>
                {wide ? `${i + 1} ${name}` : i + 1}
              </tspan>
              {wide && (
                <>
                  {' '}
                  <tspan x={x(l.startMs) + 8} y={height / 2 + 14} fontSize={12} fill="var(--ink-2)">
                    {fish(l.expected)} fish
                  </tspan>
                </>
              )}
            </text>
            {l.pinned && (
              <path d={`M${x(l.departMs) - 12} 2v12M${x(l.departMs) - 16} 5h8`} stroke="var(--ink)" strokeWidth={2} aria-hidden="true" />
            )}
          </g>
        );
      })}
    </g>
  );
}

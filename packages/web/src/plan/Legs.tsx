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
      {first && last && <line x1={x(first.arriveMs) - 14} x2={x(last.departMs) + 14} y1={height / 2} y2={height / 2} stroke="var(--kelp)" strokeWidth={2.5} strokeDasharray="5 4" />}
      {legs.map((l, i) => {
        const width = x(l.departMs) - x(l.startMs);
        const room = Math.floor((width - 34) / 7.2);
        const name = nameOf(l.spotId);
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing
          <g
            key={l.spotId}
            role="button"
            tabIndex={0}
            aria-label={`Leg ${i + 1}, ${name}, ${clock(l.startMs, lane.zone)} to ${clock(l.departMs, lane.zone)}, ${fish(l.expected)} fish${l.pinned ? ', pinned' : ''}. Enter selects, p pins.`}
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
            <title>{`${name}, ${clock(l.startMs, lane.zone)} to ${clock(l.departMs, lane.zone)}`}</title>
            <rect x={x(l.startMs)} y={7} width={width} height={height - 14} rx={3} fill="var(--kelp-pale)" stroke="var(--kelp)" strokeWidth={l.spotId === selected ? 3 : 1.3} />
            <text x={x(l.startMs) + 8} y={height / 2 - 3} fontSize={13} fontWeight={700} fill="var(--ink)">
              {i + 1} {room > 3 ? (name.length > room ? `${name.slice(0, room)}…` : name) : ''}
            </text>
            {room > 3 && (
              <text x={x(l.startMs) + 8} y={height / 2 + 14} fontSize={12} fill="var(--ink-2)">
                {fish(l.expected)} fish
              </text>
            )}
            {l.pinned && <path d={`M${x(l.departMs) - 12} 2v12M${x(l.departMs) - 16} 5h8`} stroke="var(--ink)" strokeWidth={2} aria-hidden="true" />}
          </g>
        );
      })}
    </g>
  );
}

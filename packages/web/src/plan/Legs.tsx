import type { KeyboardEvent } from 'react';
import type { LaneProps } from '../ribbon/laneProps';
import { OneLeg } from './OneLeg';
import type { ShownLeg } from './planState';
import { STEP_MS, useLegDrag } from './useLegDrag';

interface LegsProps {
  readonly lane: LaneProps;
  readonly legs: readonly ShownLeg[];
  readonly selected: string | null;
  readonly nameOf: (spotId: string) => string;
  readonly baitOf: (presentationId: string) => string;
  readonly onSelect: (spotId: string) => void;
  readonly onPin: (spotId: string) => void;
  /** A leg was let go of, so far from where it was. */
  readonly onDrop: (index: number, byMs: number) => void;
  /** A leg is being moved: asked in each frame what the day would be worth. */
  readonly onDrag: (index: number, byMs: number) => void;
}

/** Legs as bars on the ribbon's last lane: picked up and dragged, or moved by keys. */
export function Legs({ lane, legs, selected, nameOf, baitOf, onSelect, onPin, onDrop, onDrag }: LegsProps) {
  const { x, height } = lane;
  const first = legs[0];
  const last = legs.at(-1);
  const drag = useLegDrag(lane, { onSelect, onDrop, onDrag });
  const key = (e: KeyboardEvent, l: ShownLeg, i: number) => {
    if (e.key === 'Enter' || e.key === ' ') onSelect(l.spotId);
    else if (e.key === 'p') onPin(l.spotId);
    else if (e.key === 'ArrowLeft' || e.key === 'ArrowRight') {
      const sign = e.key === 'ArrowLeft' ? -1 : 1;
      const neighbour = legs[i + sign];
      // With Shift past the neighbour, without it five minutes.
      if (!e.shiftKey) onDrop(i, sign * STEP_MS);
      else if (neighbour) onDrop(i, (neighbour.startMs + neighbour.departMs - l.startMs - l.departMs) / 2 + sign * STEP_MS);
    } else return;
    e.preventDefault();
    e.stopPropagation();
  };

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
      {legs.map((l, i) => (
        <OneLeg
          // A spot may be fished twice in a day.
          key={`${l.spotId} ${l.startMs}`}
          lane={lane}
          leg={l}
          index={i}
          name={nameOf(l.spotId)}
          baits={l.parts.map((p) => baitOf(p.presentationId))}
          by={drag.byOf(i)}
          selected={l.spotId === selected}
          held={{
            onPointerDown: (e) => drag.press(e, i),
            onPointerMove: drag.moveTo,
            onPointerUp: (e) => drag.release(e, l.spotId),
            onPointerCancel: drag.cancel,
            onKeyDown: (e) => key(e, l, i),
          }}
        />
      ))}
    </g>
  );
}

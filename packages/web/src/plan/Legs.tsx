import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { LaneProps } from '../ribbon/laneProps';
import { clock, fish } from '../ui/format';
import type { ShownLeg } from './planState';

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

const STEP_MS = 5 * 60_000;
/** Pixels before a press becomes a drag. */
const SLACK = 4;
/** Width of a letter of a name, pixels. */
const LETTER_PX = 7.4;

/** Legs as bars on the ribbon's last lane: picked up and dragged, or moved by keys. */
export function Legs({ lane, legs, selected, nameOf, baitOf, onSelect, onPin, onDrop, onDrag }: LegsProps) {
  const { x, height } = lane;
  const [drag, setDrag] = useState<{ index: number; byMs: number } | null>(null);
  const from = useRef<{ x: number; index: number; moved: boolean } | null>(null);
  const asked = useRef<number | null>(null);
  const first = legs[0];
  const last = legs.at(-1);
  const msPerPixel = (lane.to - lane.from) / (x(lane.to) - x(lane.from));

  // Where it is let go of counts: a browser may swallow moves on the way there.
  const stepped = (pixels: number) => Math.round((pixels * msPerPixel) / STEP_MS) * STEP_MS;

  const press = (e: PointerEvent<SVGGElement>, index: number) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    from.current = { x: e.clientX, index, moved: false };
    asked.current = null;
  };
  const moveTo = (e: PointerEvent<SVGGElement>) => {
    const start = from.current;
    if (!start || (e.buttons & 1) === 0) return;
    const pixels = e.clientX - start.x;
    if (!start.moved && Math.abs(pixels) < SLACK) return;
    start.moved = true;
    const byMs = stepped(pixels);
    if (byMs === asked.current) return;
    asked.current = byMs;
    // Asked at once: browsers send moves once a frame already.
    onDrag(start.index, byMs);
    setDrag({ index: start.index, byMs });
  };
  const release = (e: PointerEvent<SVGGElement>, spotId: string) => {
    const start = from.current;
    from.current = null;
    if (!start?.moved) onSelect(spotId);
    else if (stepped(e.clientX - start.x) !== 0) onDrop(start.index, stepped(e.clientX - start.x));
    setDrag(null);
  };
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
      {legs.map((l, i) => {
        const by = drag?.index === i ? drag.byMs : 0;
        const [left, right] = [x(l.startMs + by), x(l.departMs + by)];
        const width = right - left;
        const name = nameOf(l.spotId);
        // The whole name or the number alone: nothing is cut in the middle of a word.
        const wide = width > 20 + LETTER_PX * (name.length + 2);
        const baits = l.parts.length > 1 ? ` with ${l.parts.map((p) => baitOf(p.presentationId)).join(', then ')}` : '';
        return (
          <g
            // A spot may be fished twice in a day.
            key={`${l.spotId} ${l.startMs}`}
            role="button"
            tabIndex={0}
            data-leg={name}
            aria-label={`${i + 1}${wide ? ` ${name} ${fish(l.expected)} fish` : `, ${name}, ${fish(l.expected)} fish`}, ${clock(l.startMs, lane.zone)} to ${clock(l.departMs, lane.zone)}${baits}${l.pinned ? ', pinned' : ''}. Enter selects, p pins, arrows move it.`}
            onPointerDown={(e) => press(e, i)}
            onPointerMove={moveTo}
            onPointerUp={(e) => release(e, l.spotId)}
            onPointerCancel={() => {
              from.current = null;
              setDrag(null);
            }}
            onKeyDown={(e) => key(e, l, i)}
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
              strokeWidth={l.spotId === selected || by !== 0 ? 3 : 1.3}
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
      })}
    </g>
  );
}

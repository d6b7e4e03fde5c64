import { type PointerEvent, useRef, useState } from 'react';
import type { LaneProps } from '../ribbon/laneProps';

/** Legs are moved by whole steps of so long. */
export const STEP_MS = 5 * 60_000;
/** Pixels before a press becomes a drag. */
const SLACK = 4;

interface Told {
  readonly onSelect: (spotId: string) => void;
  /** A leg was let go of, so far from where it was. */
  readonly onDrop: (index: number, byMs: number) => void;
  /** A leg is being moved: asked in each frame what the day would be worth. */
  readonly onDrag: (index: number, byMs: number) => void;
}

/** Legs taken hold of by a pointer: a press selects, a pull along the time moves. */
export function useLegDrag({ x, from: start, to }: Pick<LaneProps, 'x' | 'from' | 'to'>, { onSelect, onDrop, onDrag }: Told) {
  const [drag, setDrag] = useState<{ index: number; byMs: number } | null>(null);
  const from = useRef<{ x: number; index: number; moved: boolean } | null>(null);
  const asked = useRef<number | null>(null);
  const msPerPixel = (to - start) / (x(to) - x(start));

  // Where it is let go of counts: a browser may swallow moves on the way there.
  const stepped = (pixels: number) => Math.round((pixels * msPerPixel) / STEP_MS) * STEP_MS;

  const press = (e: PointerEvent<SVGGElement>, index: number) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    from.current = { x: e.clientX, index, moved: false };
    asked.current = null;
  };
  const moveTo = (e: PointerEvent<SVGGElement>) => {
    const held = from.current;
    if (!held || (e.buttons & 1) === 0) return;
    const pixels = e.clientX - held.x;
    if (!held.moved && Math.abs(pixels) < SLACK) return;
    held.moved = true;
    const byMs = stepped(pixels);
    if (byMs === asked.current) return;
    asked.current = byMs;
    // Asked at once: browsers send moves once a frame already.
    onDrag(held.index, byMs);
    setDrag({ index: held.index, byMs });
  };
  const release = (e: PointerEvent<SVGGElement>, spotId: string) => {
    const held = from.current;
    from.current = null;
    if (!held?.moved) onSelect(spotId);
    else if (stepped(e.clientX - held.x) !== 0) onDrop(held.index, stepped(e.clientX - held.x));
    setDrag(null);
  };
  const cancel = () => {
    from.current = null;
    setDrag(null);
  };
  return { byOf: (index: number) => (drag?.index === index ? drag.byMs : 0), press, moveTo, release, cancel };
}

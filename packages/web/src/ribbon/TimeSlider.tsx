import type { PointerEvent } from 'react';
import { useCursor } from '../data/time';
import { clock, dayName } from '../ui/format';

interface SliderProps {
  readonly from: number;
  readonly to: number;
  readonly zone: string;
  /** Pixels from the ribbon's left edge at which it begins. */
  readonly left: number;
  readonly height: number;
  /** Called with pixels from the ribbon's left edge. */
  readonly onPlace: (px: number) => void;
}

/** Minutes that a key moves the cursor. */
const KEYS: Readonly<Record<string, number>> = { ArrowLeft: -15, ArrowRight: 15, PageDown: -60, PageUp: 60 };

/** What takes hold of the time cursor, by pointer or by keys. */
export function TimeSlider({ from, to, zone, left, height, onPlace }: SliderProps) {
  const cursor = useCursor();
  const place = (e: PointerEvent<HTMLDivElement>) => onPlace(e.clientX - e.currentTarget.getBoundingClientRect().left + left);
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="Time"
      aria-valuemin={from}
      aria-valuemax={to}
      aria-valuenow={cursor.at}
      aria-valuetext={`${dayName(cursor.at, zone)} ${clock(cursor.at, zone)}`}
      className="absolute top-0 cursor-ew-resize touch-none"
      style={{ left, right: 0, height }}
      onKeyDown={(e) => {
        const minutes = KEYS[e.key];
        if (minutes !== undefined) cursor.move(minutes);
      }}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        place(e);
      }}
      onPointerMove={(e) => {
        if (e.buttons === 1) place(e);
      }}
    />
  );
}

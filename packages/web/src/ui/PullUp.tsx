import { useDrag } from '@use-gesture/react';
import { type ReactNode, useRef, useState } from 'react';

/** Shares of the place above the ribbon that the panel takes: its tabs alone, a third, two thirds, all. */
const STOPS = [0, 1 / 3, 2 / 3, 1] as const;
const NAMES = ['closed', 'a third', 'two thirds', 'whole'] as const;
/** The handle and the row of tabs stay in sight, px. */
const LEAST = 68;

/** A panel over the chart, pulled up and down by thumb, or by keys on its handle. It fills the nearest positioned element. */
export function PullUp({ label, start = 1, children }: { label: string; start?: number; children: ReactNode }) {
  const [stop, setStop] = useState(start);
  const [drag, setDrag] = useState<number | null>(null);
  const box = useRef<HTMLElement>(null);
  const roomOf = () => (box.current?.parentElement?.clientHeight ?? 0) - LEAST;
  const bind = useDrag(
    ({ movement: [, dy], last, tap }) => {
      if (tap) {
        setStop((s) => (s === 0 ? 2 : s >= 2 ? 0 : 2));
        setDrag(null);
        return;
      }
      const share = Math.min(1, Math.max(0, (STOPS[stop] ?? 0) - dy / Math.max(1, roomOf())));
      if (!last) return setDrag(share);
      setDrag(null);
      setStop(STOPS.reduce((best, s, i) => (Math.abs(s - share) < Math.abs((STOPS[best] ?? 0) - share) ? i : best), 0));
    },
    { axis: 'y', filterTaps: true, pointer: { keys: false } },
  );
  const share = drag ?? STOPS[stop] ?? 0;
  return (
    <section
      ref={box}
      aria-label={label}
      data-pull={NAMES[stop]}
      className={`no-print absolute inset-x-0 bottom-0 z-20 flex flex-col overflow-hidden rounded-t-[10px] border-t border-ink bg-chalk shadow-[0_-2px_8px_#0002] ${drag === null ? 'transition-[height] duration-150' : ''}`}
      style={{ height: `calc(${LEAST}px + (100% - ${LEAST}px) * ${share})` }}
    >
      <button
        type="button"
        {...bind()}
        aria-label={`${label}: ${NAMES[stop]}; up and down keys change its height`}
        className="flex h-6 w-full shrink-0 touch-none cursor-grab items-center justify-center"
        onKeyDown={(e) => {
          const by = { ArrowUp: 1, ArrowDown: -1 }[e.key];
          if (by === undefined && e.key !== 'Enter' && e.key !== ' ') return;
          e.preventDefault();
          setStop((s) => (by === undefined ? (s + 1) % STOPS.length : Math.min(STOPS.length - 1, Math.max(0, s + by))));
        }}
      >
        <span className="h-1 w-11 rounded-full bg-ink-2" />
      </button>
      <div className="flex min-h-0 flex-1 flex-col">{children}</div>
    </section>
  );
}

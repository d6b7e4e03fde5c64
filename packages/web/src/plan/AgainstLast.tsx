import { useSyncExternalStore } from 'react';
import type { DragWorth } from './useDragWorth';

interface AgainstLastProps {
  readonly x: number;
  readonly y: number;
  readonly worth: DragWorth;
  /** What is said while nothing is dragged. */
  readonly rest: string;
}

/** The line that says what the last step gained or lost; with a leg in hand, what the day would be worth so. */
export function AgainstLast({ x, y, worth, rest }: AgainstLastProps) {
  const dragged = useSyncExternalStore(worth.subscribe, worth.get, worth.get);
  return (
    <text x={x} y={y} fontSize={12} fill="var(--ink-2)" data-against-last>
      {dragged ?? rest}
    </text>
  );
}

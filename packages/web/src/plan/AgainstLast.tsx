import { useSyncExternalStore } from 'react';

/** What the day would be worth with a leg in hand, told to one line of text and to nothing else of the screen. */
export interface DragWorth {
  readonly get: () => string | null;
  readonly set: (text: string | null) => void;
  readonly subscribe: (heard: () => void) => () => void;
}

/** A store of one text. A drag changes it in each frame, which is why it is not state of the screen: only its reader draws anew. */
export function dragWorth(): DragWorth {
  let now: string | null = null;
  const heard = new Set<() => void>();
  return {
    get: () => now,
    set: (text) => {
      if (text === now) return;
      now = text;
      for (const h of heard) h();
    },
    subscribe: (h) => {
      heard.add(h);
      return () => heard.delete(h);
    },
  };
}

interface AgainstLastProps {
  readonly x: number;
  readonly y: number;
  readonly worth: DragWorth;
  /** What is said while nothing is dragged. */
  readonly rest: string;
}

/** The line that says what the last step gained or lost; with a leg in hand, what the day would be worth so. */
export function AgainstLast({ x, y, worth, rest }: AgainstLastProps) {
  const dragged = useSyncExternalStore(worth.subscribe, worth.get);
  return (
    <text x={x} y={y} fontSize={12} fill="var(--ink-2)" data-against-last>
      {dragged ?? rest}
    </text>
  );
}

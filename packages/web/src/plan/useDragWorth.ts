import type { Remote } from 'comlink';
import { useRef, useState } from 'react';
import { fish } from '../ui/format';
import type { PlanWorker } from '../workers/plan.worker';
import type { ShownLeg } from './planState';

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

/** Asks in each frame of a drag what the day would be worth so. An answer that comes after the leg was let go of is dropped. */
export function useDragWorth(worker: Remote<PlanWorker> | null, legs: readonly ShownLeg[]) {
  const [worth] = useState(dragWorth);
  const asked = useRef(0);
  const drag = (index: number, byMs: number) => {
    const moved = legs.map((l, i) => {
      const by = i === index ? byMs : 0;
      return { spotId: l.spotId, startMs: l.startMs + by, departMs: l.departMs + by };
    });
    const mine = ++asked.current;
    void worker?.score(moved.sort((a, b) => a.startMs - b.startMs)).then((s) => {
      if (mine === asked.current)
        worth.set('refused' in s ? 'not reached like this: it is timed anew' : `${fish(s.plan.expected)} fish so`);
    });
  };
  const letGo = () => {
    asked.current++;
    worth.set(null);
  };
  return { worth, drag, letGo };
}

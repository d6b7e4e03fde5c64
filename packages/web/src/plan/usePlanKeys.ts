import { useKeys } from '../data/useKeys';

interface PlanKeys {
  readonly selected: string | null;
  readonly lay: () => void;
  readonly ban: (spotId: string) => void;
  readonly pin: (spotId: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly compare: () => void;
}

/** Keys of the plan: s lays, x bans, p pins, z and Shift Z or Ctrl Z undo and redo, c compares. */
export function usePlanKeys({ selected, lay, ban, pin, undo, redo, compare }: PlanKeys): void {
  useKeys({
    s: lay,
    x: selected === null ? null : () => ban(selected),
    p: selected === null ? null : () => pin(selected),
    z: undo,
    Z: redo,
    'mod+z': undo,
    'mod+Z': redo,
    c: compare,
  });
}

import { inAddress } from '../data/useAddress';
import { useKeys } from '../data/useKeys';

interface PlanKeys {
  readonly lay: () => void;
  readonly ban: (spotId: string) => void;
  readonly pin: (spotId: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly compare: () => void;
}

/** Keys of the plan: s lays, x bans, p pins, z and Shift Z or Ctrl Z undo and redo, c compares. */
export function usePlanKeys({ lay, ban, pin, undo, redo, compare }: PlanKeys): void {
  useKeys({
    s: lay,
    x: () => chosen(ban),
    p: () => chosen(pin),
    z: undo,
    Z: redo,
    'mod+z': undo,
    'mod+Z': redo,
    c: compare,
  });
}

/** Does something to the spot that is chosen. */
function chosen(act: (spotId: string) => void): void {
  const spotId = inAddress('spot');
  if (spotId !== null) act(spotId);
}

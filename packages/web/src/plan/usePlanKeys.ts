import { useEffect } from 'react';
import { isTyping } from '../data/time';

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
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isTyping(e)) return;
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z') {
        e.preventDefault();
        if (e.shiftKey) redo();
        else undo();
        return;
      }
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === 's') lay();
      if (e.key === 'x' && selected) ban(selected);
      if (e.key === 'p' && selected) pin(selected);
      if (e.key === 'z') undo();
      if (e.key === 'Z') redo();
      if (e.key === 'c') compare();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [lay, selected, ban, pin, undo, redo, compare]);
}

// A plan that nobody has saved yet is kept in the browser, so that a reload, a call or an empty battery does not cost it.
import { UNSAVED } from '../offline/store';
import type { Working } from './planState';

/** Another shape of the plan takes another number, and what was kept in the old one is dropped. */
const SHAPE = 1;

/** A plan as it was left. */
export interface Draft {
  /** Version of the saved plan that it was made from; 0 for none. */
  readonly base: number;
  readonly plan: Working;
}

type Store = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

/** Keeps a plan; a browser that is full or forbids it keeps none. */
export function keepDraft(tripId: string, draft: Draft, store: Store = localStorage): void {
  try {
    store.setItem(UNSAVED + tripId, JSON.stringify({ shape: SHAPE, ...draft }));
  } catch {
    // The plan is still on the screen, and can be saved.
  }
}

/** The plan that was left, or null. */
export function draftOf(tripId: string, store: Store = localStorage): Draft | null {
  try {
    const kept = JSON.parse(store.getItem(UNSAVED + tripId) ?? 'null') as ({ shape: number } & Draft) | null;
    if (kept?.shape !== SHAPE || !Number.isInteger(kept.base) || !Array.isArray(kept.plan.legs)) return null;
    return { base: kept.base, plan: { ...kept.plan, saved: null, ms: null, by: 'as you left it, not saved' } };
  } catch {
    return null;
  }
}

export function dropDraft(tripId: string, store: Store = localStorage): void {
  store.removeItem(UNSAVED + tripId);
}

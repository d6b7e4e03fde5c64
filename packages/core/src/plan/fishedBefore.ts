// What another boat of ours leaves of a spot on the same day: its stay fades the spot, and rest brings it back.
import { HOUR } from '../units/time';
import type { TakenSpot } from './planInputs';

/**
 * How fast a fished spot comes back, hours (common practice: after two hours' rest a spot that was fished for an hour and a half
 * gives about three quarters).
 */
const BACK_H = 4;

/**
 * Share of a spot's rate that is there at an instant after the stays of other boats: 1 - d exp(-rest / 4 h) for each, where
 * d = 1 - exp(-fade x stay) is what the stay took.
 * @param fadePerHour - Of the spot, 1/h, >= 0. @returns 0 to 1; 1 before any stay has ended.
 */
export function fishedBefore(taken: readonly Pick<TakenSpot, 'fromMs' | 'toMs'>[], fadePerHour: number, atMs: number): number {
  let share = 1;
  for (const t of taken) {
    if (t.toMs > atMs) continue;
    const took = 1 - Math.exp((-fadePerHour * (t.toMs - t.fromMs)) / HOUR);
    share *= 1 - took * Math.exp(-(atMs - t.toMs) / HOUR / BACK_H);
  }
  return share;
}

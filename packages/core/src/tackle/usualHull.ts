import { overNothing } from '../units/inRange';

/**
 * What a boat shows to wind and water across its drift, guessed from seats and draught until a drift is timed, m2 (common practice: an open
 * boat is as long as its guests and the captain need, shows four fifths of a metre above the water along it, and three fifths of its draught
 * below).
 * @throws RangeError for seats or a draught that are not over 0.
 */
export function usualHull(seats: number, draughtM: number): { windageM2: number; hullM2: number } {
  const lengthM = 3.5 + overNothing('seats', seats);
  return { windageM2: 0.8 * lengthM, hullM2: Math.max(0.5, 0.6 * lengthM * overNothing('draughtM', draughtM, 'm')) };
}

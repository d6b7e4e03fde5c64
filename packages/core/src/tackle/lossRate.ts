/** Rod-hours of the usual risk that the crew's own count is weighed against: after as many of its own it counts half (a choice). */
const USUAL_HOURS = 10;

/** What a crew has lost of one rig, and the hours of rods in which it did. */
export interface Losses {
  /** Rigs lost, >= 0. */
  readonly lost: number;
  /** Hours of rods, >= 0. */
  readonly rodHours: number;
}

/**
 * Rigs lost in an hour of a rod: the usual risk of the ground, drawn towards what the crew has lost as its hours add up (the mean of a gamma
 * whose prior is worth ten rod-hours).
 * @param usual - Of the ground, an hour, > 0. @throws RangeError for counts below nothing.
 */
export function lossRate(usual: number, own: Losses | undefined): number {
  if (!own) return usual;
  if (!(own.lost >= 0) || !(own.rodHours >= 0))
    throw new RangeError(`losses: expected nothing below 0, got ${own.lost} in ${own.rodHours} h`);
  return (usual * USUAL_HOURS + own.lost) / (USUAL_HOURS + own.rodHours);
}

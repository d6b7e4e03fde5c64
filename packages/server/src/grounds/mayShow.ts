import type { SpotRow } from '../db/entities/grounds';

/** Captains' spots are not shown to mates. */
export function mayShow(spot: Pick<SpotRow, 'privacy'>, role: string): boolean {
  return spot.privacy === 'crew' || role !== 'mate';
}

import type { TripRow } from '../db/entities/trip';

/** What logging needs of a trip. */
export type DeckTrip = Pick<TripRow, 'id' | 'outfitId' | 'startsAt' | 'status'> & {
  /** Time zone of the outfit. */
  readonly zone: string;
};

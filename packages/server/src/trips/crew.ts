// Who of the crew is aboard: a trip has its captain, and mates who are named for it.
import type { EntityManager } from 'typeorm';
import { TripMateEntity, type TripRow } from '../db/entities/trip';
import type { Who } from '../http/who';

/** Whether a person sees and logs what a trip's boat does: its mates, and every captain and the owner. */
export async function isAboard(entities: EntityManager, trip: Pick<TripRow, 'id'>, who: Who): Promise<boolean> {
  return who.role !== 'mate' || (await entities.existsBy(TripMateEntity, { tripId: trip.id, personId: who.personId }));
}

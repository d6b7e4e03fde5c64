import type { EntityManager } from 'typeorm';
import { DepartureEntity } from '../db/entities/day';
import { BoatEntity } from '../db/entities/boats';
import { PersonEntity } from '../db/entities/people';
import { TripEntity } from '../db/entities/trip';

/** What a notice says of a trip's boat; null where there is no such trip. */
export async function boatWords(
  entities: EntityManager,
  tripId: string,
): Promise<{ boat: string; captain: string; ashore: string; ended: Date | null } | null> {
  const trip = await entities.findOneBy(TripEntity, { id: tripId });
  if (!trip) return null;
  const boat = await entities.findOneByOrFail(BoatEntity, { id: trip.boatId });
  const captain = await entities.findOneByOrFail(PersonEntity, { id: trip.captainId });
  const departure = await entities.findOneBy(DepartureEntity, { tripId });
  return { boat: boat.name, captain: captain.name, ashore: departure?.ashore ?? '', ended: trip.endedAt };
}

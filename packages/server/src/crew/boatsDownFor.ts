import { addDays, startOfLocalDay } from '@bluffwind/core/units/time';
import { type EntityManager, In, LessThan, MoreThanOrEqual } from 'typeorm';
import { BoatEntity } from '../db/entities/boats';
import { DownForEntity } from '../db/entities/views';
import { namesOf } from '../db/namesOf';

/** Boats of the trips that somebody leads or is a mate of between two local dates, in the order of the trips. */
export async function boatsDownFor(
  entities: EntityManager,
  { personId, fromOn, toOn }: { personId: string; fromOn: string; toOn: string },
  zone: string,
): Promise<string[]> {
  const trips = await entities.find(DownForEntity, {
    where: {
      personId,
      status: In(['planned', 'under way']),
      endsAt: MoreThanOrEqual(new Date(startOfLocalDay(fromOn, zone))),
      startsAt: LessThan(new Date(startOfLocalDay(addDays(toOn, 1), zone))),
    },
    order: { startsAt: 'ASC' },
  });
  const names = await namesOf(entities, BoatEntity, trips, (t) => t.boatId);
  return trips.map((t) => names.get(t.boatId) ?? '');
}

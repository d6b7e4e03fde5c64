import { DAY } from '@bluffwind/core/units/time';
import { type EntityManager, In } from 'typeorm';
import { DepartureEntity } from '../db/entities/day';
import { BoatEntity } from '../db/entities/boats';
import { PersonEntity } from '../db/entities/people';
import { TripEntity } from '../db/entities/trip';
import { namesOf } from '../db/namesOf';

/** A boat that is out after it was to be back. */
export interface OverdueBoat {
  readonly tripId: string;
  readonly boat: string;
  readonly captain: string;
  readonly dueAt: Date;
  /** Who ashore knows, as it was signed; empty where nothing was. */
  readonly ashore: string;
}

/** Trips of other years that nobody ended are no alarm. */
const ALARM_MS = 3 * DAY;

/** Boats that are out after the time signed before leaving, or after the trip's end where nothing was signed. */
export async function overdueBoats(entities: EntityManager, nowMs: number): Promise<OverdueBoat[]> {
  const trips = await entities.findBy(TripEntity, { status: 'under way' });
  const signed = await entities.findBy(DepartureEntity, { tripId: In(trips.map((t) => t.id)) });
  const late = trips
    .map((trip) => {
      const departure = signed.find((d) => d.tripId === trip.id);
      return { trip, dueAt: departure?.dueAt ?? trip.endsAt, ashore: departure?.ashore ?? '' };
    })
    .filter(({ dueAt }) => +dueAt >= nowMs - ALARM_MS && +dueAt <= nowMs)
    .sort((a, b) => +a.dueAt - +b.dueAt);
  const boats = await namesOf(entities, BoatEntity, late, (l) => l.trip.boatId);
  const captains = await namesOf(entities, PersonEntity, late, (l) => l.trip.captainId);
  return late.map(({ trip, dueAt, ashore }) => ({
    tripId: trip.id,
    boat: boats.get(trip.boatId) ?? '',
    captain: captains.get(trip.captainId) ?? '',
    dueAt,
    ashore,
  }));
}

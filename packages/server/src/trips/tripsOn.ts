import { addDays, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import { Between, type EntityManager } from 'typeorm';
import { OutfitEntity } from '../db/entities/outfit';
import { TripEntity, type TripRow } from '../db/entities/trip';
import { found } from '../http/context';

/** Trips whose start lies on a local date. */
export async function tripsOn(entities: EntityManager, date: string, zone: string): Promise<TripRow[]> {
  const from = startOfLocalDay(date, zone);
  const to = startOfLocalDay(addDays(date, 1), zone) - 1;
  const trips = await entities.find(TripEntity, { where: { startsAt: Between(new Date(from), new Date(to)) }, order: { startsAt: 'ASC' } });
  return trips.filter((t) => t.status !== 'cancelled');
}

/** The local day of an instant: its first, and the first of the next. */
export function dayOf(at: Date, zone: string): [Date, Date] {
  const date = localDate(at.getTime(), zone);
  return [new Date(startOfLocalDay(date, zone)), new Date(startOfLocalDay(addDays(date, 1), zone))];
}

/** The outfit's time zone. */
export async function zoneOf(entities: EntityManager, outfitId: string): Promise<string> {
  return found(await entities.findOneBy(OutfitEntity, { id: outfitId }), 'outfit').zone;
}

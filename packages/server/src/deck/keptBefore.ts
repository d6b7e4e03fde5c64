import type { DeckPack } from '@bluffwind/contract/deck';
import { DAY, localDate } from '@bluffwind/core/units/time';
import { And, type EntityManager, In, IsNull, LessThan, MoreThan, Not } from 'typeorm';
import { CatchEntity } from '../db/entities/log';
import { PartyEntity, type TripRow } from '../db/entities/trip';
import { dayOf } from '../trips/tripsOn';

/** Days that a rule of possession may look back. */
const POSSESSION_DAYS = 31;

/** Fish that a trip's guests kept on the days before it, by local day. */
export async function keptBefore(entities: EntityManager, trip: TripRow, zone: string): Promise<NonNullable<DeckPack['keptBefore']>> {
  const guests = await entities.findBy(PartyEntity, { tripId: trip.id });
  const [day] = dayOf(trip.startsAt, zone);
  const kept = await entities.find(CatchEntity, {
    where: {
      clientId: In(guests.map((g) => g.clientId)),
      speciesId: Not(IsNull()),
      at: And(MoreThan(new Date(trip.startsAt.getTime() - POSSESSION_DAYS * DAY)), LessThan(day)),
      outcome: 'landed',
      kept: true,
      deletedAt: IsNull(),
    },
    order: { at: 'ASC' },
  });
  const days = new Map<string, NonNullable<DeckPack['keptBefore']>[number]>();
  for (const { clientId, speciesId, at } of kept) {
    if (clientId === null || speciesId === null) continue;
    const date = localDate(at.getTime(), zone);
    const key = `${clientId} ${speciesId} ${date}`;
    days.set(key, { clientId, speciesId, date, fish: (days.get(key)?.fish ?? 0) + 1 });
  }
  return [...days.values()];
}

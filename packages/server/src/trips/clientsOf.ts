import { type EntityManager, In, IsNull, MoreThan, Not } from 'typeorm';
import { ClientEntity } from '../db/entities/clients';
import { CatchEntity } from '../db/entities/log';
import { PartyEntity, TripEntity } from '../db/entities/trip';
import type { Who } from '../http/who';

/** Whether somebody may read the medical note of a guest: an owner, and who leads a trip of his. */
export async function seesNotes(entities: EntityManager, who: Who, clientId: string): Promise<boolean> {
  return who.role === 'owner' || entities.existsBy(TripEntity, { id: In(await tripIdsOf(entities, clientId)), captainId: who.personId });
}

/** Guests of an outfit with their trips and fish. */
export async function clientViews(entities: EntityManager, who: Who) {
  const clients = await entities.find(ClientEntity, { where: { retiredAt: IsNull() }, order: { name: 'ASC' } });
  const totals = await entities
    .createQueryBuilder(PartyEntity, 'p')
    .innerJoin('trip', 't', "t.id = p.tripId and t.status <> 'cancelled'")
    .select('p.clientId', 'clientId')
    .addSelect('count(*)::int', 'trips')
    .addSelect('max(t.startsAt)', 'last')
    .addSelect('bool_or(t.captainId = :me)', 'leads')
    .setParameter('me', who.personId)
    .groupBy('p.clientId')
    .getRawMany<{ clientId: string; trips: number; last: Date; leads: boolean }>();
  const caught = await entities
    .createQueryBuilder(CatchEntity, 'k')
    .select('k.clientId', 'clientId')
    .addSelect('count(*)::int', 'fish')
    .where({ clientId: Not(IsNull()), outcome: 'landed', deletedAt: IsNull() })
    .groupBy('k.clientId')
    .getRawMany<{ clientId: string; fish: number }>();
  return clients.map((k) => {
    const t = totals.find((x) => x.clientId === k.id);
    return {
      ...k,
      medicalNote: who.role === 'owner' || t?.leads ? k.medicalNote : null,
      trips: t?.trips ?? 0,
      fish: caught.find((x) => x.clientId === k.id)?.fish ?? 0,
      lastTripAt: t?.last.toISOString() ?? null,
    };
  });
}

/** Trips of a client that are not over at an instant. */
export async function tripsAhead(entities: EntityManager, clientId: string, nowMs: number): Promise<number> {
  const id = In(await tripIdsOf(entities, clientId));
  return entities.countBy(TripEntity, { id, status: In(['planned', 'under way']), endsAt: MoreThan(new Date(nowMs)) });
}

async function tripIdsOf(entities: EntityManager, clientId: string): Promise<string[]> {
  return (await entities.findBy(PartyEntity, { clientId })).map((p) => p.tripId);
}

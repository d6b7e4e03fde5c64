import { IsNull, type EntityManager } from 'typeorm';
import type { Who } from '../http/who';
import { ClientEntity } from '../db/entities/outfit';

export async function seesNotes(entities: EntityManager, who: Who, clientId: string): Promise<boolean> {
  if (who.role === 'owner') return true;
  const [{ leads }] = await entities.query(
    'select exists (select from party p join trip t on t.id = p.trip_id where p.client_id = $1 and t.captain_id = $2) as leads',
    [clientId, who.personId],
  );
  return leads;
}

export async function clientViews(entities: EntityManager, who: Who) {
  const clients = await entities.find(ClientEntity, { where: { retiredAt: IsNull() }, order: { name: 'ASC' } });
  const totals: { client_id: string; trips: number; last: Date | null; leads: boolean }[] = await entities.query(
    `select p.client_id, count(*)::int as trips, max(t.starts_at) as last, bool_or(t.captain_id = $1) as leads
     from party p join trip t on t.id = p.trip_id where t.status <> 'cancelled' group by p.client_id`,
    [who.personId],
  );
  const caught: { client_id: string; fish: number }[] = await entities.query(
    `select client_id, count(*)::int as fish from "catch" where client_id is not null and outcome = 'landed' and deleted_at is null group by client_id`,
  );
  return clients.map((k) => {
    const t = totals.find((x) => x.client_id === k.id);
    return {
      ...k,
      medicalNote: who.role === 'owner' || t?.leads ? k.medicalNote : null,
      trips: t?.trips ?? 0,
      fish: caught.find((x) => x.client_id === k.id)?.fish ?? 0,
      lastTripAt: t?.last?.toISOString() ?? null,
    };
  });
}

/** Trips of a client that are not over at an instant. */
export async function tripsAhead(entities: EntityManager, clientId: string, nowMs: number): Promise<number> {
  const [{ ahead }] = await entities.query(
    `select count(*)::int as ahead from party p join trip t on t.id = p.trip_id
     where p.client_id = $1 and t.status in ('planned', 'under way') and t.ends_at > $2`,
    [clientId, new Date(nowMs)],
  );
  return ahead;
}

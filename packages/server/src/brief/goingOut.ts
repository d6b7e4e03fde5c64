import type { EntityManager } from 'typeorm';
import { tripsOn } from '../trips/tripsOn';

/** Who goes out on a date, and whether they want its brief by mail. */
export async function goingOut(entities: EntityManager, date: string, zone: string): Promise<{ id: string; byMail: boolean }[]> {
  const trips = (await tripsOn(entities, date, zone)).map((t) => t.id);
  return entities.query(
    `select distinct p.id, coalesce((p.settings->'mail'->>'brief')::boolean, false) as "byMail" from person p join trip t on t.id = any($1::uuid[]) left join trip_mate m on m.trip_id = t.id
     where p.active and p.id in (t.captain_id, m.person_id)`,
    [trips],
  );
}

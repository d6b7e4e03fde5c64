import { IsNull, Not, type EntityManager } from 'typeorm';
import { PersonEntity, SecondFactorEntity } from '../db/entities/outfit';

/** Everybody of an outfit, those who left too, with the trips that lie ahead. */
export async function peopleOf(entities: EntityManager, nowMs: number) {
  const people = await entities.find(PersonEntity, { order: { active: 'DESC', name: 'ASC' } });
  const asked = await entities.findBy(SecondFactorEntity, { onSince: Not(IsNull()) });
  const ahead: { id: string; n: number }[] = await entities.query(
    `select p.id, count(distinct t.id)::int as n from person p
       left join trip_mate m on m.person_id = p.id
       join trip t on (t.captain_id = p.id or t.id = m.trip_id) and t.status in ('planned', 'under way') and t.ends_at > $1
     group by p.id`,
    [new Date(nowMs)],
  );
  return people.map(({ id, name, email, role, active }) => ({
    id,
    name,
    email,
    role,
    active,
    tripsAhead: ahead.find((a) => a.id === id)?.n ?? 0,
    asksForCode: asked.some((a) => a.personId === id),
  }));
}

import { type EntityManager, In, IsNull, MoreThan, Not } from 'typeorm';
import { PersonEntity } from '../db/entities/people';
import { SecondFactorEntity } from '../db/entities/waysIn';
import { DownForEntity } from '../db/entities/views';

/** Everybody of an outfit, those who left too, with the trips that lie ahead. */
export async function peopleOf(entities: EntityManager, nowMs: number) {
  const people = await entities.find(PersonEntity, { order: { active: 'DESC', name: 'ASC' } });
  const asked = await entities.findBy(SecondFactorEntity, { onSince: Not(IsNull()) });
  const ahead = await entities.findBy(DownForEntity, { status: In(['planned', 'under way']), endsAt: MoreThan(new Date(nowMs)) });
  return people.map(({ id, name, email, role, active }) => ({
    id,
    name,
    email,
    role,
    active,
    tripsAhead: ahead.filter((a) => a.personId === id).length,
    asksForCode: asked.some((a) => a.personId === id),
  }));
}

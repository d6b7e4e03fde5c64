import { type EntityManager, In } from 'typeorm';
import { PersonEntity } from '../db/entities/people';
import { DownForEntity } from '../db/entities/views';
import { tripsOn } from '../trips/tripsOn';

/** Who goes out on a date, and whether they want its brief by mail. */
export async function goingOut(entities: EntityManager, date: string, zone: string): Promise<{ id: string; byMail: boolean }[]> {
  const trips = await tripsOn(entities, date, zone);
  const down = await entities.findBy(DownForEntity, { tripId: In(trips.map((t) => t.id)) });
  const people = await entities.findBy(PersonEntity, { id: In(down.map((d) => d.personId)), active: true });
  return people.map((p) => ({ id: p.id, byMail: p.settings.mail?.brief ?? false }));
}

import { type EntityManager, In, MoreThanOrEqual } from 'typeorm';
import { PersonEntity } from '../db/entities/people';
import { BriefEntity, BriefReadEntity } from '../db/entities/brief';
import { DownForEntity } from '../db/entities/views';
import { tripsOn, zoneOf } from '../trips/tripsOn';

/** Of a date's brief that is out: by trip, those who go out on it and have not read it since it last went out. */
export async function unreadBriefs(entities: EntityManager, date: string): Promise<{ tripId: string; people: string[] }[]> {
  const brief = await entities.findOne(BriefEntity, { select: { id: true, outfitId: true, publishedAt: true }, where: { date } });
  if (!brief) return [];
  const trips = await tripsOn(entities, date, await zoneOf(entities, brief.outfitId));
  const down = await entities.findBy(DownForEntity, { tripId: In(trips.map((t) => t.id)), status: 'planned' });
  const read = await entities.findBy(BriefReadEntity, { briefId: brief.id, readAt: MoreThanOrEqual(brief.publishedAt) });
  const people = await entities.find(PersonEntity, { where: { active: true }, order: { name: 'ASC' } });
  const waiting = people.filter((p) => !read.some((r) => r.personId === p.id));
  return trips
    .map((t) => ({
      tripId: t.id,
      people: waiting.filter((p) => down.some((d) => d.tripId === t.id && d.personId === p.id)).map((p) => p.name),
    }))
    .filter((t) => t.people.length > 0);
}

// What went in at spots: for the ranking, and for the wall what is to go in.
import { DAY } from '@bluffwind/core/units/time';
import { And, Any, Between, type EntityManager, In, IsNull, LessThan, MoreThan } from 'typeorm';
import { FeedingEntity, SpotEntity } from '../db/entities/grounds';

/** Feeds of the last seasons: stops of then learn from them what feeding is worth. */
const FED_DAYS = 1500;
/** One that was planned and not done is asked after for so long. */
const ASKED_DAYS = 3;

/** Feeds of a water's spots that were done before an instant, oldest first. */
export async function loadFeeds(entities: EntityManager, waterId: string, beforeMs: number): Promise<{ at: number; spot: string }[]> {
  const spots = await entities.find(SpotEntity, { select: { id: true }, where: { waterId } });
  const feeds = await entities.find(FeedingEntity, {
    where: {
      spotId: Any(spots.map((s) => s.id)),
      done: true,
      removedAt: IsNull(),
      at: And(MoreThan(new Date(beforeMs - FED_DAYS * DAY)), LessThan(new Date(beforeMs))),
    },
    order: { at: 'ASC' },
  });
  return feeds.map((f) => ({ at: f.at.getTime(), spot: f.spotId }));
}

/** Feeds that are due within a day, or were and are not done. Captains' spots are nothing for mates. */
export async function feedsDue(
  entities: EntityManager,
  nowMs: number,
  role: string,
): Promise<{ spot: string; at: Date; kg: number; what: string }[]> {
  const feeds = await entities.find(FeedingEntity, {
    where: { done: false, removedAt: IsNull(), at: Between(new Date(nowMs - ASKED_DAYS * DAY), new Date(nowMs + DAY)) },
    order: { at: 'ASC' },
  });
  const spots = await entities.findBy(SpotEntity, {
    id: In(feeds.map((f) => f.spotId)),
    ...(role === 'mate' ? { privacy: 'crew' } : {}),
  });
  return feeds.flatMap(({ spotId, at, kg, what }) => {
    const spot = spots.find((s) => s.id === spotId);
    return spot ? [{ spot: spot.name, at, kg, what }] : [];
  });
}

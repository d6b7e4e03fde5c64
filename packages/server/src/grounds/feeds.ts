// What went in at spots: for the ranking, and for the wall what is to go in.
import { DAY } from '@bluffwind/core/units/time';
import type { EntityManager } from 'typeorm';

/** Feeds of the last seasons: stops of then learn from them what feeding is worth. */
const FED_DAYS = 1500;
/** One that was planned and not done is asked after for so long. */
const ASKED_DAYS = 3;

/** Feeds of a water's spots that were done before an instant, oldest first. */
export async function loadFeeds(entities: EntityManager, waterId: string, beforeMs: number): Promise<{ at: number; spot: string }[]> {
  const rows: { at: Date; spot: string }[] = await entities.query(
    `select f.at, f.spot_id as spot from feeding f join spot sp on sp.id = f.spot_id
     where sp.water_id = $1 and f.done and f.removed_at is null and f.at < $2 and f.at > $3 order by f.at`,
    [waterId, new Date(beforeMs), new Date(beforeMs - FED_DAYS * DAY)],
  );
  return rows.map((r) => ({ at: r.at.getTime(), spot: r.spot }));
}

/** Feeds that are due within a day, or were and are not done. Captains' spots are nothing for mates. */
export async function feedsDue(
  entities: EntityManager,
  nowMs: number,
  role: string,
): Promise<{ spot: string; at: Date; kg: number; what: string }[]> {
  return entities.query(
    `select sp.name as spot, f.at, f.kg, f.what from feeding f join spot sp on sp.id = f.spot_id
     where not f.done and f.removed_at is null and f.at between $1 and $2 and (sp.privacy = 'crew' or $3) order by f.at`,
    [new Date(nowMs - ASKED_DAYS * DAY), new Date(nowMs + DAY), role !== 'mate'],
  );
}

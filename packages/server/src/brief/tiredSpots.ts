import { addDays, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import { And, type EntityManager, IsNull, LessThan, MoreThanOrEqual } from 'typeorm';
import type { SpotRow } from '../db/entities/grounds';
import { StopEntity } from '../db/entities/log';

/** A spot tires that is fished on so many of the last days (common practice). */
const DAYS = 5;
const TIRED_DAYS = 4;

/** Spots that were fished on four or more of five local days, the most fished first. @param dayStart - When the last of them begins, ms. */
export async function tiredSpots(
  entities: EntityManager,
  spots: readonly Pick<SpotRow, 'id' | 'name'>[],
  dayStart: number,
  zone: string,
): Promise<{ spotId: string; words: string }[]> {
  // By the calendar: a day on which the clocks change has another length.
  const last = localDate(dayStart, zone);
  const [from, to] = [startOfLocalDay(addDays(last, 1 - DAYS), zone), startOfLocalDay(addDays(last, 1), zone)];
  const stops = await entities.findBy(StopEntity, {
    startedAt: And(MoreThanOrEqual(new Date(from)), LessThan(new Date(to))),
    deletedAt: IsNull(),
  });
  const days = new Map<string, Set<string>>();
  for (const { spotId, startedAt } of stops) days.set(spotId, (days.get(spotId) ?? new Set()).add(localDate(startedAt.getTime(), zone)));
  return spots
    .map((s) => ({ spotId: s.id, name: s.name, days: days.get(s.id)?.size ?? 0 }))
    .filter((s) => s.days >= TIRED_DAYS)
    .sort((a, b) => b.days - a.days || a.name.localeCompare(b.name))
    .map(({ spotId, name, days }) => ({ spotId, words: `${name}: fished ${days} days of ${DAYS}` }));
}

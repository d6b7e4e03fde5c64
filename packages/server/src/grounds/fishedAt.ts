import { And, type EntityManager, LessThan, MoreThanOrEqual } from 'typeorm';
import { FishedEntity } from '../db/entities/views';

/** Fish and rod-hours of a spot in a span. */
export async function fishedAt(
  entities: EntityManager,
  spotId: string,
  fromMs: number,
  toMs: number,
): Promise<{ fish: number; rodHours: number }> {
  const sums = await entities
    .createQueryBuilder(FishedEntity, 'f')
    .select('coalesce(sum(f.fish), 0)::int', 'fish')
    .addSelect('coalesce(sum(f.rodHours), 0)', 'rodHours')
    .where({ spotId, startedAt: And(MoreThanOrEqual(new Date(fromMs)), LessThan(new Date(toMs))) })
    .getRawOne<{ fish: number; rodHours: number }>();
  return sums ?? { fish: 0, rodHours: 0 };
}

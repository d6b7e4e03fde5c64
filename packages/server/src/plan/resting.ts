import { DAY } from '@bluffwind/core/units/time';
import { type EntityManager, MoreThan } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';

/** Spots of a water that are still left alone at an instant: until when, by id. Counted from the last stop before it. */
export async function restingSpots(entities: EntityManager, waterId: string, atMs: number): Promise<Map<string, number>> {
  const rested = await entities
    .createQueryBuilder(SpotEntity, 'sp')
    .innerJoin('stop', 'st', 'st.spotId = sp.id and st.deletedAt is null and st.startedAt < :at', { at: new Date(atMs) })
    .select('sp.id', 'id')
    .addSelect('sp.restDays', 'restDays')
    .addSelect('max(st.startedAt)', 'last')
    .where({ waterId, restDays: MoreThan(0) })
    .groupBy('sp.id')
    .getRawMany<{ id: string; restDays: number; last: Date }>();
  return new Map(rested.map((r) => [r.id, r.last.getTime() + r.restDays * DAY] as const).filter(([, until]) => until > atMs));
}

import { type EntityManager, type EntitySchema, type FindOptionsWhere, IsNull } from 'typeorm';
import type { QueryDeepPartialEntity } from 'typeorm/query-builder/QueryPartialEntity.js';
import { DisturbanceEntity, type DisturbanceRow } from '../db/entities/day';
import { SetEntity, type SetRow, StopEntity, type StopRow } from '../db/entities/log';

/** Ends sets that still fish: at an instant, or where they began if that is later. */
export const endSets = (entities: EntityManager, where: FindOptionsWhere<SetRow>, at: Date) =>
  endAt(entities, SetEntity, { ends: 'endedAt', began: 'started_at' }, where, at);

/** The same for stops. */
export const endStops = (entities: EntityManager, where: FindOptionsWhere<StopRow>, at: Date) =>
  endAt(entities, StopEntity, { ends: 'endedAt', began: 'started_at' }, where, at);

/** The same for times without lines. */
export const endOuts = (entities: EntityManager, where: FindOptionsWhere<DisturbanceRow>, at: Date) =>
  endAt(entities, DisturbanceEntity, { ends: 'toAt', began: 'from_at' }, where, at);

async function endAt<T extends object>(
  entities: EntityManager,
  entity: EntitySchema<T>,
  { ends, began }: { ends: keyof T & string; began: string },
  where: FindOptionsWhere<T>,
  at: Date,
): Promise<void> {
  await entities
    .createQueryBuilder()
    .update(entity)
    .set({ [ends]: () => `greatest(:at, ${began})` } as QueryDeepPartialEntity<T>)
    .where({ ...where, [ends]: IsNull() })
    .setParameter('at', at)
    .execute();
}

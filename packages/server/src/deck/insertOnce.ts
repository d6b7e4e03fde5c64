import type { EntityManager, EntitySchema, FindOptionsWhere } from 'typeorm';
import type { QueryDeepPartialEntity } from 'typeorm/query-builder/QueryPartialEntity.js';
import { Problem } from '../errors';

/**
 * Inserts a row unless its key is there already, which another try of the same entry may have put there a moment ago.
 * @returns Whether it was new. Throws Problem when the key belongs to something else.
 */
export async function insertOnce<T extends { id: string }>(
  entities: EntityManager,
  entity: EntitySchema<T>,
  row: Partial<T> & { id: string },
  isSame: (known: T) => boolean,
): Promise<boolean> {
  const made = await entities
    .createQueryBuilder()
    .insert()
    .into(entity)
    .values(row as QueryDeepPartialEntity<T>)
    .orIgnore()
    .returning('id')
    .execute();
  if (made.raw.length > 0) return true;
  const known = await entities.findOneBy(entity, { id: row.id } as FindOptionsWhere<T>);
  if (known && isSame(known)) return false;
  throw otherKey();
}

/** A key that was used for something else before. */
export const otherKey = () =>
  new Problem('conflict', 'Another entry of the log has this key and says something else. Log it again: the phone makes a new key.');

import { Any, type EntityManager, type EntitySchema, type FindOptionsSelect, type FindOptionsWhere } from 'typeorm';

/** Names of rows by their keys; a row that is not there, or not for who asks, has none. */
export async function namesOf<T extends { id: string; name: string }>(
  entities: EntityManager,
  entity: EntitySchema<T>,
  ids: Iterable<string>,
): Promise<ReadonlyMap<string, string>> {
  const wanted = [...new Set(ids)];
  if (wanted.length === 0) return new Map();
  const rows = await entities.find(entity, {
    select: { id: true, name: true } as FindOptionsSelect<T>,
    where: { id: Any(wanted) } as FindOptionsWhere<T>,
  });
  return new Map(rows.map((r) => [r.id, r.name]));
}

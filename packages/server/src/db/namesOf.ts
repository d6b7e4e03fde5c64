import { Any, type EntityManager, type EntitySchema, type FindOptionsSelect, type FindOptionsWhere } from 'typeorm';

/** Names of rows that others point to, by their keys; a row that is not there, or not for who asks, has none. */
export async function namesOf<T extends { id: string; name: string }, R>(
  entities: EntityManager,
  entity: EntitySchema<T>,
  rows: readonly R[],
  keyOf: (row: R) => string | null,
): Promise<ReadonlyMap<string, string>> {
  const ids = [...new Set(rows.flatMap((r) => keyOf(r) ?? []))];
  if (ids.length === 0) return new Map();
  const named = await entities.find(entity, {
    select: { id: true, name: true } as FindOptionsSelect<T>,
    where: { id: Any(ids) } as FindOptionsWhere<T>,
  });
  return new Map(named.map((r) => [r.id, r.name]));
}

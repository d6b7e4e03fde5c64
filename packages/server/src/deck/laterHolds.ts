import type { EntityManager, EntitySchema } from 'typeorm';
import type { QueryDeepPartialEntity } from 'typeorm/query-builder/QueryPartialEntity.js';

/** Keeps what a phone says of something that has one row, unless a later word of it is known: the later holds, whenever it is sent. */
export async function laterHolds<T extends { outfitId: string; at: Date; by: string }>(
  entities: EntityManager,
  entity: EntitySchema<T>,
  row: T,
  key: readonly (keyof T & string)[],
): Promise<void> {
  const { columns, tableName } = entities.connection.getMetadata(entity);
  const column = (property: string) => columns.find((c) => c.propertyName === property)?.databaseName ?? property;
  const said = Object.keys(row).filter((p) => p !== 'outfitId' && !key.includes(p as keyof T & string));
  await entities
    .createQueryBuilder()
    .insert()
    .into(entity)
    .values(row as QueryDeepPartialEntity<T>)
    .orUpdate(said.map(column), key.map(column), {
      overwriteCondition: { where: `"${tableName}"."at" <= :later`, parameters: { later: row.at } },
    })
    .execute();
}

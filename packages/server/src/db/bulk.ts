import type { EntityManager } from 'typeorm';

const CHUNK = 20_000;

/**
 * Inserts many rows by arrays, one parameter a column (COPY is refused under row-level security).
 * @param columns - Column name to [SQL type, values]; all of one length. @param conflict - SQL after "on conflict".
 * @returns Rows inserted.
 */
export async function bulkInsert(
  entities: EntityManager,
  table: string,
  columns: Readonly<Record<string, readonly [type: string, values: readonly unknown[]]>>,
  conflict = '',
): Promise<number> {
  const names = Object.keys(columns);
  const length = Object.values(columns)[0]?.[1].length ?? 0;
  let inserted = 0;
  for (let from = 0; from < length; from += CHUNK) {
    const arrays = Object.values(columns).map(([, values]) => values.slice(from, from + CHUNK));
    const list = Object.values(columns).map(([type], i) => `$${i + 1}::${type}[]`);
    const rows: unknown[] = await entities.query(
      `insert into ${table} (${names.join(', ')}) select * from unnest(${list.join(', ')}) ${conflict ? `on conflict ${conflict}` : ''} returning 1`,
      arrays,
    );
    inserted += rows.length;
  }
  return inserted;
}

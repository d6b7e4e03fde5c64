// A row goes with all that hangs on it, in the order that the database's own references ask for: a table that comes later is not forgotten.
import type { EntityManager } from 'typeorm';

interface Reference {
  readonly child: string;
  readonly parent: string;
  readonly columns: readonly string[];
  readonly points: readonly string[];
}

/** Which table refers to which, by the database's own word. */
async function references(entities: EntityManager): Promise<Reference[]> {
  return entities.query(
    `select c.conrelid::regclass::text as child, c.confrelid::regclass::text as parent,
       array(select quote_ident(a.attname) from unnest(c.conkey) with ordinality k (n, i)
             join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.n order by k.i)::text[] as columns,
       array(select quote_ident(a.attname) from unnest(c.confkey) with ordinality k (n, i)
             join pg_attribute a on a.attrelid = c.confrelid and a.attnum = k.n order by k.i)::text[] as points
     from pg_constraint c where c.contype = 'f' and c.conparentid = 0 and c.connamespace = current_schema()::regnamespace`,
  );
}

/**
 * Deletes a row and every row that refers to it, however far off.
 * @param table - As SQL writes it, such as water or "catch".
 * @returns How many rows of each table went.
 */
export async function removeWhole(entities: EntityManager, table: string, id: string): Promise<Record<string, number>> {
  const all = await references(entities);
  const gone: Record<string, number> = {};
  const remove = async (from: string, where: string, above: readonly string[]): Promise<void> => {
    for (const r of all) {
      // A table that refers to itself, or back up, does so within what goes anyway: such references are emptied, not followed.
      if (r.parent !== from || r.child === from || above.includes(r.child)) continue;
      await remove(r.child, `(${r.columns.join(', ')}) in (select ${r.points.join(', ')} from ${from} where ${where})`, [...above, from]);
    }
    const [, count] = (await entities.query(`delete from ${from} where ${where}`, [id])) as [unknown, number];
    gone[from] = (gone[from] ?? 0) + count;
  };
  await remove(table, 'id = $1', []);
  return gone;
}

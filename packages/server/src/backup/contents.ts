// What a database holds, told so that two of them can be compared: rows of each table, and a sum over their contents.
import type pg from 'pg';

/** A table of the database. */
export interface TableContents {
  readonly name: string;
  readonly rows: number;
  /** Sum of a digest of every row's text; the order of the rows does not matter. */
  readonly sum: string;
}

// Texts of rows are the same in every database only when these are.
const SETTINGS = `set local timezone = 'UTC'; set local datestyle = 'ISO, MDY'; set local intervalstyle = 'postgres';
  set local extra_float_digits = 1; set local bytea_output = 'hex'; set local row_security = off`;

/**
 * Counts and sums every table that is not PostgreSQL's own, as the open transaction sees it.
 * @throws an error of the database where row-level security would hide rows from this role.
 */
export async function contentsOf(client: pg.Client): Promise<TableContents[]> {
  await client.query(SETTINGS);
  const { rows: tables } = await client.query<{ name: string }>(
    `select format('%I.%I', n.nspname, c.relname) as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
     where c.relkind = 'r' and n.nspname !~ '^pg_(catalog|toast|temp)|^information_schema$' order by 1`,
  );
  const contents: TableContents[] = [];
  for (const { name } of tables) {
    const { rows } = await client.query<{ rows: number; sum: string }>(
      `select count(*)::int as rows, coalesce(sum(('x' || left(md5(t::text), 15))::bit(60)::bigint), 0)::text as sum from ${name} t`,
    );
    contents.push({ name, rows: rows[0]?.rows ?? 0, sum: rows[0]?.sum ?? '0' });
  }
  return contents;
}

/** What differs between the contents that should be there and those that are, one sentence a table. */
export function differences(wanted: readonly TableContents[], found: readonly TableContents[]): string[] {
  const names = [...new Set([...wanted, ...found].map((t) => t.name))].sort();
  return names.flatMap((name) => {
    const [w, f] = [wanted.find((t) => t.name === name), found.find((t) => t.name === name)];
    if (!w) return [`${name}: not in the backup`];
    if (!f) return [`${name}: missing`];
    if (w.rows !== f.rows) return [`${name}: ${f.rows} rows, the backup has ${w.rows}`];
    return w.sum === f.sum ? [] : [`${name}: ${f.rows} rows as in the backup, but something in them differs`];
  });
}

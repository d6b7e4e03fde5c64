// One outfit as open JSON: every table's rows as they stand, for whoever wants to read, move or keep them without this program.
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import { readFile, rename } from 'node:fs/promises';
import pg from 'pg';
import { z } from 'zod';
import { hashPassword } from '../auth/session';

const FORMAT = 'bluffwind-outfit-1';
/** Rows that are read or written at once. */
const CHUNK = 2000;
/**
 * What belongs to this server and not to the outfit: sessions, devices, ways in, answers kept until something changes. Photos and pictures
 * are too much for one text; they are in the copy of the whole database.
 */
const LEFT_OUT = [
  'session',
  'known_device',
  'invitation',
  'calendar_address',
  'second_factor',
  'recovery_code',
  'passkey',
  'push_device',
  'program_key',
  'brief_kept',
  'outfit_version',
  'photo',
  'water_picture',
];
/** The table whose rows refer to each other by numbers that it gives; they are an outfit's own and are kept. */
const NUMBERED = 'reading';

const fileSchema = z.object({
  format: z.literal(FORMAT),
  madeAt: z.iso.datetime(),
  migrations: z.array(z.string()),
  outfit: z.object({ id: z.uuid(), name: z.string() }),
  tables: z.record(z.string(), z.array(z.record(z.string(), z.unknown()))),
});

export interface OutfitFileReport {
  readonly outfit: string;
  readonly rows: number;
}

/**
 * Writes an outfit, found by its name or id, into a file, as it stands at one instant. Passwords stay out.
 * @param url - A role that may read; row-level security lets it see this outfit alone.
 * @throws Error when there is no such outfit, with the names of those that are.
 */
export async function writeOutfit(url: string, wanted: string, file: string, nowMs: number): Promise<OutfitFileReport> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    await client.query('begin isolation level repeatable read read only');
    const outfit = await outfitOf(client, wanted);
    const { rows: migrations } = await client.query<{ name: string }>('select name from migrations order by id');
    const out = createWriteStream(`${file}.part`);
    const write = async (text: string) => {
      if (!out.write(text)) await once(out, 'drain');
    };
    const head = { format: FORMAT, madeAt: new Date(nowMs).toISOString(), migrations: migrations.map((m) => m.name), outfit };
    await write(`${JSON.stringify(head, null, 1).slice(0, -2)},\n "tables": {`);
    let [count, first] = [0, true];
    for (const table of await tablesOf(client)) {
      await write(`${first ? '' : ','}\n  ${JSON.stringify(table)}: [`);
      first = false;
      await client.query(`declare rows no scroll cursor for select to_jsonb(t) - $1::text[] as row from ${quoted(table)} t`, [
        table === 'person' ? ['password_hash'] : [],
      ]);
      for (let n = 0; ; n += CHUNK) {
        const { rows } = await client.query<{ row: object }>(`fetch ${CHUNK} from rows`);
        if (rows.length === 0) break;
        await write(`${n > 0 ? ',' : ''}\n   ${rows.map((r) => JSON.stringify(r.row)).join(',\n   ')}`);
        count += rows.length;
      }
      await client.query('close rows');
      await write(']');
    }
    await write('\n }\n}\n');
    out.end();
    await once(out, 'close');
    await rename(`${file}.part`, file);
    return { outfit: outfit.name, rows: count };
  } finally {
    await client.end();
  }
}

/**
 * Puts an outfit out of such a file into a database that does not have it: all of it or nothing. Its people set new passwords.
 * @param ownerUrl - The owner of the tables.
 * @throws Error that says what in the file, or in the database, stands against it.
 */
export async function readOutfit(ownerUrl: string, file: string): Promise<OutfitFileReport> {
  const { outfit, tables, migrations } = await parsed(file);
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('begin');
    const { rows: here } = await client.query<{ name: string }>('select name from migrations order by id');
    const lacks = migrations.filter((m) => !here.some((h) => h.name === m));
    const more = here.filter((h) => !migrations.includes(h.name));
    if (lacks.length + more.length > 0)
      throw new Error(
        `${file} was written by another version (${[...lacks, ...more.map((m) => m.name)].join(', ')}). Load it with that version, upgrade there, and write it again.`,
      );
    await client.query("select set_config('app.outfit', $1, true)", [outfit.id]);
    const { rows: there } = await client.query('select 1 from outfit where id = $1', [outfit.id]);
    if (there.length > 0) throw new Error(`${outfit.name} is in this database already.`);
    const order = await tablesOf(client);
    const unknown = Object.keys(tables).find((t) => !order.includes(t));
    if (unknown !== undefined) throw new Error(`${file}: there is no table ${unknown}.`);
    const nobodyKnows = await hashPassword(randomBytes(24).toString('hex'));
    await client.query('set constraints all deferred');
    let count = 0;
    for (const table of order) {
      const { rows: columns } = await client.query<{ name: string }>(
        `select attname as name from pg_attribute where attrelid = $1::regclass and attnum > 0 and not attisdropped and (attidentity = '' or $2)`,
        [quoted(table), table === NUMBERED],
      );
      const rows = (tables[table] ?? []).map((row) => (table === 'person' ? { ...row, password_hash: nobodyKnows } : row));
      const foreign = rows.findIndex((r) => (table === 'outfit' ? r.id : r.outfit_id) !== outfit.id);
      if (foreign >= 0) throw new Error(`${file}: row ${foreign + 1} of ${table} belongs to another outfit.`);
      const names = columns.map((c) => quoted(c.name)).join(', ');
      for (let i = 0; i < rows.length; i += CHUNK) {
        try {
          await client.query(
            `insert into ${quoted(table)} (${names}) overriding system value select ${names} from json_populate_recordset(null::${quoted(table)}, $1)`,
            [JSON.stringify(rows.slice(i, i + CHUNK))],
          );
        } catch (error) {
          throw new Error(`${file}: rows ${i + 1} to ${i + CHUNK} of ${table} cannot be stored: ${(error as Error).message}`);
        }
      }
      count += rows.length;
    }
    await client.query(
      `select setval(pg_get_serial_sequence('${NUMBERED}', 'id'), greatest(nextval(pg_get_serial_sequence('${NUMBERED}', 'id')), (select max(id) + 1 from ${NUMBERED})))`,
    );
    await client.query('commit');
    return { outfit: outfit.name, rows: count };
  } finally {
    await client.end();
  }
}

async function parsed(file: string): Promise<z.infer<typeof fileSchema>> {
  const text = await readFile(file, 'utf8').catch(() => {
    throw new Error(`${file} cannot be read.`);
  });
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new Error(`${file} is not JSON, or it is cut off.`);
  }
  const checked = fileSchema.safeParse(json);
  if (!checked.success)
    throw new Error(`${file} is not usable at ${checked.error.issues[0]?.path.join('.')}: ${checked.error.issues[0]?.message}`);
  return checked.data;
}

/** Finds an outfit by name or id and binds the transaction to it. */
async function outfitOf(client: pg.Client, wanted: string): Promise<{ id: string; name: string }> {
  const { rows: ids } = await client.query<{ id: string }>('select id from outfit_ids()');
  const names: string[] = [];
  for (const { id } of ids) {
    await client.query("select set_config('app.outfit', $1, true)", [id]);
    const { rows } = await client.query<{ id: string; name: string }>('select id, name from outfit where id = $1', [id]);
    const [outfit] = rows;
    if (outfit && (outfit.id === wanted || outfit.name.toLowerCase() === wanted.toLowerCase())) return outfit;
    if (outfit) names.push(outfit.name);
  }
  throw new Error(`There is no outfit "${wanted}"; there are ${names.join(', ') || 'none'}.`);
}

/** The outfit's tables, each after those that it refers to. */
async function tablesOf(client: pg.Client): Promise<string[]> {
  const { rows: tables } = await client.query<{ name: string; needs: string[] }>(
    `select c.relname as name, array(
       select distinct r.relname::text from pg_constraint k join pg_class r on r.oid = k.confrelid where k.conrelid = c.oid and not r.relispartition and r.oid <> c.oid) as needs
     from pg_class c join pg_namespace n on n.oid = c.relnamespace
     where n.nspname = current_schema() and c.relkind in ('r', 'p') and not c.relispartition and (c.relname = 'outfit' or exists (
       select from pg_attribute a where a.attrelid = c.oid and a.attname = 'outfit_id' and not a.attisdropped)) order by 1`,
  );
  const left = tables.filter((t) => !LEFT_OUT.includes(t.name));
  const order: string[] = [];
  while (left.length > 0) {
    const next = left.findIndex((t) => t.needs.every((n) => order.includes(n)));
    if (next < 0) throw new Error(`The tables ${left.map((t) => t.name).join(', ')} refer to each other in a circle.`);
    order.push(...left.splice(next, 1).map((t) => t.name));
  }
  return order;
}

const quoted = (name: string) => `"${name.replaceAll('"', '""')}"`;

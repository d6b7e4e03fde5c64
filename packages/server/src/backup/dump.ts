// A whole database in a folder: a dump in PostgreSQL's custom format, and beside it what it holds, so that a copy can be checked.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { access, mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import { z } from 'zod';
import { contentsOf, differences } from './contents';

const DUMP = 'database.dump';
const MANIFEST = 'manifest.json';

const manifestSchema = z.object({
  format: z.literal('bluffwind-backup-1'),
  madeAt: z.iso.datetime(),
  /** Version of PostgreSQL that wrote it: restore into this one or a later one. */
  postgres: z.string(),
  migrations: z.array(z.string()),
  /** Roles that own or may use something in it. */
  roles: z.array(z.string()),
  dumpSha256: z.string().regex(/^[0-9a-f]{64}$/),
  tables: z.array(z.object({ name: z.string(), rows: z.int().min(0), sum: z.string().regex(/^\d+$/) })),
});
export type Manifest = z.infer<typeof manifestSchema>;

/** Where pg_dump and pg_restore are: a folder, or '' for the PATH. */
export interface Tools {
  readonly bin: string;
}

/**
 * Writes the database as it stands at one instant into a folder; nobody has to stop working meanwhile.
 * @param adminUrl - A role that row-level security does not bind.
 * @throws Error when the folder holds a backup already, the role may not see every row, or pg_dump fails.
 */
export async function backUp(adminUrl: string, folder: string, nowMs: number, { bin }: Tools): Promise<Manifest> {
  await mkdir(folder, { recursive: true });
  if (await exists(path.join(folder, MANIFEST))) throw new Error(`${folder} holds a backup already; choose another folder.`);
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  try {
    await client.query('begin isolation level repeatable read read only');
    await requireUnbound(client);
    const { rows: taken } = await client.query('select pg_export_snapshot() as snapshot, current_setting($1) as postgres', [
      'server_version',
    ]);
    const file = path.join(folder, DUMP);
    // Under another name until it is whole.
    await tool(bin, 'pg_dump', adminUrl, ['-Fc', `--snapshot=${taken[0].snapshot}`, '-f', `${file}.part`]);
    const tables = await contentsOf(client);
    const { rows: migrations } = await client.query<{ name: string }>('select name from public.migrations order by id');
    const { rows: roles } = await client.query<{ name: string }>(ROLES);
    const manifest: Manifest = {
      format: 'bluffwind-backup-1',
      madeAt: new Date(nowMs).toISOString(),
      postgres: taken[0].postgres,
      migrations: migrations.map((m) => m.name),
      roles: roles.map((r) => r.name),
      dumpSha256: await sha256(`${file}.part`),
      tables,
    };
    await rename(`${file}.part`, file);
    await writeFile(path.join(folder, MANIFEST), `${JSON.stringify(manifest, null, 1)}\n`);
    return manifest;
  } finally {
    await client.end();
  }
}

/**
 * Puts a backup into an empty database, all of it or nothing, and compares every table with what was backed up.
 * @throws Error that says what is wrong with the backup, the database or the copy.
 */
export async function restore(adminUrl: string, folder: string, { bin }: Tools): Promise<Manifest> {
  const manifest = await readManifest(folder);
  const file = path.join(folder, DUMP);
  if ((await sha256(file)) !== manifest.dumpSha256)
    throw new Error(`${file} is not the file that was backed up: its digest differs from the manifest's. Take another copy.`);
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  try {
    const { rows: there } = await client.query(
      `select count(*)::int as tables from pg_class c join pg_namespace n on n.oid = c.relnamespace
       where c.relkind = 'r' and n.nspname !~ '^pg_|^information_schema$'`,
    );
    if (there[0].tables > 0) throw new Error(`The database has ${there[0].tables} tables already; a backup goes into an empty one only.`);
    const { rows: known } = await client.query<{ name: string }>('select rolname as name from pg_roles');
    const missing = manifest.roles.filter((r) => !known.some((k) => k.name === r));
    if (missing.length > 0)
      throw new Error(
        `The database server lacks roles of the backup. Make them first:\n${missing.map((r) => `  create role "${r.replaceAll('"', '""')}" nologin;`).join('\n')}`,
      );
    await tool(bin, 'pg_restore', adminUrl, ['--single-transaction', '--exit-on-error', '-d', client.database ?? '', file]);
    await client.query('begin isolation level repeatable read read only');
    const faults = differences(manifest.tables, await contentsOf(client));
    if (faults.length > 0) throw new Error(`The copy differs from what was backed up:\n  ${faults.join('\n  ')}`);
    return manifest;
  } finally {
    await client.end();
  }
}

/** The description of a backup. @throws Error when there is none, or it is not one. */
export async function readManifest(folder: string): Promise<Manifest> {
  const file = path.join(folder, MANIFEST);
  const text = await readFile(file, 'utf8').catch(() => null);
  if (text === null) throw new Error(`${file} is not there: ${folder} holds no backup, or one that was not finished.`);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new Error(`${file} is cut off or damaged.`);
  }
  const parsed = manifestSchema.safeParse(json);
  if (!parsed.success)
    throw new Error(`${file} is not usable at ${parsed.error.issues[0]?.path.join('.')}: ${parsed.error.issues[0]?.message}`);
  return parsed.data;
}

const ROLES = `
  select rolname as name from pg_roles where oid in (
    select relowner from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname in ('public', 'pgboss')
    union select proowner from pg_proc p join pg_namespace n on n.oid = p.pronamespace where n.nspname = 'public'
    union select unnest(polroles) from pg_policy
    union select (aclexplode(relacl)).grantee from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname in ('public', 'pgboss')
    union select nspowner from pg_namespace where nspname in ('public', 'pgboss'))
  and rolname !~ '^pg_' and not rolsuper order by 1`;

async function requireUnbound(client: pg.Client): Promise<void> {
  const { rows } = await client.query(
    'select rolname as name, rolsuper or rolbypassrls as free from pg_roles where rolname = current_user',
  );
  if (!rows[0]?.free)
    throw new Error(
      `The role ${rows[0]?.name} sees one outfit at a time. Give DATABASE_ADMIN_URL a role that row-level security does not bind (superuser or bypassrls).`,
    );
}

/** Runs one of PostgreSQL's tools; the password goes by its environment, where no list of processes shows it. */
function tool(bin: string, name: string, url: string, args: readonly string[]): Promise<void> {
  const { hostname, port, username, password, pathname } = new URL(url);
  const env = {
    PATH: process.env.PATH,
    LANG: 'C.UTF-8',
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  };
  return new Promise((resolve, reject) => {
    const child = spawn(bin === '' ? name : path.join(bin, name), args, { env, stdio: ['ignore', 'ignore', 'pipe'] });
    let said = '';
    child.stderr.on('data', (d) => {
      said += d;
    });
    child.on('error', () => reject(new Error(`${name} could not be started; it comes with PostgreSQL's client programs.`)));
    child.on('close', (code) => (code === 0 ? resolve() : reject(new Error(`${name} failed:\n${said.trim()}`))));
  });
}

async function sha256(file: string): Promise<string> {
  const digest = createHash('sha256');
  try {
    await pipeline(createReadStream(file), digest);
  } catch {
    throw new Error(`${file} cannot be read.`);
  }
  return digest.digest('hex');
}

function exists(file: string): Promise<boolean> {
  return access(file).then(
    () => true,
    () => false,
  );
}

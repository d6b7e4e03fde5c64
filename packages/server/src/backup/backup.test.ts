// Copies of a database and of an outfit: whole, compared with what was there, and refused when anything is wrong with them.
import { randomUUID } from 'node:crypto';
import { copyFile, mkdtemp, readFile, rm, truncate, writeFile } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { connect, migrate } from '../db/connect';
import { emailOf, type Harness, startHarness, testDatabase } from '../testing/harness';
import { emptyDatabase } from '../testing/emptyDatabase';
import { PASSWORD, TEST_NOW } from '../testing/smallOutfit';
import { backUp, restore } from './dump';
import { readOutfit, writeOutfit } from './outfitFile';

const tools = { bin: process.env.PG_BIN ?? '' };
let h: Harness;
let folder: string;
let backup: string;
const made: { drop(): Promise<void> }[] = [];

beforeAll(async () => {
  h = await startHarness();
  folder = await mkdtemp(path.join(os.tmpdir(), 'bluffwind-backup-'));
  backup = path.join(folder, 'whole');
  await backUp(testDatabase().adminUrl, backup, TEST_NOW, tools);
}, 60_000);
afterAll(async () => {
  for (const d of made) await d.drop();
  await rm(folder, { recursive: true, force: true });
  await h.close();
});

async function empty() {
  const d = await emptyDatabase();
  made.push(d);
  return d;
}

describe('a backup of the whole database', () => {
  it('is restored with every row, and a second restore into the same database is refused', async () => {
    const { adminUrl } = await empty();
    const manifest = await restore(adminUrl, backup, tools);
    expect(manifest.tables.find((t) => t.name === 'public.stop')?.rows).toBeGreaterThan(0);
    const client = new pg.Client({ connectionString: adminUrl });
    await client.connect();
    const ask = ['select count(*)::int as n, max(started_at) as last from stop where outfit_id = $1', [h.mine.outfit.id]] as const;
    const { rows } = await client.query(ask[0], [...ask[1]]);
    await client.end();
    expect(rows).toEqual(await h.owner.query(ask[0], [...ask[1]]));
    await expect(restore(adminUrl, backup, tools)).rejects.toThrow(/has \d+ tables already/);
  }, 60_000);
  it('is not taken by a role that sees one outfit at a time', async () => {
    await expect(backUp(testDatabase().ownerUrl, path.join(folder, 'bound'), TEST_NOW, tools)).rejects.toThrow(
      /sees one outfit at a time.*DATABASE_ADMIN_URL/,
    );
  });
  it('does not overwrite another', async () => {
    await expect(backUp(testDatabase().adminUrl, backup, TEST_NOW, tools)).rejects.toThrow(/holds a backup already/);
  });
  it('that is cut off, exchanged or unfinished is refused before anything is written', async () => {
    const { adminUrl } = await empty();
    const cut = path.join(folder, 'cut');
    await copyBackup(cut);
    await truncate(path.join(cut, 'database.dump'), 5000);
    await expect(restore(adminUrl, cut, tools)).rejects.toThrow(/is not the file that was backed up/);
    await expect(restore(adminUrl, path.join(folder, 'nothing'), tools)).rejects.toThrow(/holds no backup/);
    await writeFile(path.join(cut, 'manifest.json'), '{"format": "bluffwind-backup-1"');
    await expect(restore(adminUrl, cut, tools)).rejects.toThrow(/cut off or damaged/);
    const client = new pg.Client({ connectionString: adminUrl });
    await client.connect();
    const { rows } = await client.query(`select count(*)::int as n from pg_class where relnamespace = 'public'::regnamespace`);
    await client.end();
    expect(rows[0].n).toBe(0);
  });
  it('that does not hold what its description says is told table by table', async () => {
    const { adminUrl } = await empty();
    const other = path.join(folder, 'other');
    await copyBackup(other);
    const manifest = JSON.parse(await readFile(path.join(other, 'manifest.json'), 'utf8'));
    for (const t of manifest.tables) {
      if (t.name === 'public.stop') t.rows += 1;
      if (t.name === 'public.spot') t.sum = '1';
    }
    await writeFile(path.join(other, 'manifest.json'), JSON.stringify(manifest));
    await expect(restore(adminUrl, other, tools)).rejects.toThrow(
      /public\.spot: \d+ rows as in the backup, but something in them differs\n +public\.stop: \d+ rows, the backup has/,
    );
  }, 60_000);
  it('names the roles that the server lacks', async () => {
    const { adminUrl } = await empty();
    const other = path.join(folder, 'roles');
    await copyBackup(other);
    const manifest = JSON.parse(await readFile(path.join(other, 'manifest.json'), 'utf8'));
    manifest.roles.push('someone_else');
    await writeFile(path.join(other, 'manifest.json'), JSON.stringify(manifest));
    await expect(restore(adminUrl, other, tools)).rejects.toThrow(/create role "someone_else" nologin;/);
  });
});

describe('an outfit in a file', () => {
  const file = () => path.join(folder, 'outfit.json');
  it('moves to another database and comes out of it the same, without anybody else and without passwords', async () => {
    const { appUrl } = testDatabase();
    const captain = await h.signIn(emailOf(h.mine, 'captain'));
    const water = h.mine.waters[0]?.id;
    const read = { id: randomUUID(), variable: 'clarityM', at: new Date(TEST_NOW - 3_600_000).toISOString(), value: 2.4 };
    const { readingId } = (await captain.post(`/waters/${water}/readings`, read)).body;
    expect((await captain.post(`/readings/${readingId}/correct`, { id: randomUUID(), value: 2.1 })).status).toBe(200);
    const wrote = await writeOutfit(appUrl, h.mine.outfit.id, file(), TEST_NOW);
    const text = await readFile(file(), 'utf8');
    expect(text).not.toContain(h.other.outfit.id);
    expect(text).not.toMatch(/password_hash|argon2|token_hash/);
    expect(text).not.toContain(PASSWORD);
    const there = await empty();
    const source = await connect(there.ownerUrl);
    await migrate(source);
    await source.destroy();
    expect(await readOutfit(there.ownerUrl, file())).toEqual(wrote);
    await expect(readOutfit(there.ownerUrl, file())).rejects.toThrow(/is in this database already/);
    const again = path.join(folder, 'again.json');
    await writeOutfit(there.appUrl, h.mine.outfit.id, again, TEST_NOW);
    const [before, after] = [JSON.parse(text), JSON.parse(await readFile(again, 'utf8'))];
    for (const [table, rows] of Object.entries(before.tables)) expect(sorted(after.tables[table]), table).toEqual(sorted(rows));
    expect(before.tables.reading.filter((r: { superseded_by: unknown }) => r.superseded_by !== null)).toHaveLength(1);
    // What is read from now on takes a number of its own.
    const client = new pg.Client({ connectionString: there.adminUrl });
    await client.connect();
    const { rows } = await client.query(
      `insert into reading (outfit_id, water_id, person_id, source, variable, at, value, flag) select outfit_id, water_id, person_id, source, variable, at, value, flag
       from reading where source = 'crew' limit 1 returning id::int > (select max(id) from reading) as fresh`,
    );
    await client.end();
    expect(rows).toEqual([{ fresh: true }]);
  }, 60_000);
  it('that holds a row of another outfit, or of no table, leaves nothing', async () => {
    const there = await empty();
    const source = await connect(there.ownerUrl);
    await migrate(source);
    await source.destroy();
    const good = JSON.parse(await readFile(file(), 'utf8'));
    const bad = path.join(folder, 'bad.json');
    const tried = async (change: (o: typeof good) => void) => {
      const o = structuredClone(good);
      change(o);
      await writeFile(bad, JSON.stringify(o));
      return readOutfit(there.ownerUrl, bad);
    };
    await expect(tried((o) => (o.tables.boat[0].outfit_id = h.other.outfit.id))).rejects.toThrow(/row 1 of boat belongs to another outfit/);
    await expect(tried((o) => (o.tables.pg_authid = [{}]))).rejects.toThrow(/there is no table pg_authid/);
    await expect(tried((o) => (o.tables.boat[0].speed_mps = 'fast'))).rejects.toThrow(/of boat cannot be stored: .*fast/);
    await expect(tried((o) => o.migrations.pop())).rejects.toThrow(/written by another version/);
    await expect(tried((o) => delete o.outfit)).rejects.toThrow(/not usable at outfit/);
    await expect(writeOutfit(there.appUrl, 'Greywether', bad, TEST_NOW)).rejects.toThrow(/There is no outfit "Greywether"; there are none/);
  }, 60_000);
});

async function copyBackup(to: string): Promise<void> {
  await rm(to, { recursive: true, force: true });
  const { mkdir } = await import('node:fs/promises');
  await mkdir(to);
  for (const name of ['database.dump', 'manifest.json']) await copyFile(path.join(backup, name), path.join(to, name));
}

/** Rows in an order of their own; numbers of the record of who did what are new in another database. */
function sorted(rows: unknown): string[] {
  return (rows as Record<string, unknown>[]).map((r) => JSON.stringify('action' in r ? { ...r, id: 0 } : r)).sort();
}

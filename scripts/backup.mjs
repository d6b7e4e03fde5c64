// npm run backup -- FOLDER: the whole database with a description of what it holds, checked at once by restoring it into a cluster of its
// own (--unchecked leaves that out). npm run backup -- --outfit NAME FILE: one outfit as JSON.
// DATABASE_ADMIN_URL (DATABASE_URL for an outfit) says of which database; without it, of the one that npm start made here, else of the demo's.
import { rmSync } from 'node:fs';
import path from 'node:path';
import { run } from './children.mjs';
import { demoDatabase, ownDatabase } from './demoDatabase.mjs';
import { clusterFolder, ROOT } from './folders.mjs';
import { main, say, Stop } from './output.mjs';
import { ensurePackages } from './packages.mjs';

const server = path.join(ROOT, 'dist', 'server.mjs');

await main(async () => {
  const args = process.argv.slice(2);
  const unchecked = args.includes('--unchecked');
  const [first, ...rest] = args.filter((a) => a !== '--unchecked');
  const outfit = first === '--outfit';
  if (first === undefined || rest.length !== (outfit ? 2 : 0) || (!outfit && first.startsWith('--')))
    throw new Stop('Usage: npm run backup -- FOLDER [--unchecked], or npm run backup -- --outfit NAME FILE.json');
  await ensurePackages();
  const { ensurePostgres } = await import('./debian.mjs');
  const { buildServer } = await import('./build.mjs');
  const PG_BIN = process.env.PG_BIN ?? (await ensurePostgres());
  await buildServer();
  const given = outfit ? process.env.DATABASE_URL : process.env.DATABASE_ADMIN_URL;
  const own = given ? null : await ownDatabase();
  const here = given ? null : (own ?? (await demoDatabase()));
  try {
    if (outfit) {
      const [name, file] = rest;
      const env = { DATABASE_URL: given ?? here.appUrl };
      await run(process.execPath, [server, 'write-outfit', name, path.resolve(file)], { env });
      return;
    }
    const folder = path.resolve(first);
    say(`Writing ${given ? 'the database' : own ? "this checkout's own database" : "the demo's database"} to ${first} ...`);
    await run(process.execPath, [server, 'backup', folder], { env: { DATABASE_ADMIN_URL: given ?? here.adminUrl, PG_BIN } });
    if (!unchecked) await check(folder, PG_BIN);
  } finally {
    await here?.release();
  }
});

/** Restores into a cluster that is thrown away. */
async function check(folder, PG_BIN) {
  const { startPostgres } = await import('./postgres.mjs');
  const { readFileSync } = await import('node:fs');
  say('Checking it: restoring into a new cluster ...');
  const scratch = clusterFolder('backup-check');
  rmSync(scratch, { recursive: true, force: true });
  const db = await startPostgres(scratch, { durable: false });
  try {
    const { roles } = JSON.parse(readFileSync(path.join(folder, 'manifest.json'), 'utf8'));
    await db.emptied('bluffwind', roles);
    await run(process.execPath, [server, 'restore', folder], { env: { DATABASE_ADMIN_URL: db.adminUrl, PG_BIN } });
  } finally {
    await db.stop();
    rmSync(scratch, { recursive: true, force: true });
  }
}

import path from 'node:path';
import { run } from './children.mjs';
import { demoDatabase } from './demoDatabase.mjs';
import { clusterFolder, ROOT } from './folders.mjs';
import { main, say, Stop } from './output.mjs';
import { ensurePackages } from './packages.mjs';

const server = path.join(ROOT, 'dist', 'server.mjs');

await main(async () => {
  const args = process.argv.slice(2);
  const intoDemo = args.includes('--into-demo');
  const [first, ...rest] = args.filter((a) => a !== '--into-demo');
  const outfit = first === '--outfit';
  if (first === undefined || rest.length !== (outfit ? 1 : 0) || (!outfit && first.startsWith('--')))
    throw new Stop('Usage: npm run restore -- FOLDER [--into-demo], or npm run restore -- --outfit FILE.json');
  await ensurePackages();
  const { ensurePostgres } = await import('./debian.mjs');
  const { buildServer } = await import('./build.mjs');
  const PG_BIN = process.env.PG_BIN ?? (await ensurePostgres());
  await buildServer();
  if (outfit) {
    const given = process.env.DATABASE_OWNER_URL;
    const demo = given ? null : await demoDatabase();
    try {
      await run(process.execPath, [server, 'read-outfit', path.resolve(rest[0])], { env: { DATABASE_OWNER_URL: given ?? demo.ownerUrl } });
    } finally {
      await demo?.release();
    }
    return;
  }
  const folder = path.resolve(first);
  const given = process.env.DATABASE_ADMIN_URL;
  if (given && !intoDemo) return run(process.execPath, [server, 'restore', folder], { env: { DATABASE_ADMIN_URL: given, PG_BIN } });
  if (!intoDemo)
    throw new Stop('DATABASE_ADMIN_URL is not set. Give it for the empty database to restore into, or --into-demo to replace the demo.');
  const { existsSync, readFileSync } = await import('node:fs');
  if (!existsSync(path.join(folder, 'manifest.json'))) throw new Stop(`${first} holds no backup.`);
  const { startPostgres } = await import('./postgres.mjs');
  const { roles } = JSON.parse(readFileSync(path.join(folder, 'manifest.json'), 'utf8'));
  const db = await startPostgres(clusterFolder('demo'));
  try {
    say("Restoring beside the demo's database ...");
    // The old one goes only when the new one is whole.
    await db.emptied('bluffwind_restored', roles);
    const url = new URL(db.adminUrl);
    url.pathname = '/bluffwind_restored';
    await run(process.execPath, [server, 'restore', folder], { env: { DATABASE_ADMIN_URL: url.href, PG_BIN } });
    await db.takePlace('bluffwind_restored');
    say('It is in place; "npm run demo" starts with it.');
  } finally {
    await db.stop();
  }
});

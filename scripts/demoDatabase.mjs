import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { clusterFolder } from './folders.mjs';
import { Stop } from './output.mjs';
import { startPostgres, urlsOf } from './postgres.mjs';

/**
 * The demo's database: the one that runs, or started for as long as it is needed.
 * @returns {Promise<{ ownerUrl: string, adminUrl: string, appUrl: string, release: () => Promise<void> }>}
 */
export async function demoDatabase() {
  const folder = clusterFolder('demo');
  if (!isMade(folder)) throw new Stop('There is no demo in this checkout yet: "npm run demo" makes it.');
  return local(folder);
}

/** The database that "npm start" made in this checkout, or null where it made none. */
export async function ownDatabase() {
  const folder = clusterFolder('own');
  return isMade(folder) ? local(folder) : null;
}

const isMade = (folder) => existsSync(path.join(folder, 'made'));

async function local(folder) {
  const running = path.join(folder, 'data', 'postmaster.pid');
  if (existsSync(running)) {
    const lines = readFileSync(running, 'utf8').split('\n');
    if (existsSync(`/proc/${Number(lines[0])}`) && lines[7]?.trim() === 'ready')
      return { ...urlsOf(readFileSync(path.join(folder, 'secret'), 'utf8'), Number(lines[3])), release: async () => {} };
  }
  const db = await startPostgres(folder);
  return { ownerUrl: db.ownerUrl, adminUrl: db.adminUrl, appUrl: db.appUrl, release: () => db.stop() };
}

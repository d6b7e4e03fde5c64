import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { testDatabase } from './harness';

/** A database with nothing in it, beside the one of the tests, for what needs one of its own. */
export async function emptyDatabase(): Promise<{ adminUrl: string; ownerUrl: string; appUrl: string; drop(): Promise<void> }> {
  const name = `empty_${randomUUID().replaceAll('-', '').slice(0, 12)}`;
  const urls = testDatabase();
  const as = async (url: string, ...statements: string[]) => {
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    try {
      for (const s of statements) await client.query(s);
    } finally {
      await client.end();
    }
  };
  const there = (url: string) => Object.assign(new URL(url), { pathname: `/${name}` }).href;
  await as(urls.adminUrl, `create database ${name} owner ${new URL(urls.ownerUrl).username}`);
  return {
    adminUrl: there(urls.adminUrl),
    ownerUrl: there(urls.ownerUrl),
    appUrl: there(urls.appUrl),
    drop: () => as(urls.adminUrl, `drop database if exists ${name} with (force)`),
  };
}

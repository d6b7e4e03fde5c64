// Questions go to a copy of the database while that is up to date, and to the database itself when it is not.
import { mkdtemp, rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { DataSource } from 'typeorm';
import { createApp } from '../app';
import { backUp, restore } from '../backup/dump';
import { emptyDatabase } from '../testing/emptyDatabase';
import { emailOf, type Harness, startHarness, testDatabase } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';
import { connect } from './connect';

let h: Harness;
let copy: DataSource;
let copyAdmin: DataSource;
let there: Awaited<ReturnType<typeof emptyDatabase>>;
let ask: (to: string) => Promise<{ status: number; body: { boats: { name: string }[] } }>;

beforeAll(async () => {
  h = await startHarness();
  await h.changed();
  const folder = await mkdtemp(path.join(os.tmpdir(), 'bluffwind-copy-'));
  const tools = { bin: process.env.PG_BIN ?? '' };
  await backUp(testDatabase().adminUrl, path.join(folder, 'b'), TEST_NOW, tools);
  there = await emptyDatabase();
  await restore(there.adminUrl, path.join(folder, 'b'), tools);
  await rm(folder, { recursive: true });
  copyAdmin = await connect(there.adminUrl);
  // As a standby: nothing can be written by the way that the application comes.
  copy = await connect(`${there.appUrl}?options=-c%20default_transaction_read_only%3Don`);
  const app = createApp({ ...h.deps, copy });
  const headers = { Cookie: await h.cookieOf(emailOf(h.mine, 'owner')) };
  ask = async (to) => {
    const answer = await app.request(`/api${to}`, { headers });
    return { status: answer.status, body: await answer.json() };
  };
}, 60_000);
afterAll(async () => {
  await copy?.destroy();
  await copyAdmin?.destroy();
  await there?.drop();
  await h.close();
});

describe('a copy for questions', () => {
  const names = async () => (await ask('/outfit')).body.boats.map((b) => b.name);
  it('answers them while it has heard of every change', async () => {
    await copyAdmin.query('update boat set name = $1 where outfit_id = $2', ['Of the copy', h.mine.outfit.id]);
    expect(new Set(await names())).toEqual(new Set(['Of the copy']));
  });
  it('is passed by as soon as the outfit has changed, until it has heard of that', async () => {
    await h.changed();
    expect(await names()).toEqual(h.mine.boats.map((b) => b.name));
    await copyAdmin.query('update outfit_version set version = version + 1 where outfit_id = $1', [h.mine.outfit.id]);
    expect(new Set(await names())).toEqual(new Set(['Of the copy']));
  });
  it('is passed by when it is away', async () => {
    await there.drop();
    expect((await ask('/outfit')).status).toBe(200);
  });
});

// A database as version 0.3.0 left it, with a plan, a day on the water and a brief made by that version's own screens, brought up to
// date and used.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { DataSource } from 'typeorm';
import { createApp } from '../../app';
import { settableClock } from '../../clock';
import { readConfig } from '../../config';
import { jobsOf, openBoss, prepareQueues } from '../../jobs/boss';
import { drain } from '../../jobs/work';
import { emptyDatabase } from '../../testing/emptyDatabase';
import { connect, migrate } from '../connect';

const DUMP = new URL('./house-0.3.0.sql.gz', import.meta.url);
/** The evening of the day that is in it. */
const NOW = Date.parse('2026-06-19T20:00:00Z');
/** What 0.3.0 showed on its screens. */
const PASSWORD = 'lanyard-and-plug';

let old: Awaited<ReturnType<typeof emptyDatabase>>;
let admin: DataSource;
let source: DataSource;
let before: Record<string, number>;
const counts = async (): Promise<Record<string, number>> => {
  const found: Record<string, number> = {};
  for (const t of ['trip', 'stop', '"set"', '"catch"', 'plan', 'leg', 'brief', 'reading', 'spot', 'client', 'audit', 'person', 'survey'])
    found[t] = (await admin.query(`select count(*)::int as n from ${t}`))[0].n;
  return found;
};

beforeAll(async () => {
  old = await emptyDatabase();
  execFileSync(path.join(process.env.PG_BIN ?? '', 'psql'), ['-q', '-v', 'ON_ERROR_STOP=1', old.adminUrl], {
    input: gunzipSync(readFileSync(DUMP)),
    stdio: ['pipe', 'ignore', 'pipe'],
  });
  admin = await connect(old.adminUrl);
  before = await counts();
  const owner = await connect(old.ownerUrl);
  await migrate(owner);
  await prepareQueues(owner, old.ownerUrl, 'bluffwind_app');
  await owner.destroy();
  source = await connect(old.appUrl);
}, 120_000);
afterAll(async () => {
  await source?.destroy();
  await admin?.destroy();
  await old.drop();
});

describe('a database of version 0.3.0', () => {
  it('keeps every row', async () => {
    expect(before.stop).toBeGreaterThan(50);
    expect(before.plan).toBe(1);
    expect(await counts()).toEqual(before);
  });
  it('lets its people in with their passwords and shows them their plan, their fish and their brief', async () => {
    const clock = settableClock(NOW);
    const boss = await openBoss(old.appUrl);
    const config = readConfig({ DATABASE_URL: old.appUrl, LOG_LEVEL: 'silent' });
    const quiet = pino({ level: 'silent' });
    const deps = {
      source,
      clock,
      demoClock: null,
      config,
      log: quiet,
      jobs: jobsOf(boss),
      threads: null,
      markEveryMs: 0,
      keepsAnswers: false,
    };
    const app = createApp(deps);
    await drain(boss, deps);
    const signedIn = await app.request('/api/sign-in', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ email: 'tobias@greywether.example', password: PASSWORD }),
    });
    expect(signedIn.status).toBe(200);
    const cookie = signedIn.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const get = async (to: string) => {
      const answer = await app.request(`/api${to}`, { headers: { Cookie: cookie } });
      expect(answer.status, `${to}: ${answer.status === 200 ? '' : await answer.clone().text()}`).toBe(200);
      return answer.json();
    };
    const board = await get('/board');
    const planned = board.today.find((t: { plan: unknown }) => t.plan !== null);
    expect(planned.plan.expected).toBeGreaterThan(0);
    expect((await get(`/trips/${planned.id}/plans/1`)).legs.length).toBe(before.leg);
    const log = await get('/log');
    expect(log.total.fish).toBe(
      (
        await admin.query(
          'select count(*)::int as n from "catch" k join "set" s on s.id = k.set_id join stop t on t.id = s.stop_id join person p on p.outfit_id = t.outfit_id where p.email = $1 and k.outcome = \'landed\' and k.deleted_at is null',
          ['tobias@greywether.example'],
        )
      )[0].n,
    );
    await get(`/trips/${planned.id}/desk`);
    await get(`/deck/${planned.id}`);
    await get('/brief/2026-06-20');
    await get('/outfit');
    const [water] = (await get('/outfit')).waters;
    expect((await get(`/waters/${water.id}/spots`)).length).toBeGreaterThan(10);
    await boss.stop({ graceful: false });
  }, 60_000);
  it('gives a boat a limit of gusts, and the first-timers of its trips the usual share of its limits', async () => {
    expect(
      (await admin.query('select count(*)::int as n from boat where wind_limit_mps is not null and gust_limit_mps is null'))[0].n,
    ).toBe(0);
    expect(await admin.query('select distinct limit_share from trip')).toEqual([{ limit_share: 0.75 }]);
  });
});

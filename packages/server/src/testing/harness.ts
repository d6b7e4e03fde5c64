// A server over the test database, with outfits of its own.
import type { OutfitScenario } from '@bluffwind/contract/scenario';
import { pino } from 'pino';
import type { DataSource } from 'typeorm';
import { createApp } from '../app';
import { type SettableClock, settableClock } from '../clock';
import { readConfig } from '../config';
import { connect } from '../db/connect';
import { inOutfit } from '../db/database';
import { storeStopConditions } from '../deck/stopConditions';
import type { Deps } from '../http/context';
import { jobsOf, openBoss } from '../jobs/boss';
import { drain } from '../jobs/work';
import { outfitChanged } from '../changed';
import { loadScenario } from '../scenario/loadScenario';
import { PASSWORD, smallOutfit, TEST_NOW } from './smallOutfit';
import { inMetric } from '@bluffwind/core/units/measure';

export interface Harness {
  readonly owner: DataSource;
  readonly source: DataSource;
  readonly clock: SettableClock;
  readonly app: ReturnType<typeof createApp>;
  /** What the server was given, to start another beside it. */
  readonly deps: Deps;
  readonly mine: OutfitScenario;
  readonly other: OutfitScenario;
  /** Signs a person in and gives a client with the session. */
  signIn(email: string): Promise<Client>;
  /** The same as a header, for requests made by hand. */
  cookieOf(email: string): Promise<string>;
  /** Tells the server what a test has changed behind its back. */
  changed(): Promise<void>;
  /** Does the work that follows from what was sent. */
  jobsDone(): Promise<void>;
  close(): Promise<void>;
}

export interface Client {
  get(path: string): Promise<Answer>;
  post(path: string, body?: unknown): Promise<Answer>;
}

export interface Answer {
  readonly status: number;
  // biome-ignore lint/suspicious/noExplicitAny: tests read answers of every route
  readonly body: any;
}

/** Addresses of the database of this worker of the test runner; the test script has made one for each. */
export function testDatabase(): { adminUrl: string; ownerUrl: string; appUrl: string } {
  const adminUrl = process.env.TEST_ADMIN_URL;
  const ownerUrl = process.env.TEST_OWNER_URL;
  const appUrl = process.env.TEST_APP_URL;
  if (!adminUrl || !ownerUrl || !appUrl)
    throw new Error('The database tests need a database: run them with "npm test" or "npm test -- unit".');
  const mine = (url: string) => `${url}_${process.env.VITEST_POOL_ID}`;
  return { adminUrl: mine(adminUrl), ownerUrl: mine(ownerUrl), appUrl: mine(appUrl) };
}

export async function startHarness(): Promise<Harness> {
  const { adminUrl, appUrl } = testDatabase();
  // Sees every row, as a test must to check what is stored.
  const owner = await connect(adminUrl);
  const source = await connect(appUrl);
  const mine = smallOutfit();
  const other = smallOutfit();
  await loadScenario(
    owner,
    {
      history: [{ from: new Date(0).toISOString(), to: new Date(0).toISOString() }],
      now: new Date(TEST_NOW).toISOString(),
      outfits: [mine, other],
    },
    null,
  );
  for (const o of [mine, other]) await inOutfit(source, o.outfit.id, (e) => storeStopConditions(e, null, TEST_NOW));
  const clock = settableClock(TEST_NOW);
  const config = readConfig({ DATABASE_URL: appUrl, LOG_LEVEL: 'silent', TRUST_PROXY: 'yes' });
  // Each test file comes from an address of its own: wrong passwords of one use up nobody else's tries.
  const place = { 'X-Forwarded-For': `10.${[0, 0, 0].map(() => Math.floor(Math.random() * 256)).join('.')}` };
  const boss = await openBoss(appUrl);
  const log = pino({ level: 'silent' });
  const deps: Deps = {
    source,
    clock,
    demoClock: null,
    config,
    log,
    jobs: jobsOf(boss),
    threads: null,
    markEveryMs: 0,
    keepsAnswers: false,
  };
  const app = createApp(deps);
  // Requests that a test makes by hand come from its own address as well.
  const bare = app.request.bind(app);
  app.request = ((input: string, init: RequestInit = {}, ...more: []) => {
    const headers = new Headers(init.headers);
    for (const [name, value] of Object.entries(place)) if (!headers.has(name)) headers.set(name, value);
    return bare(input, { ...init, headers }, ...more);
  }) as typeof app.request;
  const call = async (path: string, init: RequestInit): Promise<Answer> => {
    const response = await app.request(`/api${path}`, { ...init, headers: { ...place, ...(init.headers as Record<string, string>) } });
    // As a phone does that reads in metric units.
    return { status: response.status, body: inMetric(await response.json()) };
  };
  const cookieOf = async (email: string): Promise<string> => {
    const response = await app.request('/api/sign-in', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', ...place },
      body: JSON.stringify({ email, password: PASSWORD }),
    });
    if (response.status !== 200) throw new Error(`sign-in failed: ${await response.text()}`);
    return response.headers
      .getSetCookie()
      .map((cookie) => cookie.split(';')[0])
      .join('; ');
  };
  return {
    owner,
    source,
    clock,
    app,
    deps,
    mine,
    other,
    cookieOf,
    async signIn(email) {
      const headers = { Cookie: await cookieOf(email) };
      return {
        get: (path) => call(path, { headers }),
        post: (path, body) =>
          call(path, { method: 'POST', headers: { ...headers, 'Content-Type': 'application/json' }, body: JSON.stringify(body ?? {}) }),
      };
    },
    async changed() {
      for (const o of [mine, other]) await outfitChanged(deps, o.outfit.id);
    },
    async jobsDone() {
      // Jobs of these outfits may be under way in another test file, which works on the same queues.
      for (;;) {
        await drain(boss, deps);
        const [{ left }] = await owner.query(
          `select count(*)::int as left from pgboss.job where state in ('created', 'retry', 'active') and data->>'outfitId' = any($1)`,
          [[mine.outfit.id, other.outfit.id]],
        );
        if (left === 0) return;
        await new Promise((r) => setTimeout(r, 20));
      }
    },
    async close() {
      await boss.stop({ graceful: false });
      await owner.destroy();
      await source.destroy();
    },
  };
}

/** Email of a person of an outfit by role. */
export function emailOf(o: OutfitScenario, role: 'owner' | 'captain' | 'mate'): string {
  return o.people.find((p) => p.role === role)?.email as string;
}

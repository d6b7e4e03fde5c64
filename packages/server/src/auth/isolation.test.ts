import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { migrate, requireBoundRole } from '../db/connect';
import { inOutfit } from '../db/database';
import { emailOf, type Harness, startHarness } from '../testing/harness';
import { PASSWORD, TEST_NOW } from '../testing/smallOutfit';
import { PUBLIC, bodies, fill, iso, makeRows, routes } from '../testing/validBodies';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
  await makeRows(h);
});
afterAll(() => h.close());

describe('who may see what', () => {
  it('documents at least the routes of every feature', async () => {
    const doc = await (await h.app.request('/api/openapi.json')).json();
    const paths = Object.keys(doc.paths);
    for (const p of [
      '/api/board',
      '/api/trips/{id}/desk',
      '/api/deck/{tripId}/entries',
      '/api/brief/{date}',
      '/api/log',
      '/api/waters/{id}/state',
    ])
      expect(paths).toContain(p);
  });

  it('answers 401 without a session on every route but those that let one in', async () => {
    for (const { method, path } of await routes(h)) {
      if (PUBLIC.includes(path)) continue;
      const init = method === 'POST' ? { method, headers: { 'Content-Type': 'application/json' }, body: '{}' } : {};
      const answer = await h.app.request(`/api${fill(path, h.mine)}`, init);
      expect(answer.status, `${method} ${path}`).toBe(401);
      expect(await answer.json()).toMatchObject({ code: 'not_signed_in' });
    }
  });

  it("answers 404 on every route to another outfit's ids, and leaks none of its ids or names", async () => {
    const stranger = await h.signIn(emailOf(h.other, 'owner'));
    const own = new Set(JSON.stringify(h.other).match(/[0-9a-f-]{36}/g));
    let refused = 0;
    for (const { method, path } of await routes(h)) {
      if (['/sign-in', '/sign-out'].includes(path)) continue;
      const body = bodies(h.mine)[path];
      const answer = method === 'POST' ? await stranger.post(fill(path, h.mine), body) : await stranger.get(fill(path, h.mine));
      if (/\{(id|tripId|readingId)\}/.test(path) || path === '/trips') {
        if (method === 'POST' || path !== '/trips') {
          expect(answer.status, `${method} ${path}`).toBe(404);
          refused++;
        }
      }
      const text = JSON.stringify(answer.body);
      for (const o of [h.mine]) {
        expect(text.includes(o.outfit.name), `${path} names the other outfit`).toBe(false);
        for (const row of [...o.spots, ...o.boats, ...o.clients, ...o.people]) {
          if (!own.has(row.id))
            expect(text.includes(row.id) || text.includes(row.name.length > 10 ? row.name : '\u0000'), `${path} leaks ${row.name}`).toBe(
              false,
            );
        }
      }
    }
    expect(refused).toBeGreaterThanOrEqual(24);
  });

  it("keeps captains' spots from mates in grounds, plan and log", async () => {
    const mate = await h.signIn(emailOf(h.mine, 'mate'));
    const secret = h.mine.spots[1]?.name as string;
    const day = new Date(Date.parse(h.mine.trips[0]?.startsAt as string) + 86_400_000).toISOString().slice(0, 10);
    for (const path of [
      '/waters/{id}/spots',
      '/waters/{id}/export',
      '/waters/{id}/state',
      '/trips/{id}/desk',
      '/deck/{tripId}',
      '/log',
      `/brief/${day}`,
      '/brief/2026-06-19',
    ]) {
      const answer = await mate.get(fill(path, h.mine));
      expect(answer.status, path).toBe(200);
      expect(JSON.stringify(answer.body).includes(secret), path).toBe(false);
    }
    const found = await mate.post('/stops/find', { ids: h.mine.trips[0]?.stops.map((s) => s.id) });
    expect(found.body).toHaveLength(1);
  });

  it('shows medical notes to the captain of the trip and the owner only', async () => {
    const note = h.mine.clients[0]?.medicalNote as string;
    for (const [role, sees] of [
      ['owner', true],
      ['captain', true],
      ['mate', false],
    ] as const) {
      const client = await h.signIn(emailOf(h.mine, role));
      expect(JSON.stringify((await client.get(fill('/trips/{id}', h.mine))).body).includes(note), role).toBe(sees);
    }
  });

  it('lets a mate log but not plan', async () => {
    const mate = await h.signIn(emailOf(h.mine, 'mate'));
    expect((await mate.post(fill('/trips/{id}/plans', h.mine), bodies(h.mine)['/trips/{id}/plans'])).status).toBe(403);
    expect((await mate.post('/trips', bodies(h.mine)['/trips'])).status).toBe(403);
    for (const path of [
      '/waters/{id}/spots',
      '/spots/{id}/merge',
      '/spots/{id}/retire',
      '/waters/{id}/features',
      '/features/{id}/remove',
      '/waters/{id}/dismissals',
      '/waters/{id}/imports/places',
      '/waters/{id}/imports/soundings',
      '/imports/{id}/undo',
      '/surveys/{id}/chart',
      '/trips/{id}/fit',
      '/clients/{id}/notes',
      '/families/{familyId}',
      '/presentations',
    ])
      expect((await mate.post(fill(path, h.mine), bodies(h.mine)[path] ?? {})).status, path).toBe(403);
    expect((await mate.get(`/spots/${h.mine.spots[1]?.id}/history`)).status).toBe(404);
  });
});

describe('signing in', () => {
  const ask = (body: unknown) =>
    h.app.request('/api/sign-in', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });

  it('says the same for a wrong password and an unknown e-mail', async () => {
    const wrong = await ask({ email: emailOf(h.mine, 'owner'), password: 'not-it-at-all' });
    const unknown = await ask({ email: 'nobody@nowhere.example', password: 'not-it-at-all' });
    expect([wrong.status, unknown.status]).toEqual([401, 401]);
    expect(await wrong.json()).toEqual(await unknown.json());
  });

  it('shuts the door for a minute after ten wrong passwords', async () => {
    const email = `x-${randomUUID()}@nowhere.example`;
    let last = 0;
    for (let i = 0; i < 11; i++) last = (await ask({ email, password: 'guess' })).status;
    expect(last).toBe(429);
  });

  it('names the field of a malformed sign-in', async () => {
    const answer = await ask({ email: 'no-at-sign', password: PASSWORD });
    expect(answer.status).toBe(400);
    expect(answer.headers.get('content-type')).toContain('application/problem+json');
    expect((await answer.json()).fields[0].field).toBe('email');
  });

  it('ends an expired session and a signed-out one', async () => {
    const client = await h.signIn(emailOf(h.mine, 'owner'));
    expect((await client.get('/me')).status).toBe(200);
    h.clock.set(TEST_NOW + 31 * 86_400_000);
    expect((await client.get('/me')).status).toBe(401);
    h.clock.set(TEST_NOW);
    expect((await client.post('/sign-out')).status).toBe(200);
    expect((await client.get('/me')).status).toBe(401);
  });

  it('refuses a form of another page, which cannot send JSON', async () => {
    const answer = await h.app.request('/api/sign-in', {
      method: 'POST',
      headers: { 'Content-Type': 'application/x-www-form-urlencoded' },
      body: 'email=a',
    });
    expect(answer.status).toBe(400);
  });

  it("does not have the demo's routes outside the demo", async () => {
    const client = await h.signIn(emailOf(h.mine, 'owner'));
    expect((await client.get('/demo')).status).toBe(404);
    expect((await client.post('/demo/clock', { now: iso(TEST_NOW) })).status).toBe(404);
  });
});

describe('row-level security', () => {
  it('returns no rows of any table to the application role without an outfit set', async () => {
    const tables: { name: string }[] = await h.owner.query(
      `select tablename as name from pg_tables where schemaname = 'public' and tablename not in ('migrations', 'demo_clock', 'tries')`,
    );
    expect(tables.length).toBeGreaterThan(25);
    for (const { name } of tables) {
      // A part of a table is nobody's to ask.
      if (/_part_\d+$/.test(name)) {
        await expect(h.source.query(`select 1 from "${name}"`)).rejects.toThrow(/permission denied/);
        continue;
      }
      const [row] = await h.source.query(`select count(*)::int as n from "${name}"`);
      expect(row.n, name).toBe(0);
    }
  });

  it('refuses to write a row of another outfit', async () => {
    await expect(
      inOutfit(h.source, h.mine.outfit.id, (e) => e.query(`insert into outfit (id, name, zone) values ($1, 'x', 'UTC')`, [randomUUID()])),
    ).rejects.toThrow(/row-level security/);
    await expect(
      inOutfit(h.source, h.mine.outfit.id, (e) => e.query(`update boat set outfit_id = $1`, [h.other.outfit.id])),
    ).rejects.toThrow(/row-level security/);
  });

  it('refuses to change or delete the record of who did what', async () => {
    for (const sql of ['delete from audit', "update audit set action = 'x'"]) {
      await expect(inOutfit(h.source, h.mine.outfit.id, (e) => e.query(sql))).rejects.toThrow(/permission denied/);
    }
  });

  it('refuses to serve with a role that the policies do not bind', async () => {
    await expect(requireBoundRole(h.owner)).rejects.toThrow(/owns the tables/);
    await requireBoundRole(h.source);
  });

  it('runs no migration twice, with rows in the tables', async () => {
    expect(await migrate(h.owner)).toEqual([]);
  });
});

// Keys of programs: each opens what it is for and nothing else, until it is ended.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';
import { bodies, fill, routes } from '../testing/validBodies';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

const made = async (scopes: string[]) => {
  const owner = await h.signIn(emailOf(h.mine, 'owner'));
  const id = randomUUID();
  const answer = await owner.post('/keys', { id, name: 'Pier logger', scopes });
  return { id, key: answer.body.key as string, owner };
};
const ask = (key: string, method: string, path: string, body?: unknown) =>
  h.app.request(`/api${path}`, {
    method,
    headers: { Authorization: `Bearer ${key}`, 'Content-Type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });

describe('a key', () => {
  it('reads the log or stores a reading, as it was made for', async () => {
    const [log, readings] = [await made(['log']), await made(['readings'])];
    const water = h.mine.waters[0]?.id;
    const reading = {
      id: randomUUID(),
      variable: 'clarityM',
      at: new Date(TEST_NOW - 60_000).toISOString(),
      value: 2,
      spotId: null,
      note: '',
    };
    expect((await ask(log.key, 'GET', '/log')).status).toBe(200);
    expect((await ask(log.key, 'POST', `/waters/${water}/readings`, reading)).status).toBe(403);
    expect((await ask(readings.key, 'POST', `/waters/${water}/readings`, reading)).status).toBe(200);
    const refused = await ask(readings.key, 'GET', '/log');
    expect([refused.status, (await refused.json()).code]).toEqual([403, 'key_scope']);
    const [row] = await h.owner.query('select count(*)::int as n from reading where outfit_id = $1 and key = $2', [
      h.mine.outfit.id,
      reading.id,
    ]);
    expect(row.n).toBe(1);
    const names = await (await ask(readings.key, 'GET', '/names')).json();
    expect(names.waters.map((w: { id: string }) => w.id)).toContain(water);
    expect(JSON.stringify(names)).not.toContain(h.mine.clients[0]?.name);
    const list = (await log.owner.get('/keys')).body as { id: string; lastUsedAt: string | null }[];
    expect(list.find((k) => k.id === log.id)?.lastUsedAt).not.toBeNull();
    expect(JSON.stringify(list)).not.toContain(log.key);
  });
  it('with every scope opens five requests of the whole description and no other', async () => {
    const { key } = await made(['log', 'conditions', 'trips', 'readings']);
    const opened: string[] = [];
    for (const { method, path } of await routes(h)) {
      const answer = await ask(key, method, fill(path, h.mine), method === 'POST' ? (bodies(h.mine)[path] ?? {}) : undefined);
      const code = answer.status === 200 ? null : (await answer.json()).code;
      if (code !== 'key_scope') opened.push(`${method} ${path}`);
    }
    const open = opened.filter((o) => !/\/(sign-in|begin|invitation|password)/.test(o)).sort();
    expect(open).toEqual([
      'GET /calendar',
      'GET /log',
      'GET /log/export',
      'GET /log/rates',
      'GET /names',
      'GET /trips',
      'GET /waters/{id}/state',
      'POST /waters/{id}/readings',
    ]);
  });
  it('of an owner reads nothing of the guests’ health, which he reads himself', async () => {
    const { key, owner } = await made(['trips']);
    const week = '/calendar?from=2026-06-15&to=2026-06-21';
    const note = h.mine.clients.find((c) => c.medicalNote !== '')?.medicalNote as string;
    expect(JSON.stringify((await owner.get(week)).body)).toContain(note);
    const told = await (await ask(key, 'GET', week)).text();
    expect(told).toContain(h.mine.trips.at(-1)?.id);
    expect(told).not.toContain(note);
  });
  it('of another outfit sees nothing of this one', async () => {
    const theirs = await h.signIn(emailOf(h.other, 'owner'));
    const { key } = (await theirs.post('/keys', { id: randomUUID(), name: 'Theirs', scopes: ['conditions', 'log'] })).body;
    expect((await ask(key, 'GET', `/waters/${h.mine.waters[0]?.id}/state?from=2026-06-18T04:00:00Z&to=2026-06-18T22:00:00Z`)).status).toBe(
      404,
    );
    const log = await (await ask(key, 'GET', '/log')).text();
    for (const s of h.mine.spots) expect(log).not.toContain(s.id);
  });
  it('that is unknown, garbled, ended, or whose maker owns the outfit no more opens nothing', async () => {
    const { id, key, owner } = await made(['log']);
    for (const wrong of ['', 'bw_', `bw_${'x'.repeat(43)}`, key.slice(0, -1), `${key}x`, key.toLowerCase()])
      expect((await ask(wrong, 'GET', '/log')).status).toBe(401);
    expect((await owner.post(`/keys/${id}/end`)).status).toBe(200);
    expect((await ask(key, 'GET', '/log')).status).toBe(401);
    const other = await made(['log']);
    await h.owner.query(`update person set role = 'captain' where id = $1`, [h.mine.people.find((p) => p.role === 'owner')?.id]);
    expect((await ask(other.key, 'GET', '/log')).status).toBe(401);
    await h.owner.query(`update person set role = 'owner' where id = $1`, [h.mine.people.find((p) => p.role === 'owner')?.id]);
  });
  it('is not looked for in what a proxy asks for: a session goes on beside it', async () => {
    const Cookie = await h.cookieOf(emailOf(h.mine, 'mate'));
    expect((await h.app.request('/api/me', { headers: { Cookie, Authorization: 'Basic eDp5' } })).status).toBe(200);
    expect((await h.app.request('/api/me', { headers: { Cookie, Authorization: 'Bearer' } })).status).toBe(401);
    expect((await h.app.request('/api/me', { headers: { Authorization: 'Basic eDp5' } })).status).toBe(401);
  });
  it('is made and seen by the owner alone, with a purpose', async () => {
    const captain = await h.signIn(emailOf(h.mine, 'captain'));
    expect((await captain.get('/keys')).status).toBe(403);
    expect((await captain.post('/keys', { id: randomUUID(), name: 'Mine', scopes: ['log'] })).status).toBe(403);
    const owner = await h.signIn(emailOf(h.mine, 'owner'));
    expect((await owner.post('/keys', { id: randomUUID(), name: 'None', scopes: [] })).status).toBe(400);
  });
});

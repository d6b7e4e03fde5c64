import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../app';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { TEST_NOW } from '../testing/smallOutfit';

let h: Harness;
let owner: Client;
beforeAll(async () => {
  h = await startHarness();
  owner = await h.signIn(emailOf(h.mine, 'owner'));
});
afterAll(() => h.close());

const mail = () => `new-${randomUUID()}@crew.example`;
const send = (path: string, body: unknown, app = h.app) =>
  app.request(`/api${path}`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });
const invite = async (more: object = {}) => {
  const body = { id: randomUUID(), personId: null, name: 'Arno Beck', email: mail(), role: 'mate', ...more };
  return { body, made: await owner.post('/invitations', body) };
};

describe('an outfit of its own', () => {
  const outfit = () => ({
    id: randomUUID(),
    name: 'Hollow Firth Charters',
    zone: 'Etc/GMT+2',
    units: 'us',
    personId: randomUUID(),
    personName: 'Vesna Holt',
    email: mail(),
    password: 'three words and a fish',
  });

  it('is made where the server lets strangers, with the library of the trade, and nothing of any other outfit', async () => {
    const open = createApp({ ...h.deps, config: { ...h.deps.config, signUp: 'open' } });
    const body = outfit();
    const answer = await send('/begin', body, open);
    expect(answer.status).toBe(200);
    const Cookie = answer.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const get = async (path: string) => (await open.request(`/api${path}`, { headers: { Cookie } })).json();
    expect(await get('/me')).toMatchObject({ role: 'owner', outfit: { name: body.name }, settings: { units: { depth: 'ft' } } });
    const lists = await get('/outfit');
    expect(lists).toMatchObject({ boats: [], waters: [], clients: [], crew: [{ name: 'Vesna Holt' }] });
    expect(lists.species.length).toBeGreaterThan(20);
    expect((await get('/presentations')).families).toHaveLength(26);
    expect(await get('/beginnings')).toMatchObject({ waters: 0, boats: 0, trips: 0, people: 1 });
    // An address has one account.
    expect((await send('/begin', { ...outfit(), email: body.email.toUpperCase() }, open)).status).toBe(409);
  });

  it('is made once though it is sent again, and opens to nobody without its password', async () => {
    // As on a server that takes one outfit and no other: it is closed from then on.
    const open = createApp({ ...h.deps, config: { ...h.deps.config, signUp: 'open' } });
    const body = outfit();
    expect((await send('/begin', body, open)).status).toBe(200);
    const again = await send('/begin', body);
    expect(again.status).toBe(200);
    const Cookie = again.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    expect(await (await h.app.request('/api/me', { headers: { Cookie } })).json()).toMatchObject({ id: body.personId, role: 'owner' });
    expect((await h.owner.query('select id from outfit where name = $1 and id = $2', [body.name, body.id])).length).toBe(1);
    for (const other of [{ password: 'some other password' }, { id: randomUUID() }, { personId: randomUUID() }]) {
      const answer = await send('/begin', { ...body, ...other });
      expect([answer.status, (await answer.json()).code]).toEqual([403, 'not_open']);
    }
  });

  it('is not made where one is there already, or by invitation only, or with a short password or no such zone', async () => {
    expect(await (await send('/begin', outfit())).json()).toMatchObject({ code: 'not_open' });
    const open = createApp({ ...h.deps, config: { ...h.deps.config, signUp: 'open' } });
    const answer = await (await send('/begin', { ...outfit(), password: 'short', zone: 'Hollin/Sound' }, open)).json();
    expect(answer.fields.map((f: { field: string }) => f.field).sort()).toEqual(['password', 'zone']);
  });
});

describe('an invitation', () => {
  it('lets one person in, once, as what it says, with a password that nobody else knows', async () => {
    const { body, made } = await invite({ role: 'captain' });
    expect(made.status).toBe(200);
    const { token } = made.body;
    expect((await owner.get('/invitations')).body).toMatchObject([{ id: body.id, email: body.email }]);
    expect(JSON.stringify((await owner.get('/invitations')).body)).not.toContain(token);
    expect(await (await send('/invitation/look', { token })).json()).toMatchObject({ email: body.email, role: 'captain', again: false });
    const both = await Promise.all(
      ['one', 'two'].map((who) => send('/invitation/take', { token, name: `Arno ${who}`, password: 'a password of length' })),
    );
    expect(both.map((a) => a.status).sort()).toEqual([200, 410]);
    const people = (await owner.get('/people')).body as { email: string; role: string }[];
    expect(people.filter((p) => p.email === body.email)).toMatchObject([{ role: 'captain' }]);
    const known = await owner.post('/invitations', { id: randomUUID(), personId: null, name: 'Arno', email: body.email, role: 'mate' });
    expect(known).toMatchObject({ status: 409, body: { fields: [{ field: 'email' }] } });
  });

  it('says that it does not hold where its address came without its key or with a part of it', async () => {
    const { made } = await invite();
    for (const token of ['', 'x', made.body.token.slice(0, 12)]) {
      const answer = await send('/invitation/look', { token });
      expect(answer.status).toBe(410);
      expect((await answer.json()).remedy).toMatch(/cut on the way/);
    }
    expect((await send('/invitation/take', { token: '', name: 'Nobody', password: 'a password of length' })).status).toBe(410);
  });

  it('does not hold when it was withdrawn or is a week old', async () => {
    const first = await invite();
    await owner.post(`/invitations/${first.body.id}/withdraw`);
    expect((await send('/invitation/look', { token: first.made.body.token })).status).toBe(410);
    const second = await invite();
    h.clock.set(TEST_NOW + 8 * 86_400_000);
    expect((await send('/invitation/take', { token: second.made.body.token, name: 'Late', password: 'a password of length' })).status).toBe(
      410,
    );
    h.clock.set(TEST_NOW);
  });

  it('gives one of the crew a new password and ends every session of his; of several links the last alone does', async () => {
    const mate = h.mine.people.find((p) => p.role === 'mate');
    const before = await h.signIn(emailOf(h.mine, 'mate'));
    const { made: first } = await invite({ personId: mate?.id, name: 'x', role: 'owner' });
    const { made, body } = await invite({ personId: mate?.id, name: 'x', role: 'owner' });
    expect((await send('/invitation/look', { token: first.body.token })).status).toBe(410);
    // Sent again because the answer was lost: the link that nobody saw holds no more.
    const unseen = made.body.token;
    made.body.token = (await owner.post('/invitations', body)).body.token;
    expect((await send('/invitation/look', { token: unseen })).status).toBe(410);
    expect((await send('/invitation/take', { token: made.body.token, name: 'x', password: 'quite another one' })).status).toBe(200);
    expect((await before.get('/me')).status).toBe(401);
    const now = await send('/sign-in', { email: mate?.email, password: 'quite another one' });
    expect(now.status).toBe(200);
    // It gives what he had, not what was asked for.
    expect((await owner.get('/people')).body.find((p: { id: string }) => p.id === mate?.id)).toMatchObject({
      role: 'mate',
      name: mate?.name,
    });
  });
});

describe('people', () => {
  const person = async (role: string) => {
    const { body, made } = await invite({ role, name: `A ${role}` });
    const answer = await send('/invitation/take', { token: made.body.token, name: `A ${role}`, password: 'a password of length' });
    const Cookie = answer.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    return { id: body.id, name: `A ${role}`, get: async (path: string) => h.app.request(`/api${path}`, { headers: { Cookie } }) };
  };

  it('who leave are signed out at once, and their part of the log stays', async () => {
    const left = await person('mate');
    expect((await left.get('/me')).status).toBe(200);
    expect((await owner.post(`/people/${left.id}`, { name: left.name, role: 'mate', active: false })).status).toBe(200);
    expect((await left.get('/me')).status).toBe(401);
    expect((await owner.get('/people')).body.find((p: { id: string }) => p.id === left.id)).toMatchObject({ active: false });
  });

  it('who were put out stay out, with a letter for a new password in hand', async () => {
    const left = await person('mate');
    const { made } = await invite({ personId: left.id, name: left.name });
    expect((await owner.post(`/people/${left.id}`, { name: left.name, role: 'mate', active: false })).status).toBe(200);
    const answer = await send('/invitation/take', { token: made.body.token, name: left.name, password: 'a password of length' });
    expect([answer.status, answer.headers.getSetCookie()]).toEqual([410, []]);
  });

  it('keep an owner: the last one cannot step down, and one of two can', async () => {
    const me = h.mine.people.find((p) => p.role === 'owner');
    const down = { name: me?.name, role: 'captain', active: true };
    expect(await owner.post(`/people/${me?.id}`, down)).toMatchObject({ status: 409, body: { code: 'last_owner' } });
    const second = await person('owner');
    expect((await owner.post(`/people/${second.id}`, { name: second.name, role: 'captain', active: true })).status).toBe(200);
  });

  it('who lead a trip ahead stay captains until somebody else does', async () => {
    const captain = h.mine.people.find((p) => p.role === 'captain');
    const ahead = (await owner.get('/people')).body.find((p: { id: string }) => p.id === captain?.id).tripsAhead;
    expect(ahead).toBeGreaterThan(0);
    expect(await owner.post(`/people/${captain?.id}`, { name: captain?.name, role: 'captain', active: false })).toMatchObject({
      status: 409,
      body: { code: 'in_use', detail: expect.stringContaining('ahead') },
    });
  });

  it('change their own password only by the one they have', async () => {
    const captain = await h.signIn(emailOf(h.mine, 'captain'));
    expect(await captain.post('/me/password', { old: 'not this', password: 'another long one' })).toMatchObject({
      status: 400,
      body: { fields: [{ field: 'old' }] },
    });
  });
});

// Signing in, by whom and from where: limits that a stranger cannot turn against an owner, sessions seen and ended, and what is swept.
import { randomUUID } from 'node:crypto';
import { USUAL_SETTINGS } from '@bluffwind/contract/usualSettings';
import { US } from '@bluffwind/core/units/measure';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DAY } from '@bluffwind/core/units/time';
import { sweep } from '../jobs/sweep';
import { emailOf, type Harness, startHarness } from '../testing/harness';
import { PASSWORD, TEST_NOW } from '../testing/smallOutfit';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

const ask = (body: unknown, cookie = '') =>
  h.app.request('/api/sign-in', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...(cookie ? { Cookie: cookie } : {}) },
    body: JSON.stringify(body),
  });

describe('tries to sign in', () => {
  it('of a stranger shut him out and say when to come again; a device that was signed in before goes on', async () => {
    const email = emailOf(h.mine, 'owner');
    const device = (await h.cookieOf(email)).split('; ').find((c) => c.startsWith('bluffwind_device='));
    let last = await ask({ email, password: 'guess' });
    for (let i = 0; i < 12; i++) last = await ask({ email, password: 'guess' });
    expect(last.status).toBe(429);
    expect(Number(last.headers.get('Retry-After'))).toBeGreaterThan(0);
    // The right password from the stranger's place waits as well; from the owner's own device it does not.
    expect((await ask({ email, password: PASSWORD })).status).toBe(429);
    expect((await ask({ email, password: PASSWORD }, device)).status).toBe(200);
    const [row] = await h.owner.query(
      `select count(*) filter (where action = 'sign-in failed')::int as failed, count(*) filter (where action = 'sign in')::int as well
       from audit where subject_id = $1`,
      [h.mine.people.find((p) => p.role === 'owner')?.id],
    );
    expect(row).toEqual({ failed: 10, well: 2 });
  });
  it('leave no address of mail in the table that counts them', async () => {
    const rows: { key: string }[] = await h.owner.query('select key from tries');
    expect(rows.length).toBeGreaterThan(0);
    expect(rows.some((r) => r.key.includes('@'))).toBe(false);
  });
});

describe('sessions', () => {
  it('are seen and ended by their person, one or all others', async () => {
    const email = emailOf(h.mine, 'captain');
    const [here, there, third] = [await h.signIn(email), await h.signIn(email), await h.signIn(email)];
    const list = (await here.get('/sessions')).body as { id: string; here: boolean }[];
    expect(list).toHaveLength(3);
    expect(list.filter((s) => s.here)).toHaveLength(1);
    const other = await h.signIn(emailOf(h.mine, 'mate'));
    const mine = list.find((s) => s.here)?.id;
    expect((await other.post('/sessions/end', { id: mine })).body).toEqual({ ended: 0 });
    expect((await here.post('/sessions/end', { id: null })).body).toEqual({ ended: 2 });
    expect([(await here.get('/me')).status, (await there.get('/me')).status, (await third.get('/me')).status]).toEqual([200, 401, 401]);
  });
  it('end when they are not used for a fortnight, and live on when they are', async () => {
    const used = await h.signIn(emailOf(h.mine, 'captain'));
    const idle = await h.signIn(emailOf(h.mine, 'captain'));
    h.clock.set(TEST_NOW + 10 * DAY);
    expect((await used.get('/me')).status).toBe(200);
    h.clock.set(TEST_NOW + 15 * DAY);
    expect([(await used.get('/me')).status, (await idle.get('/me')).status]).toEqual([200, 401]);
    h.clock.set(TEST_NOW);
  });
});

describe('sweeping', () => {
  it('clears sessions that are over, and medical notes of guests who have not been back for as long as the outfit keeps them', async () => {
    const [client] = h.mine.clients;
    const note = async () => (await h.owner.query('select medical_note as n from client where id = $1', [client?.id]))[0].n as string;
    await sweep(h.source, TEST_NOW + 399 * DAY);
    expect(await note()).not.toBe('');
    // One who was entered for a trip to come has not been out yet: his note stays.
    await h.owner.query(`update client set medical_note = 'asthma' where id = $1`, [h.mine.clients[3]?.id]);
    await sweep(h.source, TEST_NOW + 402 * DAY);
    expect(await note()).toBe('');
    const [fresh] = await h.owner.query('select medical_note as n from client where id = $1', [h.mine.clients[3]?.id]);
    expect(fresh.n).toBe('asthma');
    const [row] = await h.owner.query('select count(*)::int as n from session where outfit_id = $1', [h.mine.outfit.id]);
    expect(row.n).toBe(0);
  });
});

describe('a batch that is sent again while it is under way', () => {
  it('is told stored by both answers, and stored once; the same key for something else is refused', async () => {
    const captain = await h.signIn(emailOf(h.mine, 'captain'));
    const trip = h.mine.trips.at(-1);
    const start = Date.parse(trip?.startsAt as string);
    h.clock.set(start + 3_600_000);
    const [stopId, setId, catchId] = [randomUUID(), randomUUID(), randomUUID()];
    const at = (m: number) => new Date(start + m * 60_000).toISOString();
    const fish = (id: string, more: object = {}) => ({
      kind: 'catch',
      entryId: randomUUID(),
      at: at(20),
      catchId: id,
      setId,
      speciesId: h.mine.species[0]?.id,
      clientId: null,
      lengthMm: 400,
      lengthKind: 'total',
      outcome: 'landed',
      kept: false,
      ...more,
    });
    const entries = [
      { kind: 'begin-trip', entryId: randomUUID(), at: at(0) },
      {
        kind: 'start-stop',
        entryId: randomUUID(),
        at: at(10),
        stopId,
        spotId: h.mine.spots[0]?.id,
        sets: [{ id: setId, presentationId: h.mine.presentations[0]?.id, rods: 2 }],
      },
      ...Array.from({ length: 60 }, () => fish(randomUUID())),
      fish(catchId),
    ];
    const send = (list: object[]) => captain.post(`/deck/${trip?.id}/entries`, { entries: list });
    const answers = await Promise.all([send(entries), send(entries), send(entries), send(entries)]);
    for (const a of answers) expect(a.body.receipts.filter((r: { ok: boolean }) => !r.ok)).toEqual([]);
    const [row] = await h.owner.query('select count(*)::int as n from "catch" where set_id = $1', [setId]);
    expect(row.n).toBe(61);
    const refusals = (
      await send([
        fish(catchId, { lengthMm: 410 }),
        fish(randomUUID(), { at: at(-60) }),
        fish(randomUUID(), { clientId: h.mine.clients[3]?.id }),
        { ...(entries[1] as object), entryId: randomUUID(), spotId: h.mine.spots[1]?.id },
        {
          kind: 'start-stop',
          entryId: randomUUID(),
          at: at(30),
          stopId: randomUUID(),
          spotId: h.mine.spots[0]?.id,
          sets: Array.from({ length: 8 }, () => ({ id: randomUUID(), presentationId: h.mine.presentations[0]?.id, rods: 20 })),
        },
      ])
    ).body.receipts as { ok: boolean; code: string; message: string }[];
    expect(refusals.map((r) => r.code)).toEqual(['conflict', 'invalid', 'invalid', 'conflict', 'invalid']);
    expect(refusals[1]?.message).toMatch(/not caught while its stop was fished/);
    expect(refusals[2]?.message).toMatch(/not on this trip/);
    expect(refusals[4]?.message).toMatch(/160 rods/);
    h.clock.set(TEST_NOW);
  });
});

describe('what a person sets for himself', () => {
  it('is usual until he sets it, his alone, and refused when it is no unit', async () => {
    const [captain, mate] = [await h.signIn(emailOf(h.mine, 'captain')), await h.signIn(emailOf(h.mine, 'mate'))];
    expect((await captain.get('/me')).body.settings).toEqual(USUAL_SETTINGS);
    expect((await captain.post('/me/settings', { units: US, keys: false })).status).toBe(200);
    // A page from before there were letters leaves them as usual.
    expect((await captain.get('/me')).body.settings).toEqual({ ...USUAL_SETTINGS, units: US, keys: false });
    expect((await mate.get('/me')).body.settings).toEqual(USUAL_SETTINGS);
    const wrong = await captain.post('/me/settings', { units: { ...US, depth: 'ells' }, keys: true });
    expect(wrong.body).toMatchObject({ code: 'invalid', fields: [{ field: 'units.depth' }] });
    expect((await captain.get('/me')).body.settings.keys).toBe(false);
  });
});

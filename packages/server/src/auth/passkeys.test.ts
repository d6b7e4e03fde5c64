// Passkeys, tried by who has none. That one holds is tried in the browser story, by a virtual authenticator.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inOutfit } from '../db/database';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { openSession, ownDevice } from './session';

let h: Harness;
let owner: Client;
beforeAll(async () => {
  h = await startHarness();
  owner = await h.signIn(emailOf(h.mine, 'owner'));
});
afterAll(() => h.close());

const asked = async (path: string, origin: string | null, body?: object, cookie?: string) => {
  const answer = await h.app.request(`http://boat.example/api${path}`, {
    method: 'POST',
    headers: {
      Host: 'boat.example',
      ...(origin ? { Origin: origin } : {}),
      ...(cookie ? { Cookie: cookie } : {}),
      ...(body ? { 'Content-Type': 'application/json' } : {}),
    },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  return { status: answer.status, body: (await answer.json()) as Record<string, never> };
};
const challenges = async () => (await h.owner.query('select count(*)::int as n from passkey_challenge'))[0].n;

describe('passkeys', () => {
  it('are asked for from the application’s own page, with a challenge that is new each time', async () => {
    const [one, two] = [
      await asked('/sign-in/passkey/begin', 'http://boat.example'),
      await asked('/sign-in/passkey/begin', 'http://boat.example'),
    ];
    expect(one.body).toMatchObject({ options: { rpId: 'boat.example', userVerification: 'required' } });
    expect((one.body as never as { options: { challenge: string } }).options.challenge).not.toBe(
      (two.body as never as { options: { challenge: string } }).options.challenge,
    );
    for (const origin of [null, 'https://evil.example', 'http://boat.example.evil.example', 'null', 'x'])
      expect((await asked('/sign-in/passkey/begin', origin)).status, String(origin)).toBe(403);
  });
  it('are none at an address that is a number', async () => {
    const answer = await h.app.request('http://127.0.0.1:8080/api/sign-in/passkey/begin', {
      method: 'POST',
      headers: { Host: '127.0.0.1:8080', Origin: 'http://127.0.0.1:8080' },
    });
    expect(answer.status).toBe(400);
    expect(await answer.text()).toContain('a server with a name');
  });
  it('that are unknown or broken open nothing, and are told alike', async () => {
    const answers = [
      { id: 'unknown' },
      {},
      { id: 5 },
      { id: 'x'.repeat(1400) },
      { id: 'unknown', rawId: 'unknown', type: 'public-key', response: { clientDataJSON: 'e30' } },
    ];
    for (const answer of answers) {
      const { status, body } = await asked('/sign-in/passkey', 'http://boat.example', { answer });
      expect([status, body.code]).toEqual([401, 'wrong_passkey']);
    }
  });
  it('make no device known that was not signed in on before', async () => {
    const who = { outfitId: h.mine.outfit.id, personId: String(h.mine.people[0]?.id) };
    await inOutfit(h.source, who.outfitId, async (entities) => {
      const opened = await openSession(entities, who, { nowMs: h.clock.now(), address: 'a', agent: 'a', device: null });
      expect(await ownDevice(entities, who.personId, opened.device)).toBe(opened.device);
      expect(await ownDevice(entities, who.personId, 'set by a stranger')).toBeNull();
      expect(await ownDevice(entities, randomUUID(), opened.device)).toBeNull();
      expect(await ownDevice(entities, who.personId, undefined)).toBeNull();
    });
  });
  it('of another’s row do not hold with a made-up answer', async () => {
    const person = h.mine.people[0];
    await h.owner.query(
      `insert into passkey (id, outfit_id, person_id, credential, public_key, origin, name, made_at) values ($1, $2, $3, 'known', '\\x00', 'http://boat.example', 'Laptop', now())`,
      [randomUUID(), h.mine.outfit.id, person?.id],
    );
    const answer = {
      id: 'known',
      rawId: 'known',
      type: 'public-key',
      response: { clientDataJSON: 'e30', authenticatorData: 'AA', signature: 'AA' },
    };
    const { status, body } = await asked('/sign-in/passkey', 'http://boat.example', { answer });
    expect([status, body.code]).toEqual([401, 'wrong_passkey']);
    await h.owner.query(`update person set active = false where id = $1`, [person?.id]);
    expect((await asked('/sign-in/passkey', 'http://boat.example', { answer })).body.code).toBe('wrong_passkey');
    await h.owner.query(`update person set active = true where id = $1`, [person?.id]);
  });
  it('are made with the password alone, and by an answer that holds', async () => {
    const cookie = await h.cookieOf(emailOf(h.mine, 'owner'));
    const begin = (password: string) => asked('/me/passkeys/begin', 'http://boat.example', { password }, cookie);
    expect((await begin('not this')).body).toMatchObject({ code: 'invalid', fields: [{ field: 'password' }] });
    const before = await challenges();
    const made = await begin(h.mine.people[0]?.password ?? '');
    expect(made.body).toMatchObject({
      options: { rp: { id: 'boat.example' }, authenticatorSelection: { residentKey: 'required', userVerification: 'required' } },
    });
    expect(await challenges()).toBe(before + 1);
    const stored = await asked(
      '/me/passkeys',
      'http://boat.example',
      { id: randomUUID(), name: 'Phone', answer: { id: 'x', rawId: 'x', type: 'public-key', response: {} } },
      cookie,
    );
    expect(stored.body.code).toBe('wrong_passkey');
  });
  it('are one’s own to see and to take away', async () => {
    const [key] = (await owner.get('/me/passkeys')).body as { id: string; name: string }[];
    // Sent again after a lost answer: the one that is there, whatever the browser says of it now.
    const again = { id: key?.id, name: 'another name', answer: { id: 'x', rawId: 'x', type: 'public-key', response: {} } };
    const cookie = await h.cookieOf(emailOf(h.mine, 'owner'));
    expect(await asked('/me/passkeys', 'http://boat.example', again, cookie)).toMatchObject({
      status: 200,
      body: { id: key?.id, name: key?.name },
    });
    expect(key?.name).toBe('Laptop');
    const captain = await h.signIn(emailOf(h.mine, 'captain'));
    expect((await captain.get('/me/passkeys')).body).toEqual([]);
    const password = h.mine.people[1]?.password;
    expect((await captain.post(`/me/passkeys/${key?.id}/remove`, { password })).status).toBe(404);
    expect((await owner.post(`/me/passkeys/${key?.id}/remove`, { password: 'not this' })).status).toBe(400);
    expect((await owner.post(`/me/passkeys/${key?.id}/remove`, { password: h.mine.people[0]?.password })).status).toBe(200);
    expect((await owner.get('/me/passkeys')).body).toEqual([]);
  });
  it('challenges end after five minutes and are swept a day later', async () => {
    await h.source.query('select challenge_made($1, $2)', ['one', new Date(h.clock.now() + 5 * 60_000)]);
    const [{ challenge }] = await h.owner.query('select challenge from passkey_challenge order by ends_at desc limit 1');
    const taken = async (min: number) =>
      (await h.source.query('select challenge_taken($1, now() + make_interval(mins => $2)) as t', [challenge, min]))[0].t;
    const [{ ends_at }] = await h.owner.query('select ends_at from passkey_challenge where challenge = $1', [challenge]);
    expect(Math.abs(ends_at.getTime() - h.clock.now() - 5 * 60_000)).toBeLessThan(10_000);
    expect(await taken(60 * 24 * 4000)).toBe(false);
    expect(await taken(-60 * 24 * 4000)).toBe(false);
    await h.source.query(`select challenge_made('later', now() + interval '2 days')`);
    expect(await challenges()).toBe(1);
  });
});

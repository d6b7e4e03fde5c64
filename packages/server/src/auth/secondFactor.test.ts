// The second proof at sign-in: codes after the published standard, each taken once, and no way round them.
import { randomUUID } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { emailOf, type Harness, startHarness } from '../testing/harness';
import { PASSWORD } from '../testing/smallOutfit';
import { newRecoveryCodes, stepOfCode } from './secondFactor';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

const signIn = async (body: object) => {
  const answer = await h.app.request('/api/sign-in', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });
  return { status: answer.status, code: answer.status === 200 ? null : (await answer.json()).code };
};
const codeOf = (secret: string, atMs = Date.now()) =>
  new TOTP({ secret: Secret.fromBase32(secret), digits: 6, period: 30, algorithm: 'SHA1' }).generate({ timestamp: atMs });

describe('codes', () => {
  // RFC 6238, appendix B, SHA-1: the last six of the eight figures, for the secret "12345678901234567890".
  const secret = Secret.fromUTF8('12345678901234567890').base32;
  it.each([
    [59, '287082'],
    [1111111109, '081804'],
    [1111111111, '050471'],
    [1234567890, '005924'],
    [2000000000, '279037'],
  ])('at %i s hold as RFC 6238 prints them', (seconds, code) => {
    expect(stepOfCode(secret, code, seconds * 1000, 0)).toBe(Math.floor(seconds / 30));
    expect(stepOfCode(secret, `${code.slice(0, 3)} ${code.slice(3)}`, seconds * 1000, 0)).not.toBeNull();
  });
  it('hold half a minute early and late, no longer, and not once more', () => {
    const at = 1_234_567_890_000;
    expect(stepOfCode(secret, '005924', at + 30_000, 0)).toBe(41152263);
    expect(stepOfCode(secret, '005924', at - 30_000, 0)).toBe(41152263);
    expect(stepOfCode(secret, '005924', at + 60_000, 0)).toBeNull();
    expect(stepOfCode(secret, '005924', at, 41152263)).toBeNull();
    for (const wrong of ['005925', '', '00592', '5924', 'abcdef', '０05924']) expect(stepOfCode(secret, wrong, at, 0)).toBeNull();
  });
  it('on paper are ten, unlike each other, without letters that are read for figures', () => {
    const codes = newRecoveryCodes();
    expect(new Set(codes).size).toBe(10);
    for (const code of codes) expect(code).toMatch(/^[2-9a-hjkmnp-z]{5}-[2-9a-hjkmnp-z]{5}$/);
  });
});

describe('a person who asks to be asked', () => {
  let secret = '';
  let codes: string[] = [];
  it('is asked for nothing until his first code has come right, and begins with his password', async () => {
    const captain = await h.signIn(emailOf(h.mine, 'captain'));
    expect((await captain.post('/me/second-factor/begin', { password: 'another' })).body.fields[0].field).toBe('password');
    const made = (await captain.post('/me/second-factor/begin', { password: PASSWORD })).body;
    secret = made.secret;
    expect(new URL(made.address).searchParams.get('secret')).toBe(secret);
    expect((await captain.post('/me/second-factor/confirm', { code: '000000' })).status).toBe(400);
    expect((await signIn({ email: emailOf(h.mine, 'captain'), password: PASSWORD })).status).toBe(200);
    const confirmed = await captain.post('/me/second-factor/confirm', { code: codeOf(secret, Date.now() - 30_000) });
    codes = confirmed.body.codes;
    expect(codes).toHaveLength(10);
    expect((await captain.get('/me/second-factor')).body).toMatchObject({ codesLeft: 10, onSince: expect.any(String) });
    expect((await captain.post('/me/second-factor/begin', { password: PASSWORD })).status).toBe(409);
  });
  it('comes in with a code of now and not with the same one twice; a wrong one is written down', async () => {
    const one = { email: emailOf(h.mine, 'captain'), password: PASSWORD };
    expect(await signIn(one)).toEqual({ status: 401, code: 'code_needed' });
    expect(await signIn({ ...one, code: '123' })).toEqual({ status: 401, code: 'wrong_code' });
    expect(await signIn({ ...one, password: 'wrong', code: codeOf(secret) })).toEqual({ status: 401, code: 'wrong_sign_in' });
    const code = codeOf(secret);
    const both = await Promise.all([signIn({ ...one, code }), signIn({ ...one, code })]);
    expect(both.map((b) => b.status).sort()).toEqual([200, 401]);
    const [row] = await h.owner.query(`select count(*)::int as n from audit where action = 'code refused' and outfit_id = $1`, [
      h.mine.outfit.id,
    ]);
    expect(row.n).toBe(2);
  });
  it('comes in once with each code on paper', async () => {
    const one = { email: emailOf(h.mine, 'captain'), password: PASSWORD, code: codes[3]?.toUpperCase().replace('-', ' ') };
    expect((await signIn(one)).status).toBe(200);
    expect(await signIn(one)).toEqual({ status: 401, code: 'wrong_code' });
  });
  it('is not let in past the code by a link to a new password', async () => {
    const owner = await h.signIn(emailOf(h.mine, 'owner'));
    const id = randomUUID();
    const captain = h.mine.people.find((p) => p.role === 'captain');
    const { token } = (
      await owner.post('/invitations', { id, personId: captain?.id, name: 'Captain', email: captain?.email, role: 'captain' })
    ).body;
    const taken = await h.app.request('/api/invitation/take', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ token, name: 'Captain', password: PASSWORD }),
    });
    expect(await taken.json()).toEqual({ signedIn: false });
    expect(taken.headers.getSetCookie()).toEqual([]);
    expect(await signIn({ email: captain?.email, password: PASSWORD })).toEqual({ status: 401, code: 'code_needed' });
  });
  it('is seen by the owner, who takes it off when the phone is lost, but not his own without his password', async () => {
    const owner = await h.signIn(emailOf(h.mine, 'owner'));
    const people = (await owner.get('/people')).body as { id: string; role: string; asksForCode: boolean }[];
    expect(people.filter((p) => p.asksForCode).map((p) => p.role)).toEqual(['captain']);
    const me = people.find((p) => p.role === 'owner');
    expect((await owner.post(`/people/${me?.id}/second-factor/end`)).status).toBe(403);
    const captain = people.find((p) => p.role === 'captain');
    const mate = await h.signIn(emailOf(h.mine, 'mate'));
    expect((await mate.post(`/people/${captain?.id}/second-factor/end`)).status).toBe(403);
    expect((await owner.post(`/people/${captain?.id}/second-factor/end`)).status).toBe(200);
    expect((await signIn({ email: emailOf(h.mine, 'captain'), password: PASSWORD })).status).toBe(200);
  });
});

// Passkeys of one's own, and signing in by one.
import { passwordAgain } from '@bluffwind/contract/auth';
import { id } from '@bluffwind/contract/ids';
import { newPasskey, passkeyAsked, passkeySignIn, passkeyView } from '@bluffwind/contract/passkeys';
import { createRoute, z } from '@hono/zod-openapi';
import { audit } from '../audit';
import { inOutfit } from '../db/database';
import { PasskeyEntity } from '../db/entities/waysIn';
import { PersonEntity } from '../db/entities/people';
import { Problem } from '../errors';
import { addressOf } from '../http/address';
import { type Deps, found } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { DEVICE, DEVICE_DAYS, readCookie, SESSION, writeCookie } from './cookies';
import { askToMake, askToSignIn, challenges, madeBy, MOST_PASSKEYS, originOf, signedBy } from './passkeys';
import { requirePassword } from './requirePassword';
import { openSession, ownDevice, SESSION_DAYS } from './session';
import { signInTries } from './tries';
import { passkeyPerson } from './passkeyPerson';

const done = z.object({ ok: z.literal(true) });
const SHORT = { maxBytes: 20_000 };
/** No account is named by who signs in so: tries count against the address alone, and nobody uses up another's. */
const tryFrom = (address: string) => ({ email: `passkey ${address}`, address, device: null });
const plain = (options: object) => ({ options: options as Record<string, unknown> });

/** Signing in by a passkey: reachable without a session. */
export function publicPasskeyRoutes(deps: Deps) {
  const app = router();
  const tries = signInTries(deps.source);
  const given = challenges(deps);
  const publicUrl = deps.config.mail?.publicUrl ?? null;
  app.answer(
    createRoute({
      method: 'post',
      path: '/sign-in/passkey/begin',
      responses: answers(passkeyAsked, 'What the browser asks its owner with'),
    }),
    async (c) => {
      const { host } = originOf(c, publicUrl);
      await tries.count(tryFrom(addressOf(c, deps.config.trustProxy)));
      const options = await askToSignIn(host);
      await given.made(options.challenge);
      return plain(options);
    },
    SHORT,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/sign-in/passkey',
      request: jsonBody(passkeySignIn),
      responses: answers(done, 'Signed in; the session is in a cookie'),
    }),
    async (c) => {
      const { answer } = c.req.valid('json');
      const address = addressOf(c, deps.config.trustProxy);
      const one = tryFrom(address);
      await tries.count(one);
      const who = await passkeyPerson(deps.source, String(answer.id ?? ''));
      // An unknown one and one that does not hold are told alike.
      if (!who) throw new Problem('wrong_passkey');
      const nowMs = deps.clock.now();
      const opened = await inOutfit(deps.source, who.outfitId, async (entities) => {
        const key = await entities.findOneByOrFail(PasskeyEntity, { credential: String(answer.id) });
        const counter = await signedBy(answer, key, given.taken);
        if (counter === null) return null;
        await entities.update(PasskeyEntity, { id: key.id }, { counter: String(counter), lastUsedAt: new Date(nowMs) });
        await audit(entities, who, nowMs, 'sign in', 'person', who.personId, { address, by: `passkey ${key.name}` });
        const device = await ownDevice(entities, who.personId, readCookie(c, DEVICE, deps.config));
        return openSession(entities, who, { nowMs, address, agent: c.req.header('User-Agent') ?? '', device });
      });
      if (!opened) throw new Problem('wrong_passkey');
      await tries.forget(one);
      writeCookie(c, SESSION, opened.token, SESSION_DAYS, deps.config);
      writeCookie(c, DEVICE, opened.device, DEVICE_DAYS, deps.config);
      return { ok: true as const };
    },
    SHORT,
  );
  return app;
}

/** One's own passkeys. */
export function passkeyRoutes(deps: Deps) {
  const app = router();
  const given = challenges(deps);
  const publicUrl = deps.config.mail?.publicUrl ?? null;
  app.answer(createRoute({ method: 'get', path: '/me/passkeys', responses: answers(z.array(passkeyView), 'Your passkeys') }), async (c) => {
    const rows = await c.get('entities').find(PasskeyEntity, { where: { personId: c.get('who').personId }, order: { madeAt: 'ASC' } });
    return rows.map((k) => ({ id: k.id, name: k.name, madeAt: k.madeAt.toISOString(), lastUsedAt: k.lastUsedAt?.toISOString() ?? null }));
  });
  app.answer(
    createRoute({
      method: 'post',
      path: '/me/passkeys/begin',
      request: jsonBody(passwordAgain),
      responses: answers(passkeyAsked, 'What the browser makes one with'),
    }),
    async (c) => {
      const [entities, { personId }] = [c.get('entities'), c.get('who')];
      const { host } = originOf(c, publicUrl);
      await requirePassword(deps, c, c.req.valid('json').password);
      const known = await entities.findBy(PasskeyEntity, { personId });
      requireRoom(known.length);
      const person = found(await entities.findOneBy(PersonEntity, { id: personId }), 'person');
      const options = await askToMake(person, known, host);
      await given.made(options.challenge);
      return plain(options);
    },
    SHORT,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/me/passkeys',
      request: jsonBody(newPasskey),
      responses: answers(passkeyView, 'You can sign in by it from now on'),
    }),
    async (c) => {
      const [entities, who, { id: own, name, answer }] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const known = await entities.findBy(PasskeyEntity, { personId: who.personId });
      // Sent again after an answer that did not come: its challenge is taken, and it is there.
      const there = known.find((k) => k.id === own);
      if (there)
        return { id: own, name: there.name, madeAt: there.madeAt.toISOString(), lastUsedAt: there.lastUsedAt?.toISOString() ?? null };
      requireRoom(known.length);
      const at = originOf(c, publicUrl);
      const made = await madeBy(answer, at, given.taken);
      if (!made) throw new Problem('wrong_passkey');
      const madeAt = new Date(deps.clock.now());
      const row = { id: own, outfitId: who.outfitId, personId: who.personId, ...made, origin: at.origin, name, madeAt, lastUsedAt: null };
      await entities.insert(PasskeyEntity, row);
      await audit(entities, who, deps.clock.now(), 'add passkey', 'person', who.personId, { name });
      return { id: own, name, madeAt: madeAt.toISOString(), lastUsedAt: null };
    },
    SHORT,
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/me/passkeys/{id}/remove',
      request: { params: z.object({ id }), ...jsonBody(passwordAgain) },
      responses: answers(done, 'It opens nothing more'),
    }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      const key = found(await entities.findOneBy(PasskeyEntity, { id: c.req.valid('param').id, personId: who.personId }), 'passkey');
      await requirePassword(deps, c, c.req.valid('json').password);
      await entities.delete(PasskeyEntity, { id: key.id });
      await audit(entities, who, deps.clock.now(), 'remove passkey', 'person', who.personId, { name: key.name });
      return { ok: true as const };
    },
    SHORT,
  );
  return app;
}

function requireRoom(passkeys: number): void {
  if (passkeys >= MOST_PASSKEYS) throw new Problem('too_large', `You have ${MOST_PASSKEYS} passkeys; take one away first.`);
}

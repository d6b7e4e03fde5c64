import { demoAccess, endSession, me, ownSettings, sessionView, setClock, signIn } from '@bluffwind/contract/auth';
import { USUAL_SETTINGS } from '@bluffwind/contract/usualSettings';
import { passwordChange } from '@bluffwind/contract/people';
import { createRoute, z } from '@hono/zod-openapi';
import { OutfitEntity } from '../db/entities/outfit';
import { PersonEntity } from '../db/entities/people';
import { Problem } from '../errors';
import { type Deps, found } from '../http/context';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { audit } from '../audit';
import { inOutfit } from '../db/database';
import { addressOf } from '../http/address';
import { DEVICE, DEVICE_DAYS, dropCookie, readCookie, SESSION, writeCookie } from './cookies';
import { takeCode } from './secondFactor';
import {
  type Account,
  checkPassword,
  closeSession,
  deviceKnown,
  endSessions,
  hashPassword,
  openSession,
  SESSION_DAYS,
  sessionsOf,
} from './session';
import { signInTries } from './tries';
import { demoSignIns, keepDemoClock } from './demoSignIns';

const done = z.object({ ok: z.literal(true) });

/** Sign-in, and in the demo its sign-ins: reachable without a session. */
export function publicAuthRoutes(deps: Deps) {
  const app = router();
  const tries = signInTries(deps.source);
  const failed = (account: Account, how: string, address: string) =>
    inOutfit(deps.source, account.outfitId, (entities) =>
      audit(entities, account, deps.clock.now(), how, 'person', account.personId, { address }),
    );
  app.answer(
    createRoute({
      method: 'post',
      path: '/sign-in',
      request: jsonBody(signIn),
      responses: answers(done, 'Signed in; the session is in a cookie'),
    }),
    async (c) => {
      const { password, code, ...asked } = c.req.valid('json');
      const email = asked.email.toLowerCase();
      const address = addressOf(c, deps.config.trustProxy);
      const cookie = readCookie(c, DEVICE, deps.config);
      const device = cookie !== undefined && (await deviceKnown(deps.source, email, cookie)) ? cookie : null;
      const one = { email, address, device };
      await tries.count(one);
      const { account, matches } = await checkPassword(deps.source, email, password);
      const nowMs = deps.clock.now();
      if (!account || !matches) {
        if (account) await failed(account, 'sign-in failed', address);
        throw new Problem('wrong_sign_in');
      }
      const opened = await inOutfit(deps.source, account.outfitId, async (entities) => {
        // Authenticators know the true time, whatever hour it is in a demo.
        await takeCode(entities, account, code, Date.now());
        const agent = c.req.header('User-Agent') ?? '';
        await audit(entities, account, nowMs, 'sign in', 'person', account.personId, { address, newDevice: device === null });
        return openSession(entities, account, { nowMs, address, agent, device });
      }).catch(async (error: unknown) => {
        if (error instanceof Problem && error.code === 'wrong_code') await failed(account, 'code refused', address);
        throw error;
      });
      await tries.forget(one);
      writeCookie(c, SESSION, opened.token, SESSION_DAYS, deps.config);
      writeCookie(c, DEVICE, opened.device, DEVICE_DAYS, deps.config);
      return { ok: true as const };
    },
    { maxBytes: 4096 },
  );
  if (deps.demoClock) {
    app.answer(createRoute({ method: 'get', path: '/demo', responses: answers(demoAccess, "The demo's sign-ins") }), async () => {
      // Names only of the demo's own people; this route does not exist outside the demo.
      const { people, password } = await demoSignIns(deps.source);
      return { now: iso(deps), signIns: people, password };
    });
  }
  return app;
}

/** Who am I, sign-out, and in the demo its clock. */
export function authRoutes(deps: Deps) {
  const app = router();
  const tries = signInTries(deps.source);
  app.answer(createRoute({ method: 'get', path: '/me', responses: answers(me, 'The person signed in') }), async (c) => {
    const who = c.get('who');
    const entities = c.get('entities');
    const person = found(await entities.findOneBy(PersonEntity, { id: who.personId }), 'person');
    const outfit = found(await entities.findOneBy(OutfitEntity, { id: who.outfitId }), 'outfit');
    return {
      id: person.id,
      name: person.name,
      role: person.role,
      outfit: { name: outfit.name, zone: outfit.zone },
      now: iso(deps),
      settings: { ...USUAL_SETTINGS, ...person.settings },
      mail: deps.config.mail !== null,
      demo: deps.demoClock !== null,
    };
  });
  app.answer(
    createRoute({ method: 'post', path: '/me/settings', request: jsonBody(ownSettings), responses: answers(done, 'Kept for you') }),
    async (c) => {
      await c.get('entities').update(PersonEntity, { id: c.get('who').personId }, { settings: c.req.valid('json') });
      return { ok: true as const };
    },
    { maxBytes: 4096 },
  );
  app.answer(
    createRoute({ method: 'post', path: '/me/password', request: jsonBody(passwordChange), responses: answers(done, 'Changed') }),
    async (c) => {
      const [entities, who, { old, password }] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const { email } = found(await entities.findOneBy(PersonEntity, { id: who.personId }), 'person');
      const one = { email, address: addressOf(c, deps.config.trustProxy), device: null };
      await tries.count(one);
      if (!(await checkPassword(deps.source, email, old)).matches)
        throw new Problem('invalid', 'old: this is not your password now.', [{ field: 'old', message: 'not your password now' }]);
      await tries.forget(one);
      await entities.update(PersonEntity, { id: who.personId }, { passwordHash: await hashPassword(password) });
      const ended = await endSessions(entities, who.personId, { butNot: c.get('sessionId') });
      await audit(entities, who, deps.clock.now(), 'change password', 'person', who.personId, { ended });
      return { ok: true as const };
    },
    { maxBytes: 4096 },
  );
  app.answer(createRoute({ method: 'post', path: '/sign-out', responses: answers(done, 'Signed out') }), async (c) => {
    await closeSession(deps.source, c.get('who').outfitId, readCookie(c, SESSION, deps.config) ?? '');
    dropCookie(c, SESSION, deps.config);
    // What the browser keeps of answers goes with the session.
    c.header('Clear-Site-Data', '"cache"');
    return { ok: true as const };
  });
  app.answer(
    createRoute({ method: 'get', path: '/sessions', responses: answers(z.array(sessionView), 'Where you are signed in') }),
    async (c) => {
      const rows = await sessionsOf(c.get('entities'), c.get('who').personId);
      return rows.map((r) => ({
        id: r.id,
        device: r.device,
        from: r.openedFrom,
        openedAt: r.createdAt.toISOString(),
        lastSeenAt: r.lastSeenAt.toISOString(),
        here: r.id === c.get('sessionId'),
      }));
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/sessions/end',
      request: jsonBody(endSession),
      responses: answers(z.object({ ended: z.int() }), 'Signed out there'),
    }),
    async (c) => {
      const who = c.get('who');
      const { id } = c.req.valid('json');
      const ended = await endSessions(c.get('entities'), who.personId, id === null ? { butNot: c.get('sessionId') } : { only: id });
      await audit(c.get('entities'), who, deps.clock.now(), 'end sessions', 'person', who.personId, { ended });
      return { ended };
    },
  );
  const { demoClock } = deps;
  if (demoClock) {
    app.answer(
      createRoute({ method: 'post', path: '/demo/clock', request: jsonBody(setClock), responses: answers(done, 'The demo clock is set') }),
      async (c) => {
        const at = Date.parse(c.req.valid('json').now);
        if (at < demoClock.now() - 60_000)
          throw new Problem('invalid', 'now: the demo clock goes forward only', [{ field: 'now', message: 'must not be in the past' }]);
        if (at > demoClock.now() + 7 * 86_400_000)
          throw new Problem('invalid', 'now: at most seven days at once', [{ field: 'now', message: 'at most seven days ahead' }]);
        demoClock.set(at);
        await keepDemoClock(c.get('entities'), at);
        return { ok: true as const };
      },
    );
  }
  return app;
}

function iso(deps: Deps): string {
  return new Date(deps.clock.now()).toISOString();
}

import { demoAccess, me, setClock, signIn } from '@bluffwind/contract/auth';
import { createRoute, z } from '@hono/zod-openapi';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import { OutfitEntity, PersonEntity } from '../db/entities/outfit';
import { Problem } from '../errors';
import { type Deps, found, router } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { closeSession, openSession } from './session';

export const COOKIE = 'bluffwind_session';
const done = z.object({ ok: z.literal(true) });

/** Tries a minute and e-mail before the door stays shut for the rest of it. */
const TRIES_A_MINUTE = 10;

/** Sign-in, and in the demo its sign-ins: reachable without a session. */
export function publicAuthRoutes(deps: Deps) {
  const app = router();
  const tries = new Map<string, { count: number; until: number }>();
  app.openapi(
    createRoute({
      method: 'post',
      path: '/sign-in',
      request: jsonBody(signIn),
      responses: answers(done, 'Signed in; the session is in a cookie'),
    }),
    async (c) => {
      const { email, password } = c.req.valid('json');
      // Real time: the demo's clock can be set, the guard must not be.
      const now = Date.now();
      const key = email.toLowerCase();
      const seen = tries.get(key);
      if (seen && seen.until > now && seen.count >= TRIES_A_MINUTE) throw new Problem('too_many_tries');
      tries.set(key, seen && seen.until > now ? { ...seen, count: seen.count + 1 } : { count: 1, until: now + 60_000 });
      if (tries.size > 10_000) tries.clear();
      const token = await openSession(deps.source, email, password, deps.clock.now());
      if (!token) throw new Problem('wrong_sign_in');
      tries.delete(key);
      setCookie(c, COOKIE, token, {
        httpOnly: true,
        sameSite: 'Strict',
        path: '/',
        secure: deps.config.secureCookies,
        maxAge: 30 * 86_400,
      });
      return c.json({ ok: true as const }, 200);
    },
  );
  if (deps.demoClock) {
    app.openapi(createRoute({ method: 'get', path: '/demo', responses: answers(demoAccess, "The demo's sign-ins") }), async (c) => {
      // Names only of the demo's own people; this route does not exist outside the demo.
      const people: { name: string; email: string; role: string; outfit: string }[] =
        await deps.source.query('select * from demo_sign_ins()');
      const [word] = await deps.source.query('select password from demo_password()');
      return c.json({ now: iso(deps), signIns: people, password: word?.password ?? '' }, 200);
    });
  }
  return app;
}

/** Who am I, sign-out, and in the demo its clock. */
export function authRoutes(deps: Deps) {
  const app = router();
  app.openapi(createRoute({ method: 'get', path: '/me', responses: answers(me, 'The person signed in') }), async (c) => {
    const who = c.get('who');
    const entities = c.get('entities');
    const person = found(await entities.findOneBy(PersonEntity, { id: who.personId }), 'person');
    const outfit = found(await entities.findOneBy(OutfitEntity, { id: who.outfitId }), 'outfit');
    return c.json(
      {
        id: person.id,
        name: person.name,
        role: person.role,
        outfit: { name: outfit.name, zone: outfit.zone },
        now: iso(deps),
        demo: deps.demoClock !== null,
      },
      200,
    );
  });
  app.openapi(createRoute({ method: 'post', path: '/sign-out', responses: answers(done, 'Signed out') }), async (c) => {
    await closeSession(deps.source, c.get('who'), getCookie(c, COOKIE) ?? '');
    deleteCookie(c, COOKIE, { path: '/' });
    return c.json({ ok: true as const }, 200);
  });
  const { demoClock } = deps;
  if (demoClock) {
    app.openapi(
      createRoute({ method: 'post', path: '/demo/clock', request: jsonBody(setClock), responses: answers(done, 'The demo clock is set') }),
      async (c) => {
        const at = Date.parse(c.req.valid('json').now);
        if (at < demoClock.now() - 60_000)
          throw new Problem('invalid', 'now: the demo clock goes forward only', [{ field: 'now', message: 'must not be in the past' }]);
        if (at > demoClock.now() + 7 * 86_400_000)
          throw new Problem('invalid', 'now: at most seven days at once', [{ field: 'now', message: 'at most seven days ahead' }]);
        demoClock.set(at);
        await c.get('entities').query('update demo_clock set demo_at = $1', [new Date(at)]);
        return c.json({ ok: true as const }, 200);
      },
    );
  }
  return app;
}

function iso(deps: Deps): string {
  return new Date(deps.clock.now()).toISOString();
}

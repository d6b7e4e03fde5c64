// Coming in without a session: an outfit of one's own, or an invitation into one.
import {
  beginView,
  invitationLook,
  invitationTake,
  invitationTaken,
  invitationView,
  type NewOutfit,
  newOutfit,
} from '@bluffwind/contract/begin';
import { passwordForgotten } from '@bluffwind/contract/people';
import { createRoute, z } from '@hono/zod-openapi';
import type { Context } from 'hono';
import { IsNull } from 'typeorm';
import { audit } from '../audit';
import { inOutfit } from '../db/database';
import { InvitationEntity, PersonEntity } from '../db/entities/people';
import { outfitIds } from '../db/outfitIds';
import { Problem } from '../errors';
import { addressOf } from '../http/address';
import type { Deps, Env } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { DEVICE, DEVICE_DAYS, SESSION, writeCookie } from './cookies';
import { makeOutfit } from './newOutfit';
import { asksForCode } from './secondFactor';
import { type Account, checkPassword, endSessions, hashPassword, openSession, SESSION_DAYS } from './session';
import { signInTries } from './tries';
import { invitationBy } from './invitationBy';
import { isEmailTaken } from './isEmailTaken';

const done = z.object({ ok: z.literal(true) });

export function beginRoutes(deps: Deps) {
  const app = router();
  const tries = signInTries(deps.source, 'coming in');
  const outfits = async (): Promise<number> => {
    const { length: count } = await outfitIds(deps.source);
    return count;
  };
  const mayBegin = async (): Promise<{ open: boolean; empty: boolean }> => {
    const empty = (await outfits()) === 0;
    return { open: deps.config.signUp === 'open' || (deps.config.signUp === 'first' && empty), empty };
  };
  /** Counts a try against the caller's address and the account, so that keys and addresses cannot be tried out. */
  const counted = (c: Context<Env>, email: string) => tries.count({ email, address: addressOf(c, deps.config.trustProxy), device: null });
  /** Sent again because the answer was lost: the outfit is made, and its owner's password opens it unless a code is asked for as well. */
  const isMade = async ({ id, personId, email, password }: NewOutfit): Promise<boolean> => {
    const { account, matches } = await checkPassword(deps.source, email.toLowerCase(), password);
    if (!matches || account?.personId !== personId || account.outfitId !== id) return false;
    return !(await inOutfit(deps.source, id, (entities) => asksForCode(entities, personId)));
  };
  const enter = async (c: Context<Env>, account: Account, action: string): Promise<void> => {
    const address = addressOf(c, deps.config.trustProxy);
    const nowMs = deps.clock.now();
    const opened = await inOutfit(deps.source, account.outfitId, async (entities) => {
      await audit(entities, account, nowMs, action, 'person', account.personId, { address });
      return openSession(entities, account, { nowMs, address, agent: c.req.header('User-Agent') ?? '', device: null });
    });
    writeCookie(c, SESSION, opened.token, SESSION_DAYS, deps.config);
    writeCookie(c, DEVICE, opened.device, DEVICE_DAYS, deps.config);
  };

  app.answer(
    createRoute({ method: 'get', path: '/begin', responses: answers(beginView, 'Whether an outfit can be made here') }),
    async () => ({
      ...(await mayBegin()),
      mail: deps.config.mail !== null,
      demo: deps.config.demoUrl,
    }),
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/begin',
      request: jsonBody(newOutfit),
      responses: answers(done, 'The outfit is made, and its owner is signed in'),
    }),
    async (c) => {
      const body = c.req.valid('json');
      await counted(c, body.email);
      if (await isMade(body)) {
        await enter(c, { personId: body.personId, outfitId: body.id }, 'sign in');
        return { ok: true as const };
      }
      if (!(await mayBegin()).open) throw new Problem('not_open');
      if (await isEmailTaken(deps.source, body.email)) throw emailTaken();
      await inOutfit(deps.source, body.id, (entities) => makeOutfit(entities, body));
      await enter(c, { personId: body.personId, outfitId: body.id }, 'begin outfit');
      return { ok: true as const };
    },
    { maxBytes: 8192 },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/password/forgotten',
      request: jsonBody(passwordForgotten),
      responses: answers(done, 'A letter is on its way, if there is such an account'),
    }),
    async (c) => {
      const { email } = c.req.valid('json');
      if (!deps.config.mail) throw new Problem('no_mail');
      await counted(c, `forgotten ${email}`);
      // Put in the queue whether there is such an account or not: nobody learns it here, from the answer or its time.
      await deps.jobs.send(deps.source.manager, 'mail', { kind: 'new-password', email });
      return { ok: true as const };
    },
    { maxBytes: 2048 },
  );

  const invitationOf = async (token: string) => {
    const row = await invitationBy(deps.source, token, deps.clock.now());
    if (!row) throw new Problem('invitation_over');
    return row;
  };
  app.answer(
    createRoute({
      method: 'post',
      path: '/invitation/look',
      request: jsonBody(invitationLook),
      responses: answers(invitationView, 'Whom it invites, and into what'),
    }),
    async (c) => {
      const { token } = c.req.valid('json');
      await counted(c, `invitation ${token.slice(0, 8)}`);
      const { outfit, name, email, role, person_id } = await invitationOf(token);
      return { outfit, name, email, role, again: person_id !== null };
    },
    { maxBytes: 4096 },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/invitation/take',
      request: jsonBody(invitationTake),
      responses: answers(invitationTaken, 'Come in; the session is in a cookie, unless a code is asked for at sign-in'),
    }),
    async (c) => {
      const { token, name, password } = c.req.valid('json');
      await counted(c, `invitation ${token.slice(0, 8)}`);
      const row = await invitationOf(token);
      const passwordHash = await hashPassword(password);
      const personId = row.person_id ?? row.invitation_id;
      const asked = await inOutfit(deps.source, row.outfit_id, async (entities) => {
        const now = new Date(deps.clock.now());
        // Two who take it at once: one of them finds it taken.
        const taken = await entities.update(
          InvitationEntity,
          { id: row.invitation_id, takenAt: IsNull(), withdrawnAt: IsNull() },
          { takenAt: now },
        );
        if (taken.affected !== 1) throw new Problem('invitation_over');
        if (row.person_id) {
          // Who has been put out in the meantime stays out, whatever letter he still holds.
          const kept = await entities.update(PersonEntity, { id: row.person_id, active: true }, { passwordHash });
          if (kept.affected !== 1) throw new Problem('invitation_over');
          // Whoever knew the old password is out.
          await endSessions(entities, row.person_id, 'all');
          return asksForCode(entities, row.person_id);
        } else {
          if (await isEmailTaken(entities, row.email)) throw emailTaken();
          const { email, role } = row;
          await entities.insert(PersonEntity, { id: personId, outfitId: row.outfit_id, name, email, passwordHash, role, active: true });
          return false;
        }
      });
      // A letter stands for the password alone: who is asked for a code signs in with it.
      if (!asked) await enter(c, { personId, outfitId: row.outfit_id }, row.person_id ? 'new password' : 'come in');
      return { signedIn: !asked };
    },
    { maxBytes: 4096 },
  );
  return app;
}

/** An address has one account, in whatever outfit: told only to who holds an invitation or may make an outfit. */
export const emailTaken = (): Problem =>
  new Problem('conflict', 'email: somebody has an account with this e-mail already; sign in, or take another address.', [
    { field: 'email', message: 'has an account already' },
  ]);

// People of the outfit: who they are, what they may do, and the invitations that bring them in.
import { randomBytes } from 'node:crypto';
import { id } from '@bluffwind/contract/ids';
import { invitationMade, invitationRow, newInvitation, personEdit, personView } from '@bluffwind/contract/people';
import { DAY } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import { type EntityManager, IsNull, MoreThan, Not } from 'typeorm';
import { audit } from '../audit';
import { digest, endSessions } from '../auth/session';
import { InvitationEntity, PersonEntity } from '../db/entities/outfit';
import { Problem } from '../errors';
import { type Deps, found } from '../http/context';
import { requireOwner } from '../http/owner';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { isEmailTaken } from '../auth/isEmailTaken';
import { peopleOf } from './peopleOf';

const byId = z.object({ id });
const done = z.object({ ok: z.literal(true) });
/** An invitation holds so long. */
const INVITATION_DAYS = 7;
/** So many can be open at once. */
const MOST_OPEN = 50;

export function peopleRoutes({ clock, config, jobs }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/people', responses: answers(z.array(personView), 'Everybody, with what lies ahead') }),
    async (c) => {
      requireOwner(c);
      return peopleOf(c.get('entities'), clock.now());
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/people/{id}',
      request: { params: byId, ...jsonBody(personEdit) },
      responses: answers(done, 'Stored'),
    }),
    async (c) => {
      requireOwner(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const person = found(await entities.findOneBy(PersonEntity, { id: c.req.valid('param').id }), 'person');
      const staysOwner = body.active && body.role === 'owner';
      if (person.role === 'owner' && person.active && !staysOwner) {
        // Locked, so that two owners cannot put each other out at the same moment.
        const owners = await entities.find(PersonEntity, {
          select: { id: true },
          where: { role: 'owner', active: true },
          order: { id: 'ASC' },
          lock: { mode: 'pessimistic_write' },
        });
        if (owners.length < 2) throw new Problem('last_owner', `${person.name} is the only owner.`);
      }
      const ahead = (await peopleOf(entities, clock.now())).find((p) => p.id === person.id)?.tripsAhead ?? 0;
      const leadsNoMore =
        !body.active || (person.role !== 'mate' && body.role === 'mate') || (person.role === 'mate' && body.role !== 'mate');
      if (ahead > 0 && leadsNoMore)
        throw new Problem(
          'in_use',
          `${person.name} is down for ${ahead} ${ahead === 1 ? 'trip' : 'trips'} ahead: name somebody else there first.`,
          [{ field: body.active ? 'role' : 'active', message: `down for ${ahead} ${ahead === 1 ? 'trip' : 'trips'} ahead` }],
        );
      await entities.update(PersonEntity, { id: person.id }, body);
      if (!body.active || body.role !== person.role) await endSessions(entities, person.id, 'all');
      const { name, role, active } = person;
      await audit(entities, who, clock.now(), 'change person', 'person', person.id, { from: { name, role, active }, to: body });
      return { ok: true as const };
    },
  );

  const open = (entities: EntityManager) =>
    entities.find(InvitationEntity, {
      where: { takenAt: IsNull(), withdrawnAt: IsNull(), expiresAt: MoreThan(new Date(clock.now())) },
      order: { madeAt: 'DESC' },
    });
  app.answer(
    createRoute({ method: 'get', path: '/invitations', responses: answers(z.array(invitationRow), 'Invitations that are open') }),
    async (c) => {
      requireOwner(c);
      return (await open(c.get('entities'))).map((i) => ({
        id: i.id,
        name: i.name,
        email: i.email,
        role: i.role,
        again: i.personId !== null,
        madeAt: i.madeAt.toISOString(),
        expiresAt: i.expiresAt.toISOString(),
      }));
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/invitations',
      request: jsonBody(newInvitation),
      responses: answers(invitationMade, 'The key of its address; it is shown once'),
    }),
    async (c) => {
      requireOwner(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const opened = await open(entities);
      // Sent again because the answer was lost: nobody has its key, so that it gets a new one.
      const there = opened.some((i) => i.id === body.id);
      if (!there && opened.length >= MOST_OPEN)
        throw new Problem('in_use', `${MOST_OPEN} invitations are open; withdraw those that are not needed.`);
      const again =
        body.personId === null ? null : found(await entities.findOneBy(PersonEntity, { id: body.personId, active: true }), 'person');
      if (!again) {
        if (await isEmailTaken(entities, body.email))
          throw new Problem('conflict', 'email: somebody has an account with this e-mail already; use another address.', [
            { field: 'email', message: 'has an account already' },
          ]);
      }
      if (body.byMail && !config.mail) throw new Problem('no_mail', '', [{ field: 'byMail', message: 'no mail server is set up here' }]);
      const token = randomBytes(24).toString('base64url');
      const nowMs = clock.now();
      const expiresAt = new Date(nowMs + INVITATION_DAYS * DAY);
      const row = {
        id: body.id,
        outfitId: who.outfitId,
        personId: again?.id ?? null,
        name: again?.name ?? body.name,
        email: again?.email ?? body.email,
        role: again?.role ?? body.role,
        tokenHash: digest(token),
        madeAt: new Date(nowMs),
        madeBy: who.personId,
        expiresAt,
        takenAt: null,
        withdrawnAt: null,
      };
      // Of several ways to a new password the last alone holds.
      if (again)
        await entities.update(
          InvitationEntity,
          { personId: again.id, id: Not(body.id), takenAt: IsNull(), withdrawnAt: IsNull() },
          { withdrawnAt: new Date(nowMs) },
        );
      if (there) await entities.update(InvitationEntity, { id: body.id }, row);
      else await entities.insert(InvitationEntity, row);
      await audit(entities, who, nowMs, again ? 'offer new password' : 'invite', 'invitation', body.id, { role: again?.role ?? body.role });
      // The letter's key is made when it is sent; this one is then told to nobody.
      if (body.byMail) await jobs.send(entities, 'mail', { kind: 'invitation', outfitId: who.outfitId, invitationId: body.id });
      return { id: body.id, token: body.byMail ? null : token, expiresAt: expiresAt.toISOString() };
    },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/invitations/{id}/withdraw',
      request: { params: byId },
      responses: answers(done, 'It does not hold any more'),
    }),
    async (c) => {
      requireOwner(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const row = found(await entities.findOneBy(InvitationEntity, { id: c.req.valid('param').id }), 'invitation');
      await entities.update(InvitationEntity, { id: row.id }, { withdrawnAt: new Date(clock.now()) });
      await audit(entities, who, clock.now(), 'withdraw invitation', 'invitation', row.id, {});
      return { ok: true as const };
    },
  );
  return app;
}

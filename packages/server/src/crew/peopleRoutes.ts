import { id } from '@bluffwind/contract/ids';
import { invitationMade, invitationRow, newInvitation, personEdit, personView } from '@bluffwind/contract/people';
import { createRoute, z } from '@hono/zod-openapi';
import { audit } from '../audit';
import { endSessions } from '../auth/session';
import { InvitationEntity, PersonEntity } from '../db/entities/people';
import { Problem } from '../errors';
import { type Deps, found } from '../http/context';
import { requireOwner } from '../http/owner';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { invite, openInvitations } from './invite';
import { peopleOf } from './peopleOf';

const byId = z.object({ id });
const done = z.object({ ok: z.literal(true) });

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

  app.answer(
    createRoute({ method: 'get', path: '/invitations', responses: answers(z.array(invitationRow), 'Invitations that are open') }),
    async (c) => {
      requireOwner(c);
      return (await openInvitations(c.get('entities'), clock.now())).map((i) => ({
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
      if (body.byMail && !config.mail) throw new Problem('no_mail', '', [{ field: 'byMail', message: 'no mail server is set up here' }]);
      const { token, expiresAt } = await invite(entities, who, body, clock.now());
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

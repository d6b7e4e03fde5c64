// Clients: who comes, what they can and like, and what they caught.
import { id } from '@bluffwind/contract/ids';
import { clientEdit, clientView } from '@bluffwind/contract/outfit';
import { createRoute, z } from '@hono/zod-openapi';
import { IsNull } from 'typeorm';
import { audit } from '../audit';
import { ClientEntity } from '../db/entities/clients';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { clientViews, seesNotes, tripsAhead } from './clientsOf';

const byId = z.object({ id });
const done = z.object({ ok: z.literal(true) });

export function clientRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/clients', responses: answers(z.array(clientView), 'Clients with what they caught') }),
    async (c) => {
      requireCaptain(c);
      return clientViews(c.get('entities'), c.get('who'));
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/clients', request: jsonBody(clientEdit), responses: answers(done, 'Stored') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const old = await entities.findOneBy(ClientEntity, { id: body.id });
      const { medicalNote, ...rest } = body;
      if (medicalNote !== undefined && old && !(await seesNotes(entities, who, old.id)))
        throw new Problem('not_allowed', "Only the owner and a captain of the client's trips see and change the medical note.");
      if (old) await entities.update(ClientEntity, { id: old.id }, { ...rest, ...(medicalNote === undefined ? {} : { medicalNote }) });
      else await entities.insert(ClientEntity, { ...rest, medicalNote: medicalNote ?? '', outfitId: who.outfitId });
      // The note itself is not written into the record of who did what.
      await audit(entities, who, clock.now(), old ? 'change client' : 'add client', 'client', body.id, { name: body.name });
      return { ok: true as const };
    },
  );
  app.answer(
    createRoute({ method: 'post', path: '/clients/{id}/retire', request: { params: byId }, responses: answers(done, 'Off the list') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const client = found(await entities.findOneBy(ClientEntity, { id: c.req.valid('param').id, retiredAt: IsNull() }), 'client');
      const ahead = await tripsAhead(entities, client.id, clock.now());
      if (ahead > 0) throw new Problem('in_use', `${client.name} is booked on ${ahead} ${ahead === 1 ? 'trip' : 'trips'} ahead.`);
      // The log keeps what was caught; notes about a person who comes no more are not kept.
      await entities.update(
        ClientEntity,
        { id: client.id },
        { retiredAt: new Date(clock.now()), medicalNote: '', contact: '', note: '', wishes: '' },
      );
      await audit(entities, who, clock.now(), 'retire client', 'client', client.id, {});
      return { ok: true as const };
    },
  );
  return app;
}

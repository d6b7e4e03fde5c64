// What planning respects of a party: patience, breaks, what is in the boat; and what is known of a client's hands and wishes.
import { id } from '@bluffwind/contract/ids';
import { clientNotes, tripFit } from '@bluffwind/contract/trips';
import { createRoute, z } from '@hono/zod-openapi';
import { In } from 'typeorm';
import { audit } from '../audit';
import { PresentationEntity } from '../db/entities/baits';
import { ClientEntity } from '../db/entities/clients';
import { TripEntity, TripSpeciesEntity } from '../db/entities/trip';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';

const done = z.object({ ok: z.literal(true) });

export function fitRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'post',
      path: '/trips/{id}/fit',
      request: { params: z.object({ id }), ...jsonBody(tripFit) },
      responses: answers(done, 'Stored'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      const body = c.req.valid('json');
      body.breaks.forEach((b, i) => {
        const [from, to] = [Date.parse(b.from), Date.parse(b.to)];
        if (to <= from || from < trip.startsAt.getTime() || to > trip.endsAt.getTime())
          throw new Problem('invalid', `breaks.${i}: ${b.name} must lie within the trip and end after it begins.`, [
            { field: `breaks.${i}`, message: 'must lie within the trip and end after it begins' },
          ]);
      });
      if (body.aboard) {
        const known = await entities.countBy(PresentationEntity, { id: In(body.aboard) });
        if (known !== new Set(body.aboard).size) throw new Problem('not_found', 'A presentation aboard does not exist.');
      }
      const { speciesWeights, ...terms } = body;
      for (const [speciesId, weight] of Object.entries(speciesWeights)) {
        const species = await entities.findOneBy(TripSpeciesEntity, { tripId: trip.id, speciesId });
        if (!species)
          throw new Problem('invalid', `speciesWeights.${speciesId}: it is not a species of this trip.`, [
            { field: `speciesWeights.${speciesId}`, message: 'not a species of this trip' },
          ]);
        await entities.update(TripSpeciesEntity, { tripId: trip.id, speciesId }, { weight });
      }
      await entities.update(TripEntity, { id: trip.id }, terms);
      await audit(entities, who, clock.now(), 'fit trip', 'trip', trip.id, body);
      return { ok: true as const };
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/clients/{id}/notes',
      request: { params: z.object({ id }), ...jsonBody(clientNotes) },
      responses: answers(done, 'Stored'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const client = found(await entities.findOneBy(ClientEntity, { id: c.req.valid('param').id }), 'client');
      const body = c.req.valid('json');
      await entities.update(ClientEntity, { id: client.id }, body);
      await audit(entities, who, clock.now(), 'change client', 'client', client.id, body);
      return { ok: true as const };
    },
  );
  return app;
}

// The mates of a trip, named by a captain.
import { id } from '@bluffwind/contract/ids';
import { tripMates } from '@bluffwind/contract/trips';
import { createRoute, z } from '@hono/zod-openapi';
import { In } from 'typeorm';
import { audit } from '../audit';
import { PersonEntity } from '../db/entities/people';
import { TripEntity, TripMateEntity } from '../db/entities/trip';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';

export function mateRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'post',
      path: '/trips/{id}/mates',
      request: { params: z.object({ id }), ...jsonBody(tripMates) },
      responses: answers(tripMates, 'Who is aboard now'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who] = [c.get('entities'), c.get('who')];
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      const ids = [...new Set(c.req.valid('json').personIds)];
      const mates = await entities.findBy(PersonEntity, { id: In(ids), role: 'mate', active: true });
      if (mates.length < ids.length)
        throw new Problem('not_found', 'personIds: somebody named is no mate of this outfit.', [
          { field: 'personIds', message: 'mates of this outfit only' },
        ]);
      await entities.delete(TripMateEntity, { tripId: trip.id });
      if (ids.length > 0)
        await entities.insert(
          TripMateEntity,
          ids.map((personId) => ({ tripId: trip.id, personId, outfitId: trip.outfitId })),
        );
      await audit(entities, who, clock.now(), 'name mates', 'trip', trip.id, { personIds: ids });
      return { personIds: ids };
    },
  );
  return app;
}

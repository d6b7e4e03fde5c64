// What the rigs of a trip are made from, and figures of them set by hand. Ticks come with the deck's entries, so that they work without a
// network.
import { id } from '@bluffwind/contract/ids';
import { leaderCounts as leaderCountsView, rigChoice, tripRigs } from '@bluffwind/contract/rigs';
import { createRoute, z } from '@hono/zod-openapi';
import { audit } from '../audit';
import { FamilyEntity, PresentationEntity } from '../db/entities/baits';
import { SpotEntity } from '../db/entities/grounds';
import { RigChoiceEntity } from '../db/entities/rigs';
import { TripEntity } from '../db/entities/trip';
import { type Deps, found, requireCaptain } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import { leaderCounts } from './leaderCounts';
import { rigsOf } from './rigsOf';

const done = z.object({ ok: z.literal(true) });
const byId = z.object({ id });
export function rigRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/trips/{id}/rigs',
      request: { params: byId },
      responses: answers(tripRigs, 'For the rigs of a trip'),
    }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      return await rigsOf(entities, trip, who, clock.now());
    },
  );

  app.answer(
    createRoute({
      method: 'get',
      path: '/leaders',
      responses: answers(z.array(leaderCountsView), 'Leaders that were fished side by side'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const names = new Map((await entities.find(FamilyEntity)).map((f) => [f.id, f.name]));
      return (await leaderCounts(entities)).map((l) => ({ ...l, name: names.get(l.familyId) ?? l.familyId }));
    },
    { slow: true, keptMs: 60_000, keptFor: 'outfit', from: ['crew', 'log', 'spots'] },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/trips/{id}/rig-choices',
      request: { params: byId, ...jsonBody(rigChoice) },
      responses: answers(done, 'Kept, or given back to the arithmetic'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      found(await entities.findOneBy(SpotEntity, { id: body.spotId, waterId: trip.waterId }), 'spot');
      found(await entities.findOneBy(PresentationEntity, { id: body.presentationId }), 'presentation');
      const { spotId, presentationId, part, value } = body;
      const key = { tripId: trip.id, spotId, presentationId, part };
      if (value === null) await entities.delete(RigChoiceEntity, key);
      else
        await entities.upsert(RigChoiceEntity, { ...key, value, outfitId: who.outfitId, by: who.personId, at: new Date(clock.now()) }, [
          'tripId',
          'spotId',
          'presentationId',
          'part',
        ]);
      await audit(entities, who, clock.now(), 'set rig', 'trip', trip.id, body);
      return { ok: true as const };
    },
  );
  return app;
}

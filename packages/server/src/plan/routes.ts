import { id } from '@bluffwind/contract/ids';
import { fleetPlans, newPlan, planDesk, savedPlan as savedPlanSchema, stopDetail, stopsAsked } from '@bluffwind/contract/plan';
import { createRoute, z } from '@hono/zod-openapi';
import { TripEntity } from '../db/entities/trip';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { isAboard } from '../trips/crew';
import { SpotEntity } from '../db/entities/grounds';
import { mayShow } from '../grounds/mayShow';
import { loadDesk } from './desk';
import { savedPlan } from './savedPlan';
import { forEyes } from './forEyes';
import { keepPlan } from './keepPlan';
import { stopsBehind } from './stopsBehind';

const byId = z.object({ id });

/** What a plan is made from, and plans kept. */
export function planRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/trips/{id}/desk', request: { params: byId }, responses: answers(planDesk, 'Inputs of the plan') }),
    async (c) => {
      const entities = c.get('entities');
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      const who = c.get('who');
      return await loadDesk(entities, trip, clock.now(), who.role, { aboard: await isAboard(entities, trip, who) });
    },
    { slow: true, keptMs: 120_000, from: ['conditions', 'crew', 'log', 'spots', 'trips', 'waters'] },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/trips/{id}/plans',
      request: { params: byId, ...jsonBody(newPlan) },
      responses: answers(savedPlanSchema, 'Stored, scored by the server'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const who = c.get('who');
      const body = c.req.valid('json');
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      return await keepPlan({ entities, who, nowMs: clock.now() }, trip, body);
    },
    { slow: true, maxBytes: 1024 * 1024 },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/fleet/plans',
      request: jsonBody(fleetPlans),
      responses: answers(z.array(savedPlanSchema), 'Plans of several boats, stored all or none'),
    }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const { plans } = c.req.valid('json');
      const waiting = new Set(plans.map((p) => p.tripId));
      if (waiting.size < plans.length)
        throw new Problem('invalid', 'plans: a trip comes twice', [{ field: 'plans', message: 'one plan a trip' }]);
      const kept = [];
      for (const { tripId, ...plan } of plans) {
        const trip = found(await entities.findOneBy(TripEntity, { id: tripId }), 'trip');
        waiting.delete(tripId);
        kept.push(await keepPlan({ entities, who: c.get('who'), nowMs: clock.now() }, trip, plan, { replacing: [...waiting] }));
      }
      return kept;
    },
    { slow: true, maxBytes: 1024 * 1024 },
  );

  app.answer(
    createRoute({
      method: 'get',
      path: '/trips/{id}/plans/{version}',
      request: { params: z.object({ id, version: z.coerce.number().int().positive().max(2_147_483_647) }) },
      responses: answers(savedPlanSchema, 'A plan as it was kept, with what it was made from'),
    }),
    async (c) => {
      const { id: tripId, version } = c.req.valid('param');
      const entities = c.get('entities');
      const trip = found(await entities.findOneBy(TripEntity, { id: tripId }), 'trip');
      const plan = found(await savedPlan(entities, tripId, version), 'plan');
      const who = c.get('who');
      if (await isAboard(entities, trip, who)) return plan;
      const spots = new Map((await entities.find(SpotEntity)).map((s) => [s.id, s]));
      return forEyes(plan, (id) => mayShow(spots.get(id) ?? { privacy: 'captain' }, who.role));
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/stops/find',
      request: jsonBody(stopsAsked),
      responses: answers(z.array(stopDetail), 'Stops behind a call'),
    }),
    async (c) => {
      return stopsBehind(c.get('entities'), c.req.valid('json').ids, c.get('who'));
    },
  );
  return app;
}

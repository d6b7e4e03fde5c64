import { id } from '@bluffwind/contract/ids';
import { newPlan, planDesk, savedPlan as savedPlanSchema, stopDetail, stopsAsked } from '@bluffwind/contract/plan';
import { layDay, scoreDay } from '@bluffwind/core/plan/layDay';
import { localTime } from '@bluffwind/core/units/time';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { createRoute, z } from '@hono/zod-openapi';
import { audit } from '../audit';
import { LegEntity, PlanEntity, TripEntity } from '../db/entities/trip';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain, router } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { basisOf } from './basis';
import { inputsOf, loadDesk, savedPlan } from './desk';
import { refuseMeetings } from './taken';

const byId = z.object({ id });
const SOLVER_MS = 2000;

/** What a plan is made from, and plans kept. */
export function planRoutes({ clock }: Deps) {
  const app = router();
  app.openapi(
    createRoute({ method: 'get', path: '/trips/{id}/desk', request: { params: byId }, responses: answers(planDesk, 'Inputs of the plan') }),
    async (c) => {
      const entities = c.get('entities');
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      return c.json(await loadDesk(entities, trip, clock.now(), c.get('who').role), 200);
    },
  );

  app.openapi(
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
      if (trip.status === 'done' || trip.status === 'cancelled')
        throw new Problem('conflict', `The trip is ${trip.status}; its plan stays as it was.`);
      const [newest] = await entities.find(PlanEntity, { where: { tripId: trip.id }, order: { version: 'DESC' }, take: 1 });
      if (newest?.id === body.id) return c.json(found(await savedPlan(entities, trip.id), 'plan'), 200);
      if ((newest?.version ?? 0) !== body.replaces)
        throw new Problem('conflict', `Version ${newest?.version} has been saved meanwhile; yours replaces ${body.replaces}.`);
      const desk = await loadDesk(entities, trip, clock.now(), who.role);
      const inputs = inputsOf(desk);
      const ranking = rankTrip(inputs, { aboard: desk.aboard ?? undefined });
      const asked = body.legs.map((l) => ({
        spotId: l.spotId,
        startMs: Date.parse(l.startAt),
        departMs: Date.parse(l.departAt),
        pinned: l.pinned,
      }));
      // What others have is refused by name below, not as a leg that cannot be sailed.
      const scored = feasible(() => scoreDay({ ...inputs, taken: [] }, ranking, asked));
      await refuseMeetings(entities, trip, scored.legs, (ms) => localTime(ms, desk.zone));
      const until = performance.now() + SOLVER_MS;
      const pins = asked.filter((l) => l.pinned);
      const best = feasible(() =>
        layDay(inputs, ranking, { pins, bans: body.bans, again: body.options.again, stop: () => performance.now() > until }),
      );
      const proved = best.proved && scored.expected >= best.expected - 1e-6;
      await entities.insert(PlanEntity, {
        id: body.id,
        outfitId: who.outfitId,
        tripId: trip.id,
        version: body.replaces + 1,
        madeBy: who.personId,
        madeAt: new Date(clock.now()),
        expected: scored.expected,
        lo80: scored.lo80,
        hi80: scored.hi80,
        bound: Math.max(best.bound, scored.expected),
        proved,
        bans: body.bans,
        modelVersion: ranking.model.version,
        evidenceVersion: desk.evidence.version,
        options: body.options,
        triggers: body.triggers,
        basis: basisOf(inputs, ranking, scored.legs) as never,
        forecastRunAt: desk.forecastRunAt ? new Date(desk.forecastRunAt) : null,
      });
      await entities.insert(
        LegEntity,
        scored.legs.map((l, position) => ({
          outfitId: who.outfitId,
          planId: body.id,
          position,
          spotId: l.spotId,
          presentationId: l.presentationId,
          arriveAt: new Date(l.arriveMs),
          startAt: new Date(l.startMs),
          departAt: new Date(l.departMs),
          expected: l.expected,
          lo80: l.lo80,
          hi80: l.hi80,
          pinned: asked[position]?.pinned ?? false,
          parts: l.parts.map((p) => ({
            presentationId: p.presentationId,
            fromAt: new Date(p.fromMs).toISOString(),
            toAt: new Date(p.toMs).toISOString(),
          })),
        })),
      );
      await audit(entities, who, clock.now(), 'save plan', 'trip', trip.id, { version: body.replaces + 1, expected: scored.expected });
      return c.json(found(await savedPlan(entities, trip.id), 'plan'), 200);
    },
  );

  app.openapi(
    createRoute({
      method: 'get',
      path: '/trips/{id}/plans/{version}',
      request: { params: z.object({ id, version: z.coerce.number().int().positive() }) },
      responses: answers(savedPlanSchema, 'A plan as it was kept, with what it was made from'),
    }),
    async (c) => {
      const { id: tripId, version } = c.req.valid('param');
      const entities = c.get('entities');
      found(await entities.findOneBy(TripEntity, { id: tripId }), 'trip');
      return c.json(found(await savedPlan(entities, tripId, version), 'plan'), 200);
    },
  );

  app.openapi(
    createRoute({
      method: 'post',
      path: '/stops/find',
      request: jsonBody(stopsAsked),
      responses: answers(z.array(stopDetail), 'Stops behind a call'),
    }),
    async (c) => {
      const rows: { id: string; started_at: Date; spot: string; presentation: string; hours: number; fish: number }[] = await c
        .get('entities')
        .query(
          `select st.id, st.started_at, sp.name as spot, p.name as presentation,
           (s.rods * extract(epoch from s.ended_at - s.started_at) / 3600)::float8 as hours,
           (select count(*)::int from "catch" k where k.set_id = s.id and k.outcome = 'landed' and k.deleted_at is null) as fish
         from stop st join spot sp on sp.id = st.spot_id join "set" s on s.stop_id = st.id join presentation p on p.id = s.presentation_id
         where st.id = any($1::uuid[]) and st.deleted_at is null and s.ended_at is not null and (sp.privacy = 'crew' or $2)
         order by st.started_at desc, s.id`,
          [c.req.valid('json').ids, c.get('who').role !== 'mate'],
        );
      const stops = new Map<string, z.infer<typeof stopDetail>>();
      for (const r of rows) {
        const stop = stops.get(r.id) ?? { id: r.id, startedAt: r.started_at.toISOString(), spotName: r.spot, sets: [] };
        stop.sets.push({ presentation: r.presentation, rodHours: r.hours, fish: r.fish });
        stops.set(r.id, stop);
      }
      return c.json([...stops.values()], 200);
    },
  );
  return app;
}

/** Turns the core's refusal of a plan into a problem that says what cannot be done. */
function feasible<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) {
      const [field = 'legs'] = error.message.split(':');
      throw new Problem('not_feasible', error.message, [{ field, message: error.message }]);
    }
    throw error;
  }
}

import { id } from '@bluffwind/contract/ids';
import { type NewTrip, newTrip, tripCancel, tripEdit, tripSpan, tripsOf, tripView } from '@bluffwind/contract/trips';
import { addDays, DAY, startOfLocalDay } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import { Between, type EntityManager, In, IsNull } from 'typeorm';
import { audit } from '../audit';
import { LegEntity, PlanEntity } from '../db/entities/plan';
import { TripEntity, type TripRow } from '../db/entities/trip';
import { WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import type { Who } from '../http/who';
import { keepParty, requireTrip } from './requireTrip';
import { tripsOn, zoneOf } from './tripsOn';
import { newestRun, tripViews } from './tripViews';

export function tripRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({ method: 'get', path: '/trips', request: { query: tripsOf }, responses: answers(z.array(tripView), 'Trips of a day') }),
    async (c) => {
      const entities = c.get('entities');
      const who = c.get('who');
      return await tripViews(entities, await tripsOn(entities, c.req.valid('query').date, await zoneOf(entities, who.outfitId)), who);
    },
    { keptMs: 60_000, from: ['conditions', 'crew', 'trips', 'waters'] },
  );

  app.answer(
    createRoute({ method: 'get', path: '/trips/{id}', request: { params: z.object({ id }) }, responses: answers(tripView, 'One trip') }),
    async (c) => {
      const entities = c.get('entities');
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      const [view] = await tripViews(entities, [trip], c.get('who'), await newestRun(entities, clock.now()));
      return found(view, 'trip');
    },
    { keptMs: 60_000, from: ['conditions', 'crew', 'trips', 'waters'] },
  );

  app.answer(
    createRoute({ method: 'post', path: '/trips', request: jsonBody(newTrip), responses: answers(tripView, 'Stored') }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      // Sent again because the answer was lost, maybe with a word changed: it is the trip that is there, as it is wanted now.
      const there = await entities.findOneBy(TripEntity, { id: body.id });
      if (there) {
        if (there.waterId !== body.waterId)
          throw new Problem('conflict', 'It is stored already, on another water: open it from the calendar.');
        return changeTrip(entities, who, there, body, clock.now());
      }
      await requireTrip(entities, body, clock.now());
      const { outfitId } = who;
      const water = found(await entities.findOneBy(WaterEntity, { id: body.waterId, retiredAt: IsNull() }), 'water');
      await entities.insert(TripEntity, {
        ...columnsOf(body),
        id: body.id,
        outfitId,
        waterId: water.id,
        status: 'planned',
        booking: body.booking,
      });
      await keepParty(entities, outfitId, body.id, body);
      await audit(entities, who, clock.now(), 'create', 'trip', body.id, body);
      const [view] = await tripViews(entities, [found(await entities.findOneBy(TripEntity, { id: body.id }), 'trip')], who);
      return found(view, 'trip');
    },
  );

  app.answer(
    createRoute({
      method: 'get',
      path: '/calendar',
      request: { query: tripSpan },
      responses: answers(z.array(tripView), 'Trips of some days, those that were called off too'),
    }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      const { from, to } = c.req.valid('query');
      const zone = await zoneOf(entities, who.outfitId);
      const span: [number, number] = [startOfLocalDay(from, zone), startOfLocalDay(addDays(to, 1), zone)];
      if (!(span[1] > span[0] && span[1] - span[0] <= CALENDAR_DAYS * DAY))
        throw new Problem('invalid', `to: expected at most ${CALENDAR_DAYS} days from ${from} on`, [
          { field: 'to', message: `at most ${CALENDAR_DAYS} days` },
        ]);
      const trips = await entities.find(TripEntity, {
        where: { startsAt: Between(new Date(span[0]), new Date(span[1] - 1)) },
        order: { startsAt: 'ASC' },
      });
      return tripViews(entities, trips, who);
    },
    { keptMs: 60_000, from: ['conditions', 'crew', 'trips', 'waters'] },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/trips/{id}',
      request: { params: z.object({ id }), ...jsonBody(tripEdit) },
      responses: answers(tripView, 'The trip as it is now'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      return changeTrip(entities, who, trip, body, clock.now());
    },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/trips/{id}/cancel',
      request: { params: z.object({ id }), ...jsonBody(tripCancel) },
      responses: answers(z.object({ ok: z.literal(true) }), 'Called off'),
    }),
    async (c) => {
      requireCaptain(c);
      const [entities, who, { reason }] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      if (trip.status !== 'planned')
        throw new Problem('in_use', `The trip is ${trip.status === 'cancelled' ? 'called off already' : trip.status}.`);
      await entities.update(TripEntity, { id: trip.id }, { status: 'cancelled', cancelReason: reason });
      await audit(entities, who, clock.now(), 'cancel', 'trip', trip.id, { reason });
      return { ok: true as const };
    },
  );
  return app;
}

/** A calendar shows so many days at most. */
const CALENDAR_DAYS = 70;

/** Makes a trip what is wanted of it. Throws Problem when it is over, called off, or cannot be so. */
async function changeTrip(
  entities: EntityManager,
  who: Who,
  trip: TripRow,
  body: Omit<NewTrip, 'id' | 'waterId' | 'booking'>,
  nowMs: number,
) {
  if (trip.status === 'done' || trip.status === 'cancelled')
    throw new Problem('in_use', trip.status === 'done' ? 'The trip is done; its log stays as it is.' : 'The trip was called off.');
  const wanted = { ...body, waterId: trip.waterId };
  if (trip.status === 'under way' && (Date.parse(body.startsAt) !== trip.startsAt.getTime() || body.boatId !== trip.boatId))
    throw new Problem('in_use', 'The trip is under way: its boat and its start stay.', [{ field: 'startsAt', message: 'under way' }]);
  await requireTrip(entities, wanted, nowMs);
  // Breaks that lie outside the new hours are no breaks any more.
  const [from, to] = [Date.parse(body.startsAt), Date.parse(body.endsAt)];
  const breaks = trip.breaks.filter((b) => Date.parse(b.from) >= from && Date.parse(b.to) <= to);
  await entities.update(TripEntity, { id: trip.id }, { ...columnsOf(wanted), breaks });
  // A plan is laid for these hours and this boat; laid for others it would hold spots that nobody goes to.
  const moved = from !== trip.startsAt.getTime() || to !== trip.endsAt.getTime() || body.boatId !== trip.boatId;
  if (moved && trip.status === 'planned') await dropPlans(entities, trip.id);
  await keepParty(entities, trip.outfitId, trip.id, wanted);
  await audit(entities, who, nowMs, 'change', 'trip', trip.id, body);
  const [view] = await tripViews(entities, [found(await entities.findOneBy(TripEntity, { id: trip.id }), 'trip')], who);
  return found(view, 'trip');
}

/** Takes a trip's plans out: they were laid for other hours or another boat. */
async function dropPlans(entities: EntityManager, tripId: string): Promise<void> {
  const plans = await entities.find(PlanEntity, { select: { id: true }, where: { tripId } });
  if (plans.length === 0) return;
  await entities.delete(LegEntity, { planId: In(plans.map((p) => p.id)) });
  await entities.delete(PlanEntity, { tripId });
}

type Booked = Omit<NewTrip, 'id' | 'waterId' | 'booking'>;

/** What a booking says, as the table keeps it: without what has tables of its own, and without what stays once it is made. */
function columnsOf(body: Booked & Partial<NewTrip>) {
  const {
    startsAt,
    endsAt,
    speciesIds: _s,
    speciesWeights: _sw,
    clientIds: _c,
    mateIds: _m,
    id: _i,
    waterId: _w,
    booking: _b,
    ...row
  } = body;
  return { ...row, startsAt: new Date(startsAt), endsAt: new Date(endsAt) };
}

// What is written down when a trip is over: each stop against what was expected of it, and what the crew says.
import { debriefEdit, type DebriefView, debriefView } from '@bluffwind/contract/debrief';
import { id } from '@bluffwind/contract/ids';
import { composeBrief } from '@bluffwind/core/brief/composeBrief';
import { outWords } from '@bluffwind/core/turn/disturbances';
import { DAY, localDate, startOfLocalDay } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import { type EntityManager, In, IsNull } from 'typeorm';
import { audit } from '../audit';
import { outcomesOf } from '../brief/outcomesOf';
import { DebriefEntity } from '../db/entities/day';
import { SpotEntity } from '../db/entities/grounds';
import { PersonEntity } from '../db/entities/people';
import { StopEntity } from '../db/entities/log';
import { TripEntity, type TripRow } from '../db/entities/trip';
import { asOut, outsOf } from '../deck/linesOut';
import { Problem } from '../errors';
import { mayShow } from '../grounds/mayShow';
import { type Deps, found } from '../http/context';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';
import type { Who } from '../http/who';
import { isAboard } from '../trips/crew';
import { zoneOf } from '../trips/tripsOn';
import { luckWords } from '@bluffwind/core/brief/luckWords';
import { dayOnChart } from './dayOnChart';
import { putBack, tackleNames, takeLost } from './stock';

const byTrip = z.object({ id });
const done = z.object({ ok: z.literal(true) });

export function debriefRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/trips/{id}/debrief',
      request: { params: byTrip },
      responses: answers(debriefView, 'The day against what was expected, and what the crew says'),
    }),
    async (c) => {
      const [entities, who] = [c.get('entities'), c.get('who')];
      const trip = await tripFor(entities, c.req.valid('param').id, who);
      return viewOf(entities, trip, who, clock.now());
    },
    { slow: true, keptMs: 120_000 },
  );
  app.answer(
    createRoute({
      method: 'post',
      path: '/trips/{id}/debrief',
      request: { params: byTrip, ...jsonBody(debriefEdit) },
      responses: answers(done, 'Written down'),
    }),
    async (c) => {
      const [entities, who, body] = [c.get('entities'), c.get('who'), c.req.valid('json')];
      const trip = await tripFor(entities, c.req.valid('param').id, who);
      if (trip.status === 'planned') throw new Problem('invalid', 'This trip has not begun; there is nothing to look back on yet.');
      const now = new Date(clock.now());
      const before = await entities.findOneBy(DebriefEntity, { tripId: trip.id });
      if (who.role === 'mate' && body.signed) throw new Problem('not_allowed', 'A captain signs the debrief off.');
      if (before?.signedAt && who.role === 'mate')
        throw new Problem('conflict', 'The captain has signed this debrief and can open it again.');
      const signed = body.signed ? { signedAt: before?.signedAt ?? now, signedBy: before?.signedBy ?? who.personId } : NOT_SIGNED;
      const { said, chips, lost, baitLeft } = body;
      await putBack(entities, before?.taken ?? {});
      const taken = body.signed ? await takeLost(entities, lost) : {};
      const row = { tripId: trip.id, outfitId: who.outfitId, said, chips, lost, baitLeft, taken, ...signed, by: who.personId, at: now };
      await entities.upsert(DebriefEntity, row, ['tripId']);
      await audit(entities, who, clock.now(), body.signed ? 'sign debrief' : 'debrief', 'trip', trip.id, {});
      return { ok: true as const };
    },
  );
  return app;
}

const NOT_SIGNED = { signedAt: null, signedBy: null };
const EMPTY = { said: '', chips: [], lost: [], baitLeft: '', signed: false };

async function tripFor(entities: EntityManager, tripId: string, who: Who): Promise<TripRow> {
  const trip = found(await entities.findOneBy(TripEntity, { id: tripId }), 'trip');
  if (!(await isAboard(entities, trip, who))) throw new Problem('not_aboard', 'You are not named as a mate of this trip.');
  return trip;
}

async function viewOf(entities: EntityManager, trip: TripRow, who: Who, nowMs: number): Promise<DebriefView> {
  const zone = await zoneOf(entities, trip.outfitId);
  const dayStart = startOfLocalDay(localDate(trip.startsAt.getTime(), zone), zone);
  const spots = await entities.find(SpotEntity);
  const nameOf = (spotId: string) => spots.find((s) => s.id === spotId)?.name ?? '';
  const outcomes = await outcomesOf(entities, trip, dayStart, nowMs, nowMs, nameOf);
  const stops = await entities.findBy(StopEntity, { tripId: trip.id, deletedAt: IsNull() });
  const outs = await outsOf(
    entities,
    stops.map((s) => s.id),
  );
  const outOf = (spotId: string) => {
    const ids = stops.filter((s) => s.spotId === spotId).map((s) => s.id);
    return outWords(outs.filter((o) => ids.includes(o.stopId)).map(asOut), trip.startsAt.getTime() - DAY, nowMs);
  };
  const seen = (spotId: string) => spots.some((s) => s.id === spotId && mayShow(s, who.role));
  const row = await entities.findOneBy(DebriefEntity, { tripId: trip.id });
  const people = row?.signedBy ? await entities.findBy(PersonEntity, { id: In([row.signedBy]) }) : [];
  return {
    tripId: trip.id,
    edit: row ? { said: row.said, chips: row.chips, lost: row.lost, baitLeft: row.baitLeft, signed: row.signedAt !== null } : EMPTY,
    signedAt: row?.signedAt?.toISOString() ?? null,
    signedBy: people[0]?.name ?? null,
    stops: composeBrief(outcomes, [], [])
      .againstPlan.filter((o) => seen(o.spotId))
      .map((o) => ({
        spotId: o.spotId,
        spot: o.spotName,
        rodHours: o.rodHours,
        fish: o.fish,
        expected: o.expected,
        lo80: o.lo80,
        hi80: o.hi80,
        out: outOf(o.spotId),
        words: luckWords(o),
      })),
    waterId: trip.waterId,
    ...(await dayOnChart(entities, trip.id, (s) => mayShow(s, who.role))),
    tackle: await tackleNames(entities, trip.id),
    mayWrite: who.role !== 'mate' || row?.signedAt == null,
  };
}

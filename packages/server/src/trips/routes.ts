import { id } from '@bluffwind/contract/ids';
import { newTrip, tripsOf, tripView } from '@bluffwind/contract/trips';
import { closedBy, limitWords } from '@bluffwind/core/rules/verdict';
import { DAY, localDate, MINUTE } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';
import { audit } from '../audit';
import { RuleEntity, SpeciesEntity } from '../db/entities/grounds';
import { BoatEntity, ClientEntity, PersonEntity } from '../db/entities/outfit';
import { PartyEntity, TripEntity, TripSpeciesEntity } from '../db/entities/trip';
import { WaterEntity } from '../db/entities/water';
import { Problem } from '../errors';
import { type Deps, found, requireCaptain } from '../http/context';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { crewRules } from '../rules/crewRules';
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
    { keptMs: 60_000 },
  );

  app.answer(
    createRoute({ method: 'get', path: '/trips/{id}', request: { params: z.object({ id }) }, responses: answers(tripView, 'One trip') }),
    async (c) => {
      const entities = c.get('entities');
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').id }), 'trip');
      const [view] = await tripViews(entities, [trip], c.get('who'), await newestRun(entities, clock.now()));
      return found(view, 'trip');
    },
    { keptMs: 60_000 },
  );

  app.answer(
    createRoute({ method: 'post', path: '/trips', request: jsonBody(newTrip), responses: answers(tripView, 'Stored') }),
    async (c) => {
      requireCaptain(c);
      const entities = c.get('entities');
      const who = c.get('who');
      const body = c.req.valid('json');
      const [from, to] = [Date.parse(body.startsAt), Date.parse(body.endsAt)];
      if (to <= from)
        throw new Problem('ends_before_start', '', [{ field: 'endsAt', message: `expected after ${body.startsAt}, got ${body.endsAt}` }]);
      if (to - from > DAY)
        throw new Problem('invalid', 'endsAt: a trip lasts at most 24 h', [{ field: 'endsAt', message: 'at most 24 h after the start' }]);
      requireRealTimes(from, to, clock.now());
      const boat = found(await entities.findOneBy(BoatEntity, { id: body.boatId }), 'boat');
      const captain = found(await entities.findOneBy(PersonEntity, { id: body.captainId, active: true }), 'captain');
      if (captain.role === 'mate')
        throw new Problem('invalid', `captainId: ${captain.name} is a mate; name a captain`, [{ field: 'captainId', message: 'a mate' }]);
      const water = found(await entities.findOneBy(WaterEntity, { id: body.waterId }), 'water');
      for (const [i, s] of body.speciesIds.entries()) {
        const species = found(await entities.findOneBy(SpeciesEntity, { id: s }), 'species');
        if (species.habitat !== water.kind)
          throw new Problem('invalid', `speciesIds: ${species.name} lives in ${species.habitat} water, ${water.name} is ${water.kind}`, [
            { field: `speciesIds.${i}`, message: `not in ${water.kind} water` },
          ]);
      }
      for (const k of body.clientIds) found(await entities.findOneBy(ClientEntity, { id: k }), 'client');
      if (body.clientIds.length > boat.seats) {
        throw new Problem('too_many_guests', `${body.clientIds.length} guests, ${boat.name} has ${boat.seats} seats`, [
          { field: 'clientIds', message: `at most ${boat.seats}` },
        ]);
      }
      await refuseClosed(entities, body, from, to);
      const { clientIds, speciesIds, speciesWeights, ...rest } = body;
      const outfitId = who.outfitId;
      await entities.insert(TripEntity, { ...rest, outfitId, startsAt: new Date(from), endsAt: new Date(to), status: 'planned' });
      await entities.insert(
        TripSpeciesEntity,
        speciesIds.map((speciesId) => ({ tripId: body.id, speciesId, outfitId, weight: speciesWeights[speciesId] ?? 1 })),
      );
      if (clientIds.length > 0)
        await entities.insert(
          PartyEntity,
          clientIds.map((clientId) => ({ tripId: body.id, clientId, outfitId })),
        );
      // The guests' check is deferred to the commit; asking now names the field.
      await entities.query('set constraints all immediate');
      await audit(entities, who, clock.now(), 'create', 'trip', body.id, body);
      const [view] = await tripViews(entities, [found(await entities.findOneBy(TripEntity, { id: body.id }), 'trip')], who);
      return found(view, 'trip');
    },
  );
  return app;
}

/** A trip lasts half an hour at least and is not planned years away. */
const SHORTEST_MS = 30 * MINUTE;
const LONGEST_BACK_MS = 400 * DAY;
const FURTHEST_MS = 1100 * DAY;

function requireRealTimes(from: number, to: number, nowMs: number): void {
  if (to - from < SHORTEST_MS)
    throw new Problem('invalid', 'endsAt: a trip lasts at least 30 min', [{ field: 'endsAt', message: 'at least 30 min after the start' }]);
  if (from < nowMs - LONGEST_BACK_MS || from > nowMs + FURTHEST_MS)
    throw new Problem('invalid', 'startsAt: expected within the last year or the next three', [
      { field: 'startsAt', message: 'within the last year or the next three' },
    ]);
}

/** A species that is closed on the day of a trip is no goal of it. */
async function refuseClosed(
  entities: EntityManager,
  body: { waterId: string; speciesIds: string[] },
  fromMs: number,
  toMs: number,
): Promise<void> {
  const water = found(await entities.findOneBy(WaterEntity, { id: body.waterId }), 'water');
  const zone = await zoneOf(entities, water.outfitId);
  const rules = await crewRules(entities);
  for (const speciesId of body.speciesIds) {
    const rule = [fromMs, toMs]
      .map((at) => closedBy(rules, speciesId, water.ruleZone || null, localDate(at, zone)))
      .find((r) => r !== null);
    if (!rule) continue;
    const species = await entities.findOneBy(SpeciesEntity, { id: speciesId });
    const row = await entities.findOneBy(RuleEntity, { id: rule.id });
    throw new Problem('closed_season', `${species?.name} is ${limitWords(rule)} (${row?.source}, checked on ${row?.checkedOn}).`, [
      { field: 'speciesIds', message: `${species?.name} is ${limitWords(rule)}` },
    ]);
  }
}

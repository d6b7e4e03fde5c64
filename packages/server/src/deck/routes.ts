import { deckBatch, type DeckPack, deckPack, deckReceipt } from '@bluffwind/contract/deck';
import { id } from '@bluffwind/contract/ids';
import { type Ranking, rankTrip, STEP_MS } from '@bluffwind/core/plan/rankTrip';
import { beliefAt } from '@bluffwind/core/stay/beliefAt';
import { aheadOf } from '@bluffwind/core/stay/exposure';
import { alternativesFrom } from '@bluffwind/core/stay/stayOrMove';
import { stayTable } from '@bluffwind/core/stay/stayTable';
import { HOUR } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import { type EntityManager, In } from 'typeorm';
import { PresentationEntity, RuleEntity, SpeciesEntity } from '../db/entities/grounds';
import { DepartureEntity, TrialEntity, TripRestEntity } from '../db/entities/day';
import { TripEntity } from '../db/entities/trip';
import { BoatEntity } from '../db/entities/outfit';
import { WaterEntity } from '../db/entities/water';
import { type Deps, found } from '../http/context';
import { router } from '../http/routes';
import { answers, jsonBody } from '../http/responses';
import { inputsOf, loadDesk } from '../plan/desk';
import { tripViews } from '../trips/tripViews';
import { Problem } from '../errors';
import { isAboard } from '../trips/crew';
import { deckTrip } from './deckTrip';
import { namedBy, readEntries, takeEntries } from './takeEntries';
import { throughMerges } from './throughMerges';
import { waysByHour } from './waysByHour';
import { deckStops } from './deckStops';
import { keptBefore } from './keptBefore';

const byTrip = z.object({ tripId: id });

/** The phone's pack for a trip, and what comes back from it. */
export function deckRoutes({ clock, jobs }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/deck/{tripId}',
      request: { params: byTrip },
      responses: answers(deckPack, 'All that the phone needs'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const who = c.get('who');
      const trip = found(await entities.findOneBy(TripEntity, { id: c.req.valid('param').tripId }), 'trip');
      const desk = await loadDesk(entities, trip, clock.now(), who.role, { aboard: await isAboard(entities, trip, who) });
      const ranking = rankTrip(inputsOf(desk), { aboard: desk.aboard ?? undefined });
      const water = found(await entities.findOneBy(WaterEntity, { id: trip.waterId }), 'water');
      const { checks, gear } = found(await entities.findOneBy(BoatEntity, { id: trip.boatId }), 'boat');
      const [view] = await tripViews(entities, [trip], who);
      const tripSpecies = found(view, 'trip').species.map((s) => s.id);
      const species = await entities.find(SpeciesEntity, { where: { habitat: water.kind }, order: { name: 'ASC' } });
      const spots = desk.spots.map((s, i) => {
        const call = ranking.calls.find((k) => k.spotId === s.id);
        // Gamma belief for all rods with the model's mean; its shape is the spread between days.
        const a = ranking.model.dispersion;
        const rate = Math.max(0.01, (call?.ratePerRodHour ?? 0.01) * trip.rods);
        const travel = desk.spots
          .map((t, j) => [t.id, desk.travelMin[i]?.[j] ?? null] as const)
          .filter((x): x is readonly [string, number] => x[1] !== null);
        return {
          id: s.id,
          name: s.name,
          depthMinM: s.depthMinM,
          depthMaxM: s.depthMaxM,
          lat: s.lat,
          lon: s.lon,
          bottom: s.bottom,
          accessDepthM: s.accessDepthM,
          hazards: s.hazards,
          legality: s.legality,
          shoreNormalDeg: s.shoreNormalDeg,
          fetchM: s.fetchM,
          heatOffsetC: s.heatOffsetC,
          heatSdC: s.heatSdC,
          a,
          b: a / rate,
          hourly: { fromMs: trip.startsAt.getTime(), ratePerHour: hourlyRates(ranking, i, trip.rods) },
          baits: ranking.baits.map((p, b) => ({
            id: desk.presentations[p]?.id as string,
            ratePerHour: hourlyOf(ranking.rates[i]?.[b] ?? []).map((r) => Number((r * trip.rods).toPrecision(3))),
          })),
          fadePerHour: s.fadePerHour,
          travelMin: Object.fromEntries(travel),
          ...waysByHour(ranking.ways, i, desk.spots, trip.startsAt.getTime()),
          open: (ranking.open[i] ?? []).map(([from, to]): [number, number] => [
            trip.startsAt.getTime() + from * STEP_MS,
            trip.startsAt.getTime() + to * STEP_MS,
          ]),
        };
      });
      const legs = desk.saved?.legs ?? [];
      const pack: DeckPack = {
        trip: found(view, 'trip'),
        beganAt: trip.beganAt?.toISOString() ?? null,
        endedAt: trip.endedAt?.toISOString() ?? null,
        zone: desk.zone,
        ruleZone: water.ruleZone,
        water: desk.water,
        boat: desk.boat,
        aboard: { checks, gear },
        party: desk.party,
        legs: legs.map((l, i) => ({
          spotId: l.spotId,
          presentationId: l.presentationId,
          secondId: ranking.calls.find((k) => k.spotId === l.spotId)?.second?.presentationId ?? null,
          startAt: l.startAt,
          departAt: l.departAt,
          expected: l.expected,
          lo80: l.lo80,
          hi80: l.hi80,
          table: legTable(spots, legs, i, trip.endsAt.getTime()),
        })),
        spots,
        triggers: (desk.saved?.triggers ?? []).map(({ sentence, worth, condition }) => ({ sentence, worth, condition })),
        presentations: (
          await entities.find(PresentationEntity, { where: { active: true, habitat: In(['both', water.kind]) }, order: { name: 'ASC' } })
        ).map(({ id, name }) => ({ id, name })),
        species: species.map((s) => ({
          id: s.id,
          name: s.name,
          lengthKind: s.lengthKind,
          caution: s.caution,
          usual: tripSpecies.includes(s.id),
          leastMm: s.leastMm,
          mostMm: s.mostMm,
        })),
        keptBefore: await keptBefore(entities, trip, desk.zone),
        rules: (await entities.find(RuleEntity)).map((r) => ({
          id: r.id,
          speciesId: r.speciesId,
          zone: r.zone,
          body: r.body as DeckPack['rules'][number]['body'],
          source: r.source,
          checkedOn: r.checkedOn,
        })),
        stops: await deckStops(entities, trip.id),
        departure: await departureOf(entities, trip.id),
        trial: await trialOf(entities, trip.id),
        rest: await restOf(entities, trip.id),
      };
      return pack;
    },
    { slow: true, keptMs: 60_000, from: ['conditions', 'crew', 'log', 'spots', 'trips', 'waters'] },
  );

  app.answer(
    createRoute({
      method: 'post',
      path: '/deck/{tripId}/entries',
      request: { params: byTrip, ...jsonBody(deckBatch) },
      responses: answers(deckReceipt, 'A receipt for each entry'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const read = await throughMerges(entities, readEntries(c.req.valid('json').entries));
      const named = namedBy(read);
      const look = async () => found(await deckTrip(entities, c.req.valid('param').tripId, c.get('who'), named), 'trip');
      const on = await look();
      if (!on.aboard) throw new Problem('not_aboard', 'You are not named as a mate of this trip.');
      const { receipts, ended } = await takeEntries(entities, on, read, async () => (await look()).context, {
        nowMs: clock.now(),
        by: c.get('who').personId,
      });
      // What the ended stops were fished in takes its time and is worked out elsewhere.
      if (ended) await jobs.send(entities, 'see-stops', { outfitId: on.trip.outfitId });
      return { receipts };
    },
    { often: true },
  );
  return app;
}

/** A list of rates by the step as means by the hour. */
function hourlyOf(list: readonly number[]): number[] {
  const perHour = HOUR / STEP_MS;
  return Array.from({ length: Math.ceil(list.length / perHour) }, (_, h) => {
    const part = list.slice(h * perHour, (h + 1) * perHour);
    return part.reduce((sum, r) => sum + r, 0) / part.length;
  });
}

/** Expected fish an hour of all rods with the best bait, hour by hour of a trip. */
function hourlyRates(ranking: Ranking, spot: number, rods: number): number[] {
  const lists = (ranking.rates[spot] ?? []).map(hourlyOf);
  return (lists[0] ?? []).map((_, h) => rods * Math.max(...lists.map((list) => list[h] as number)));
}

/** The decision table of a leg: from its start to the end of the trip, against every spot that was not fished before it. */
function legTable(
  spots: DeckPack['spots'],
  legs: readonly { spotId: string; startAt: string }[],
  i: number,
  endMs: number,
): DeckPack['legs'][number]['table'] {
  const leg = legs[i];
  const here = spots.find((s) => s.id === leg?.spotId);
  if (!leg || !here) return null;
  const before = new Set(legs.slice(0, i + 1).map((l) => l.spotId));
  const minutes = (endMs - Date.parse(leg.startAt)) / 60_000;
  const { value, stepMin, leastToStay, to } = stayTable(
    beliefAt(here, Date.parse(leg.startAt)),
    here.fadePerHour,
    minutes,
    alternativesFrom(spots, here.id, before, Date.parse(leg.startAt)),
    aheadOf(here, Date.parse(leg.startAt), minutes),
  );
  return { stepMin, leastToStay: [...leastToStay], to: [...to], value };
}

/** The rest of the day that was laid anew on deck. */
async function restOf(entities: EntityManager, tripId: string): Promise<NonNullable<DeckPack['rest']> | null> {
  const row = await entities.findOneBy(TripRestEntity, { tripId });
  return row && { legs: row.legs, at: row.at.toISOString() };
}

/** What the trip compares, or null. */
async function trialOf(entities: EntityManager, tripId: string): Promise<DeckPack['trial']> {
  const row = await entities.findOneBy(TrialEntity, { tripId });
  return row?.what && row.arms.length > 1 ? { what: row.what, arms: row.arms } : null;
}

async function departureOf(entities: EntityManager, tripId: string): Promise<NonNullable<DeckPack['departure']> | null> {
  const row = await entities.findOneBy(DepartureEntity, { tripId });
  if (!row) return null;
  const { signedBy, at, dueAt, ashore, left } = row;
  return { signedBy, at: at.toISOString(), dueAt: dueAt.toISOString(), ashore, left };
}

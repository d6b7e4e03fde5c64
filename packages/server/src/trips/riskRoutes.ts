// What speaks against a day's trips on what is known now: their plans' stops, or the open water where they have none.
import { risksAsked, type TripRisk, tripRisk } from '@bluffwind/contract/risk';
import { openWater } from '@bluffwind/core/conditions/openWater';
import { conditionsOver } from '@bluffwind/core/conditions/spotConditions';
import { waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { worstLines } from '@bluffwind/core/plan/legRisk';
import { judgeSpot } from '@bluffwind/core/risk/atPlace';
import { graver, type Level, QUANTITIES } from '@bluffwind/core/risk/judge';
import { every, type RiskSpan, riskSpans } from '@bluffwind/core/risk/judgeSpans';
import { HOUR, MINUTE } from '@bluffwind/core/units/time';
import { createRoute, z } from '@hono/zod-openapi';
import { type EntityManager, In } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';
import { BoatEntity } from '../db/entities/boats';
import { ClientEntity } from '../db/entities/clients';
import { LegEntity, PlanEntity } from '../db/entities/plan';
import { PartyEntity, type TripRow } from '../db/entities/trip';
import { WaterEntity } from '../db/entities/water';
import { effectiveBed } from '../grounds/chartData';
import { mayShow } from '../grounds/mayShow';
import { type Deps, found } from '../http/context';
import { router } from '../http/routes';
import { answers } from '../http/responses';
import { loadWaterState } from '../water/waterState';
import { limitsOf, partyOfTrip } from './riskOfTrip';
import { tripsOn, zoneOf } from './tripsOn';

const LOOK_MS = 15 * MINUTE;

export function riskRoutes({ clock }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'get',
      path: '/risks',
      request: { query: risksAsked },
      responses: answers(z.array(tripRisk), 'What speaks against the trips of a day'),
    }),
    async (c) => {
      const entities = c.get('entities');
      const zone = await zoneOf(entities, c.get('who').outfitId);
      const trips = (await tripsOn(entities, c.req.valid('query').date, zone)).filter((t) => t.status !== 'done');
      const out: TripRisk[] = [];
      for (const waterId of new Set(trips.map((t) => t.waterId)))
        out.push(
          ...(await risksOn(
            entities,
            waterId,
            trips.filter((t) => t.waterId === waterId),
            c.get('who').role,
            zone,
            clock.now(),
          )),
        );
      return out;
    },
    { slow: true, keptMs: 60_000 },
  );
  return app;
}

/** Risks of the trips on one water, from one reading of its state. */
async function risksOn(
  entities: EntityManager,
  waterId: string,
  trips: readonly TripRow[],
  role: string,
  zone: string,
  nowMs: number,
): Promise<TripRisk[]> {
  const water = found(await entities.findOneBy(WaterEntity, { id: waterId }), 'water');
  const [from, to] = [Math.min(...trips.map((t) => +t.startsAt)), Math.max(...trips.map((t) => +t.endsAt))];
  const state = waterStateOf((await loadWaterState(entities, waterId, from - HOUR, to + HOUR, nowMs)).record);
  const at = conditionsOver(state, from, to);
  const open = openWater((await effectiveBed(entities, waterId)).bed, water);
  const ids = In(trips.map((t) => t.id));
  const [plans, party, boats] = [
    await entities.find(PlanEntity, { where: { tripId: ids }, order: { version: 'DESC' } }),
    await entities.findBy(PartyEntity, { tripId: ids }),
    await entities.find(BoatEntity),
  ];
  const guests = await entities.findBy(ClientEntity, { id: In(party.map((p) => p.clientId)) });
  const newest = trips.flatMap((t) => plans.find((p) => p.tripId === t.id)?.id ?? []);
  const legs = await entities.find(LegEntity, { where: { planId: In(newest) }, order: { position: 'ASC' } });
  const spots = await entities.findBy(SpotEntity, { id: In(legs.map((l) => l.spotId)) });
  return trips.map((t): TripRisk => {
    const boat = limitsOf(
      found(
        boats.find((b) => b.id === t.boatId),
        'boat',
      ),
    );
    const aboard = partyOfTrip(
      t,
      guests.filter((g) => party.some((p) => p.tripId === t.id && p.clientId === g.id)),
    );
    const plan = plans.find((p) => p.tripId === t.id);
    const stays = legs
      .filter((l) => l.planId === plan?.id)
      .flatMap((l) => {
        const spot = spots.find((s) => s.id === l.spotId);
        // What is told of a spot that is not shown would give it away; its water is judged all the same.
        return spot
          ? [{ place: spot, name: mayShow(spot, role) ? `at ${spot.name}` : 'at a stop', fromMs: +l.arriveAt, toMs: +l.departAt }]
          : [];
      });
    const looked =
      stays.length > 0 ? stays : [{ place: open, name: `on ${water.name}`, fromMs: t.startsAt.getTime(), toMs: t.endsAt.getTime() }];
    let worst: Level = 'within';
    const unknown = new Set<RiskSpan['quantity']>();
    const placed = looked.map(({ place, name, fromMs, toMs }) => {
      // At the quarters of an hour by which its plan was laid, so that both say the same.
      const quarter = (ms: number) => +t.startsAt + Math.floor((ms - +t.startsAt) / LOOK_MS) * LOOK_MS;
      const spans = riskSpans(every(fromMs, toMs, LOOK_MS), toMs, (ms) => judgeSpot(boat, aboard, place, at(place, quarter(ms))));
      for (const s of spans) {
        worst = graver(worst, s.level);
        if (s.level === 'unknown') unknown.add(s.quantity);
      }
      return { where: name, spans };
    });
    return {
      tripId: t.id,
      worst,
      lines: worstLines(placed, zone),
      notKnown: QUANTITIES.filter((q) => unknown.has(q)),
    };
  });
}

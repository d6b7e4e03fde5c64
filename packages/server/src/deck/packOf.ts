// All that the phone needs of a trip to go out with it, without a network.
import type { DeckPack } from '@bluffwind/contract/deck';
import { rankTrip } from '@bluffwind/core/plan/rankTrip';
import { type EntityManager, In } from 'typeorm';
import { PresentationEntity } from '../db/entities/baits';
import { RuleEntity, SpeciesEntity } from '../db/entities/fish';
import { BoatEntity } from '../db/entities/boats';
import type { TripRow } from '../db/entities/trip';
import { WaterEntity } from '../db/entities/water';
import { found } from '../http/context';
import type { Who } from '../http/who';
import { inputsOf, loadDesk } from '../plan/desk';
import { isAboard } from '../trips/crew';
import { tripViews } from '../trips/tripViews';
import { deckStops } from './deckStops';
import { keptBefore } from './keptBefore';
import { legTable } from './legTable';
import { packSpots } from './packSpots';
import { departureOf, restOf, trialOf } from './said';

/** The phone's pack for a trip, as this person may see it. */
export async function packOf(entities: EntityManager, trip: TripRow, who: Who, nowMs: number): Promise<DeckPack> {
  const desk = await loadDesk(entities, trip, nowMs, who.role, { aboard: await isAboard(entities, trip, who) });
  const ranking = rankTrip(inputsOf(desk), { aboard: desk.aboard ?? undefined });
  const water = found(await entities.findOneBy(WaterEntity, { id: trip.waterId }), 'water');
  const { checks, gear } = found(await entities.findOneBy(BoatEntity, { id: trip.boatId }), 'boat');
  const [view] = await tripViews(entities, [trip], who);
  const tripSpecies = found(view, 'trip').species.map((s) => s.id);
  const species = await entities.find(SpeciesEntity, { where: { habitat: water.kind }, order: { name: 'ASC' } });
  const startMs = trip.startsAt.getTime();
  const spots = packSpots(desk, ranking, { startMs, rods: trip.rods });
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
}

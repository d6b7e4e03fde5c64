// Gathers what a trip's plan is made from: the same for the browser's worker and for the server itself.
import { type PlanDesk, planSpot } from '@bluffwind/contract/plan';
import { spotTrack } from '@bluffwind/core/ground/spotTrack';
import { fishedSets } from '@bluffwind/core/plan/fishedSets';
import { partyFiguresOf } from '@bluffwind/core/plan/partyFigures';
import type { PlanInputs } from '@bluffwind/core/plan/planInputs';
import { HOUR, localDate } from '@bluffwind/core/units/time';
import { type EntityManager, In } from 'typeorm';
import { SpeciesEntity } from '../db/entities/fish';
import { BoatEntity } from '../db/entities/boats';
import { ClientEntity } from '../db/entities/clients';
import { type Goal, PartyEntity, type TripRow, TripSpeciesEntity } from '../db/entities/trip';
import { WaterEntity } from '../db/entities/water';
import { effectiveBed, featuresOf } from '../grounds/chartData';
import { loadFeeds } from '../grounds/feeds';
import { found } from '../http/context';
import { hullOf } from '../trips/driftOf';
import { limitsOf, partyOfTrip } from '../trips/riskOfTrip';
import { zoneOf } from '../trips/tripsOn';
import { loadMemberWinds, loadWaterState } from '../water/waterState';
import { bagOf } from './bagOf';
import { deskBaits } from './deskBaits';
import { deskSpots } from './deskSpots';
import { deskWays } from './deskWays';
import { loadEvidence, loadSigns } from './evidence';
import { forEyes } from './forEyes';
import { fuelOf } from './fuelOf';
import { hiddenSpots } from './hiddenSpots';
import { restingSpots } from './resting';
import { earlierPlans, savedPlan } from './savedPlan';
import { takenSpots } from './taken';

/**
 * The desk of a trip.
 * @param evidenceBeforeMs - Only sets that ended before this count. @param replacing - Trips whose plans do not count, since
 * they are about to be replaced. @param role - Whose eyes: mates see no captains' spots
 * but, when they are `aboard`, those that this trip's own plan goes to. A spot that one captain keeps is planned for his trips only.
 */
export async function loadDesk(
  entities: EntityManager,
  trip: TripRow,
  nowMs: number,
  role: string,
  {
    evidenceBeforeMs = nowMs,
    replacing = [],
    aboard = true,
  }: { evidenceBeforeMs?: number; replacing?: readonly string[]; aboard?: boolean } = {},
): Promise<PlanDesk> {
  const boat = found(await entities.findOneBy(BoatEntity, { id: trip.boatId }), 'boat');
  const water = found(await entities.findOneBy(WaterEntity, { id: trip.waterId }), 'water');
  const saved = await savedPlan(entities, trip.id);
  const secret = saved ? await hiddenSpots(entities, { id: saved.id, triggers: [] }, saved.legs) : new Set<string>();
  const features = await featuresOf(entities, water.id);
  const { spots, marksLeftOut } = await deskSpots(entities, trip, saved, features, { role, aboard });
  const presentations = await deskBaits(entities, trip, water.kind, replacing);
  const species = await entities.findBy(TripSpeciesEntity, { tripId: trip.id });
  const kinds = await entities.find(SpeciesEntity);
  const party = await entities.findBy(PartyEntity, { tripId: trip.id });
  const guests = await entities.find(ClientEntity, { where: { id: In(party.map((p) => p.clientId)) }, order: { name: 'ASC' } });
  const resting = await restingSpots(entities, water.id, trip.startsAt.getTime());
  const { bed, version } = await effectiveBed(entities, water.id);
  const state = await loadWaterState(entities, water.id, trip.startsAt.getTime() - 3 * 24 * HOUR, trip.endsAt.getTime() + 2 * HOUR, nowMs);
  const zone = await zoneOf(entities, trip.outfitId);
  const fuel = await fuelOf(entities, trip, boat, zone, replacing);
  const ways = await deskWays({ trip, boat, water, spots, features, bed, version, record: state.record });
  return {
    now: nowMs,
    startsAt: trip.startsAt.getTime(),
    endsAt: trip.endsAt.getTime(),
    zone,
    counting: COUNTING[trip.goal],
    species: species.map((s) => ({ id: s.speciesId, name: kinds.find((k) => k.id === s.speciesId)?.name ?? '', weight: s.weight })),
    bag: trip.goal === 'table' ? await bagOf(entities, species, guests.length, water.ruleZone || null) : null,
    rods: trip.rods,
    skill: trip.skill,
    footing: trip.footing,
    ...partyFiguresOf(trip),
    breaks: trip.breaks.map((b) => ({ name: b.name, fromMs: Date.parse(b.from), toMs: Date.parse(b.to) })),
    aboard: trip.aboard,
    guests: guests.map(({ id, name, experience, child, hand, wishes, swims }) => ({ id, name, experience, child, hand, wishes, swims })),
    boat: {
      ...limitsOf(boat),
      runMin: fuel.runMin,
      ...(boat.craft === 'foot' ? {} : { drift: hullOf(boat) }),
    },
    party: partyOfTrip(trip, guests),
    fuel: fuel.words,
    water: state.record,
    // The schema is the list of fields that planning is told of.
    spots: spots.map((s) =>
      planSpot.parse({ ...s, restsUntil: resting.get(s.id) ?? null, track: s.shape === 'line' ? spotTrack(bed, s.points) : null }),
    ),
    presentations,
    evidence: await loadEvidence(entities, {
      waterId: water.id,
      zone: water.ruleZone || null,
      date: localDate(trip.startsAt.getTime(), zone),
      species,
      goal: trip.goal,
      beforeMs: evidenceBeforeMs,
      spotIds: spots.map((s) => s.id),
      presentationIds: presentations.map((p) => p.id),
    }),
    signs: (await loadSigns(entities, water.id, evidenceBeforeMs)).filter((g) => g.spot === null || spots.some((s) => s.id === g.spot)),
    feeds: (await loadFeeds(entities, water.id, trip.startsAt.getTime())).filter((f) => spots.some((s) => s.id === f.spot)),
    ...ways,
    taken: (await takenSpots(entities, trip)).filter((t) => !replacing.includes(t.tripId) && spots.some((s) => s.id === t.spotId)),
    members: await loadMemberWinds(entities, water.id, nowMs),
    forecastRunAt: state.forecastRunAt,
    saved: saved && (aboard ? saved : forEyes(saved, (id) => spots.some((s) => s.id === id))),
    marksLeftOut,
    hiddenLegs: saved?.legs.filter((l) => secret.has(l.spotId)).length ?? 0,
    earlier: await earlierPlans(entities, trip.id),
  };
}

/** What each goal counts; to learn wants action of any kind. */
const COUNTING: Record<Goal, PlanDesk['counting']> = { numbers: 'all', learn: 'action', size: 'long', table: 'keepable' };

/** A desk as the core's inputs. */
export function inputsOf(desk: PlanDesk): PlanInputs {
  return {
    ...desk,
    sets: fishedSets(
      desk.evidence,
      desk.spots.map((s) => s.id),
      desk.presentations.map((p) => p.id),
    ),
  };
}

// Gathers what a trip's plan is made from: the same for the browser's worker and for the server itself.
import { type PlanDesk, planSpot, type SavedPlan } from '@bluffwind/contract/plan';
import { envelope } from '@bluffwind/contract/presentations';
import { fishedSets } from '@bluffwind/core/plan/fishedSets';
import type { PlanInputs, WaysAt } from '@bluffwind/core/plan/planInputs';
import { spotTrack } from '@bluffwind/core/ground/spotTrack';
import { type WaterRecord, waterStateOf } from '@bluffwind/core/conditions/waterRecord';
import { every } from '@bluffwind/core/risk/judgeSpans';
import { HOUR, localDate } from '@bluffwind/core/units/time';
import { type EntityManager, In, IsNull } from 'typeorm';
import { FamilyEntity, PresentationEntity, SpeciesEntity, SpotEntity } from '../db/entities/grounds';
import { BoatEntity, ClientEntity, PersonEntity } from '../db/entities/outfit';
import { type Goal, LegEntity, PartyEntity, PlanEntity, type PlanRow, type TripRow, TripSpeciesEntity } from '../db/entities/trip';
import { WaterEntity } from '../db/entities/water';
import { effectiveBed, featuresOf, passagesOf, runAreas, writtenOffAt } from '../grounds/chartData';
import { mayShow } from '../grounds/mayShow';
import { found } from '../http/context';
import { hullOf } from '../trips/driftOf';
import { limitsOf, partyOfTrip } from '../trips/riskOfTrip';
import { zoneOf } from '../trips/tripsOn';
import { loadMemberWinds, loadWaterState } from '../water/waterState';
import { loadFeeds } from '../grounds/feeds';
import { loadEvidence, loadSigns } from './evidence';
import { restingSpots } from './resting';
import { forEyes } from './forEyes';
import { fuelOf } from './fuelOf';
import { type RunTimes, runTimes, tideLevels } from './runTimes';
import { type WalkWays, walkWays } from '@bluffwind/core/ground/walkWays';
import { hiddenSpots } from './hiddenSpots';
import { bagOf } from './bagOf';
import { heldBaits, heldUp } from './heldBaits';
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
  const planned = new Set(saved?.legs.map((l) => l.spotId));
  const secret = saved ? await hiddenSpots(entities, { id: saved.id, triggers: [] }, saved.legs) : new Set<string>();
  const features = await featuresOf(entities, water.id);
  const all = await entities.find(SpotEntity, { where: { waterId: water.id, retiredAt: IsNull() }, order: { name: 'ASC' } });
  // A part that is written off is not planned for, unless a plan already goes there.
  const marks = await bareMarks(entities, water.id);
  const seen = all.filter(
    (s) =>
      (planned.has(s.id) && (aboard || mayShow(s, role))) ||
      (mayShow(s, role) && (s.keeperId === null || s.keeperId === trip.captainId) && writtenOffAt(features, s) === null),
  );
  const spots = seen.filter((s) => planned.has(s.id) || !marks.has(s.id));
  const presentations = await entities.find(PresentationEntity, {
    where: { active: true, habitat: In(['both', water.kind]) },
    order: { name: 'ASC' },
  });
  const families = await entities.find(FamilyEntity);
  const species = await entities.findBy(TripSpeciesEntity, { tripId: trip.id });
  const kinds = await entities.find(SpeciesEntity);
  const party = await entities.findBy(PartyEntity, { tripId: trip.id });
  const guests = await entities.find(ClientEntity, { where: { id: In(party.map((p) => p.clientId)) }, order: { name: 'ASC' } });
  const held = (await heldBaits(entities, trip)).filter((h) => !replacing.includes(h.trip_id));
  const resting = await restingSpots(entities, water.id, trip.startsAt.getTime());
  const { bed, version } = await effectiveBed(entities, water.id);
  const state = await loadWaterState(entities, water.id, trip.startsAt.getTime() - 3 * 24 * HOUR, trip.endsAt.getTime() + 2 * HOUR, nowMs);
  const zone = await zoneOf(entities, trip.outfitId);
  const fuel = await fuelOf(entities, trip, boat, zone, replacing);
  const times =
    boat.craft === 'foot'
      ? onFoot(walkWays(bed, { lat: water.dockLat, lon: water.dockLon }, spots, boat.speedMps, boat.castM ?? 60, RODS_DOWN_MIN))
      : await runTimes(
          `${water.id} ${version} ${features.map((f) => `${f.id}${f.madeAt.getTime()}`)} ${boat.draughtM} ${boat.speedMps} ${boat.waveLimitM ?? 1}`,
          {
            chart: `${water.id} ${version}`,
            bed,
            dock: { lat: water.dockLat, lon: water.dockLon },
            spots,
            // A boat without a wave limit is not slowed by waves here.
            boat: { ...boat, waveLimitM: boat.waveLimitM ?? 1 },
            areas: runAreas(features),
            passages: passagesOf(features),
          },
          levelsOf(state.record, trip),
        );
  const deepest = times.byTide.at(-1) as WaysAt;
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
    patienceMin: trip.patienceMin,
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
    presentations: presentations.map((p) => {
      const f = found(
        families.find((x) => x.id === p.familyId),
        'family',
      );
      return {
        id: p.id,
        name: p.name,
        family: f.id,
        familyName: f.name,
        skill: f.skill,
        coverRate: f.coverRate,
        snag: f.snag,
        rods: f.rods,
        tripsADay: p.tripsADay,
        heldBy: heldUp(p, held),
        zone: f.zone,
        look: p.look ?? f.look,
        envelope: envelope.parse(f),
        sizeMm: p.sizeMm,
        weightG: p.weightG,
        pauseS: p.pauseS,
        leaderKg: p.leaderKg,
        colour: p.colour,
      };
    }),
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
    dockTravelMin: [...deepest.dockMin],
    travelMin: deepest.betweenMin.map((row) => [...row]),
    sea: {
      places: times.places.map((p) => ({ ...p, fetchM: [...p.fetchM] })),
      dock: deepest.dockSea.map((way) => [...way]),
      between: deepest.betweenSea.map((row) => row.map((way) => [...way])),
    },
    byTide: times.byTide.map((w) => ({
      tideM: w.tideM,
      dockMin: [...w.dockMin],
      betweenMin: w.betweenMin.map((row) => [...row]),
      dockSea: w.dockSea.map((way) => [...way]),
      betweenSea: w.betweenSea.map((row) => row.map((way) => [...way])),
    })),
    taken: (await takenSpots(entities, trip)).filter((t) => !replacing.includes(t.tripId) && spots.some((s) => s.id === t.spotId)),
    members: await loadMemberWinds(entities, water.id, nowMs),
    forecastRunAt: state.forecastRunAt,
    saved: saved && (aboard ? saved : forEyes(saved, (id) => spots.some((s) => s.id === id))),
    marksLeftOut: seen.length - spots.length,
    hiddenLegs: saved?.legs.filter((l) => secret.has(l.spotId)).length ?? 0,
    earlier: await earlierPlans(entities, trip.id),
  };
}

/** Getting rods down and up again where one walks, minutes. */
const RODS_DOWN_MIN = 4;

/** Ways on foot are the same at every height of tide and cross no sea. */
function onFoot({ dockMin, betweenMin }: WalkWays): RunTimes {
  const none = dockMin.map((): number[] => []);
  return { places: [], byTide: [{ tideM: 0, dockMin, betweenMin, dockSea: none, betweenSea: dockMin.map(() => none) }] };
}

/** Spots that a file brought as bare marks, which nobody has described or fished since: nothing is known to plan them by. */
async function bareMarks(entities: EntityManager, waterId: string): Promise<ReadonlySet<string>> {
  const rows: { id: string }[] = await entities.query(
    `select s.id from spot s where s.water_id = $1 and s.retired_at is null and s.import_id is not null and s.structure = 'mark'
       and not exists (select from stop st where st.spot_id = s.id and st.deleted_at is null)`,
    [waterId],
  );
  return new Set(rows.map((r) => r.id));
}

/** Heights of tide of a trip's hours, by which its ways are worked out; datum where no tide is known. */
function levelsOf(record: WaterRecord, trip: TripRow): number[] {
  const { levelAt } = waterStateOf(record);
  if (!levelAt) return [0];
  const heights = every(trip.startsAt.getTime(), trip.endsAt.getTime() + HOUR, HOUR / 4).map(levelAt);
  return tideLevels(Math.min(...heights), Math.max(...heights));
}

/** What each goal counts; to learn wants action of any kind. */
const COUNTING: Record<Goal, PlanDesk['counting']> = { numbers: 'all', learn: 'action', size: 'long', table: 'keepable' };

async function earlierPlans(entities: EntityManager, tripId: string): Promise<PlanDesk['earlier']> {
  const plans = await entities.find(PlanEntity, { where: { tripId }, order: { version: 'DESC' } });
  const people = await entities.find(PersonEntity);
  return plans.map((p) => ({
    version: p.version,
    madeAt: p.madeAt.toISOString(),
    madeBy: people.find((x) => x.id === p.madeBy)?.name ?? '',
    expected: p.expected,
  }));
}

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

/** The newest plan of a trip with its legs, or the one of a version; null when there is none. */
export async function savedPlan(entities: EntityManager, tripId: string, version?: number): Promise<SavedPlan | null> {
  const where = version === undefined ? { tripId } : { tripId, version };
  const [plan] = await entities.find(PlanEntity, { where, order: { version: 'DESC' }, take: 1 });
  return plan ? planView(entities, plan) : null;
}

async function planView(entities: EntityManager, plan: PlanRow): Promise<SavedPlan> {
  const legs = await entities.find(LegEntity, { where: { planId: plan.id }, order: { position: 'ASC' } });
  const maker = await entities.findOneBy(PersonEntity, { id: plan.madeBy });
  const secret = await hiddenSpots(entities, plan, legs);
  return {
    id: plan.id,
    version: plan.version,
    madeAt: plan.madeAt.toISOString(),
    madeBy: maker?.name ?? '',
    expected: plan.expected,
    lo80: plan.lo80,
    hi80: plan.hi80,
    bound: plan.bound,
    proved: plan.proved,
    bans: plan.bans,
    evidenceVersion: plan.evidenceVersion,
    modelVersion: plan.modelVersion,
    options: { again: false, without: [], ...(plan.options as Partial<SavedPlan['options']>) },
    // What is told of a spot that another captain keeps would give it away.
    notKnown: plan.notKnown as SavedPlan['notKnown'],
    runMin: plan.runMin,
    triggers: secret.size > 0 ? [] : (plan.triggers as SavedPlan['triggers']),
    basis: ((plan.basis ?? []) as SavedPlan['basis']).map((b) =>
      secret.has(b.spotId) ? { ...b, spotName: 'a kept spot', reasons: [], factors: [], stopIds: [] } : b,
    ),
    forecastRunAt: plan.forecastRunAt?.toISOString() ?? null,
    legs: legs.map((l) => ({
      spotId: l.spotId,
      presentationId: l.presentationId,
      arriveAt: l.arriveAt.toISOString(),
      startAt: l.startAt.toISOString(),
      departAt: l.departAt.toISOString(),
      expected: l.expected,
      lo80: l.lo80,
      hi80: l.hi80,
      pinned: l.pinned,
      parts: l.parts as SavedPlan['legs'][number]['parts'],
    })),
  };
}

// Spots that other boats of the crew have in their newest plans.
import type { PlanDesk } from '@bluffwind/contract/plan';
import { MARGIN_STEPS, STEP_MIN } from '@bluffwind/core/plan/planInputs';
import { MINUTE } from '@bluffwind/core/units/time';
import { type EntityManager, In, LessThan, MoreThan, Not } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';
import { BoatEntity } from '../db/entities/boats';
import { PersonEntity } from '../db/entities/people';
import { TripEntity, type TripRow } from '../db/entities/trip';
import { namesOf } from '../db/namesOf';
import { Problem } from '../errors';
import { newestLegs } from './newestLegs';

interface TakenLeg {
  readonly tripId: string;
  readonly spotId: string;
  readonly spot: string;
  readonly boat: string;
  readonly captain: string;
  readonly fromMs: number;
  readonly toMs: number;
}

async function takenLegs(entities: EntityManager, trip: TripRow): Promise<TakenLeg[]> {
  const others = await entities.findBy(TripEntity, {
    id: Not(trip.id),
    waterId: trip.waterId,
    status: In(['planned', 'under way']),
    startsAt: LessThan(trip.endsAt),
    endsAt: MoreThan(trip.startsAt),
  });
  const legs = await newestLegs(
    entities,
    others.map((t) => t.id),
  );
  const [spots, boats, captains] = [
    await namesOf(entities, SpotEntity, legs, (l) => l.spotId),
    await namesOf(entities, BoatEntity, others, (t) => t.boatId),
    await namesOf(entities, PersonEntity, others, (t) => t.captainId),
  ];
  return legs.flatMap(({ tripId, spotId, arriveAt, departAt }) => {
    const other = others.find((t) => t.id === tripId);
    const spot = spots.get(spotId);
    // A spot that another captain keeps is none of this one's.
    if (!other || spot === undefined) return [];
    const boat = boats.get(other.boatId) ?? '';
    const captain = captains.get(other.captainId) ?? '';
    return [{ tripId, spotId, spot, boat, captain, fromMs: arriveAt.getTime(), toMs: departAt.getTime() }];
  });
}

/** What other plans of the same water and hours hold. */
export async function takenSpots(entities: EntityManager, trip: TripRow): Promise<PlanDesk['taken']> {
  return (await takenLegs(entities, trip)).map(({ tripId, spotId, fromMs, toMs, boat }) => ({ tripId, spotId, fromMs, toMs, boat }));
}

/**
 * Refuses legs that meet another boat's. Plans of one outfit are kept one after the other, so that two captains who
 * save at once cannot both get the spot. @param replacing - Trips whose plans do not count: theirs come next.
 */
export async function refuseMeetings(
  entities: EntityManager,
  trip: TripRow,
  legs: readonly { readonly spotId: string; readonly arriveMs: number; readonly departMs: number }[],
  clock: (ms: number) => string,
  replacing: readonly string[] = [],
): Promise<void> {
  await entities.query('select pg_advisory_xact_lock(hashtext($1))', [`plans of ${trip.outfitId}`]);
  const margin = MARGIN_STEPS * STEP_MIN * MINUTE;
  for (const r of await takenLegs(entities, trip)) {
    const mine = replacing.includes(r.tripId)
      ? undefined
      : legs.find((l) => l.spotId === r.spotId && l.arriveMs < r.toMs + margin && r.fromMs < l.departMs + margin);
    if (mine)
      throw new Problem('spot_taken', `${r.boat} (${r.captain}) has ${r.spot} from ${clock(r.fromMs)} to ${clock(r.toMs)}.`, [
        { field: 'legs', message: `${r.spot} is taken from ${clock(r.fromMs)} to ${clock(r.toMs)}` },
      ]);
  }
}

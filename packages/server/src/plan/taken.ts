// Spots that other boats of the crew have in their newest plans.
import type { PlanDesk } from '@bluffwind/contract/plan';
import { MARGIN_STEPS, STEP_MIN } from '@bluffwind/core/plan/planInputs';
import { MINUTE } from '@bluffwind/core/units/time';
import type { EntityManager } from 'typeorm';
import type { TripRow } from '../db/entities/trip';
import { Problem } from '../errors';

interface TakenRow {
  trip_id: string;
  spot_id: string;
  spot: string;
  boat: string;
  captain: string;
  arrive_at: Date;
  depart_at: Date;
}

async function takenRows(entities: EntityManager, trip: TripRow): Promise<TakenRow[]> {
  return entities.query(
    `select t.id as trip_id, l.spot_id, sp.name as spot, b.name as boat, p.name as captain, l.arrive_at, l.depart_at
     from trip t join boat b on b.id = t.boat_id join person p on p.id = t.captain_id
     join plan pl on pl.trip_id = t.id and pl.version = (select max(version) from plan where trip_id = t.id)
     join leg l on l.plan_id = pl.id join spot sp on sp.id = l.spot_id
     where t.id <> $1 and t.water_id = $2 and t.status in ('planned', 'under way') and t.starts_at < $4 and t.ends_at > $3
     order by l.arrive_at, l.id`,
    [trip.id, trip.waterId, trip.startsAt, trip.endsAt],
  );
}

/** What other plans of the same water and hours hold. */
export async function takenSpots(entities: EntityManager, trip: TripRow): Promise<PlanDesk['taken']> {
  return (await takenRows(entities, trip)).map((r) => ({
    tripId: r.trip_id,
    spotId: r.spot_id,
    fromMs: r.arrive_at.getTime(),
    toMs: r.depart_at.getTime(),
    boat: r.boat,
  }));
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
  for (const r of await takenRows(entities, trip)) {
    const [from, to] = [r.arrive_at.getTime(), r.depart_at.getTime()];
    const mine = replacing.includes(r.trip_id)
      ? undefined
      : legs.find((l) => l.spotId === r.spot_id && l.arriveMs < to + margin && from < l.departMs + margin);
    if (mine)
      throw new Problem('spot_taken', `${r.boat} (${r.captain}) has ${r.spot} from ${clock(from)} to ${clock(to)}.`, [
        { field: 'legs', message: `${r.spot} is taken from ${clock(from)} to ${clock(to)}` },
      ]);
  }
}

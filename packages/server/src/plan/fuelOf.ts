import type { EntityManager } from 'typeorm';
import type { BoatRow } from '../db/entities/outfit';
import type { TripRow } from '../db/entities/trip';
import { dayOf } from '../trips/tripsOn';
import { saidTime } from '@bluffwind/core/units/measure';

export interface FuelLeft {
  /** Minutes under way with a third in reserve; null where the boat's burn is not known. */
  readonly runMin: number | null;
  /** What the other trips take, in words; empty for nothing. */
  readonly words: string;
}

/** @param replacing - Trips whose plans do not count, since they are about to be replaced. */
export async function fuelOf(
  entities: EntityManager,
  trip: TripRow,
  boat: BoatRow,
  zone: string,
  replacing: readonly string[] = [],
): Promise<FuelLeft> {
  if (!(boat.burnLph > 0)) return { runMin: null, words: '' };
  const usable = ((boat.tankL * 2) / 3 / boat.burnLph) * 60;
  const others: { id: string; starts_at: Date; run_min: number }[] = await entities.query(
    `select t.id, t.starts_at, pl.run_min from trip t
     join plan pl on pl.trip_id = t.id and pl.version = (select max(version) from plan where trip_id = t.id)
     where t.boat_id = $1 and t.id <> $2 and t.status <> 'cancelled' and pl.run_min is not null
       and t.starts_at >= $3 and t.starts_at < $4
       and not exists (select from refill r where r.boat_id = t.boat_id
         and r.at between least(t.starts_at, $5) and greatest(t.starts_at, $5))
     order by t.starts_at`,
    [boat.id, trip.id, ...dayOf(trip.startsAt, zone), trip.startsAt],
  );
  const counted = others.filter((o) => !replacing.includes(o.id));
  const taken = counted.reduce((sum, o) => sum + o.run_min, 0);
  const words = counted.map(
    (o) => `${boat.name}’s trip of ${saidTime(o.starts_at.getTime(), zone)} runs ${o.run_min.toFixed(0)} min on the same tank`,
  );
  return { runMin: Math.max(0, usable - taken), words: words.join('; ') };
}

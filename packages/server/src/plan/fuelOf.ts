import { And, Between, type EntityManager, In, IsNull, LessThan, MoreThanOrEqual, Not } from 'typeorm';
import { type BoatRow, RefillEntity } from '../db/entities/boats';
import { TripEntity, type TripRow } from '../db/entities/trip';
import { PlanNowEntity } from '../db/entities/views';
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
  const [from, next] = dayOf(trip.startsAt, zone);
  const others = await entities.find(TripEntity, {
    where: { boatId: boat.id, id: Not(trip.id), status: Not('cancelled'), startsAt: And(MoreThanOrEqual(from), LessThan(next)) },
    order: { startsAt: 'ASC' },
  });
  const plans = await entities.findBy(PlanNowEntity, { tripId: In(others.map((o) => o.id)), runMin: Not(IsNull()) });
  const refills = await entities.findBy(RefillEntity, { boatId: boat.id, at: Between(from, next) });
  const filledBetween = (a: Date, b: Date) => refills.some((r) => r.at >= (a < b ? a : b) && r.at <= (a < b ? b : a));
  const counted = others
    .filter((o) => !replacing.includes(o.id) && !filledBetween(o.startsAt, trip.startsAt))
    .flatMap((o) => plans.filter((p) => p.tripId === o.id).map((p) => ({ startsAt: o.startsAt, runMin: p.runMin ?? 0 })));
  const taken = counted.reduce((sum, o) => sum + o.runMin, 0);
  const words = counted.map(
    (o) => `${boat.name}’s trip of ${saidTime(o.startsAt.getTime(), zone)} runs ${o.runMin.toFixed(0)} min on the same tank`,
  );
  return { runMin: Math.max(0, usable - taken), words: words.join('; ') };
}

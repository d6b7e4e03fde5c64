import { type EntityManager, In } from 'typeorm';
import { LegEntity, type LegRow } from '../db/entities/plan';
import { PlanNowEntity } from '../db/entities/views';

/** Legs of the newest plans of trips, in the order of their arrivals. */
export async function newestLegs(entities: EntityManager, tripIds: readonly string[]): Promise<(LegRow & { readonly tripId: string })[]> {
  const plans = await entities.findBy(PlanNowEntity, { tripId: In([...tripIds]) });
  const tripOf = new Map(plans.map((p) => [p.id, p.tripId]));
  const legs = await entities.find(LegEntity, { where: { planId: In([...tripOf.keys()]) }, order: { arriveAt: 'ASC', id: 'ASC' } });
  return legs.map((l) => ({ ...l, tripId: tripOf.get(l.planId) as string }));
}

import { type EntityManager, In, LessThanOrEqual, Not } from 'typeorm';
import { StopEntity } from '../db/entities/log';
import { endOuts, endSets, endStops } from './endAt';

/** Ends stops that run since before an instant (all but one, or one only), with their sets; sent again it ends nothing later. */
export async function closeOpen(
  entities: EntityManager,
  tripId: string,
  at: Date,
  which: { readonly only: string } | { readonly except: string } | null = null,
): Promise<void> {
  const id = which === null ? {} : 'only' in which ? { id: which.only } : { id: Not(which.except) };
  const stops = await entities.findBy(StopEntity, { tripId, startedAt: LessThanOrEqual(at), ...id });
  const ids = In(stops.map((s) => s.id));
  await endSets(entities, { stopId: ids }, at);
  await endOuts(entities, { stopId: ids }, at);
  await endStops(entities, { id: ids }, at);
}

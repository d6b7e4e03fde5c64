import type { EntityManager } from 'typeorm';
import { CatchEntity, SetEntity, StopEntity } from '../db/entities/trip';

/** The trip that a fish was logged on, also one that is in the log no more; null for a fish that is not known. */
export async function tripOfCatch(entities: EntityManager, catchId: string): Promise<string | null> {
  const fish = await entities.findOneBy(CatchEntity, { id: catchId });
  const set = fish && (await entities.findOneBy(SetEntity, { id: fish.setId }));
  const stop = set && (await entities.findOneBy(StopEntity, { id: set.stopId }));
  return stop?.tripId ?? null;
}

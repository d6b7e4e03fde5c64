import type { EntityManager } from 'typeorm';
import { CatchEntity, SetEntity, StopEntity, type StopRow } from '../db/entities/log';

/** The stop that a set was fished at, also one that is in the log no more; null for a set that is not known. */
export async function stopOfSet(entities: EntityManager, setId: string): Promise<StopRow | null> {
  const set = await entities.findOneBy(SetEntity, { id: setId });
  return set ? entities.findOneBy(StopEntity, { id: set.stopId }) : null;
}

/** The stop that a fish was logged at, also one that is in the log no more; null for a fish that is not known. */
export async function stopOfCatch(entities: EntityManager, catchId: string): Promise<StopRow | null> {
  const fish = await entities.findOneBy(CatchEntity, { id: catchId });
  return fish ? stopOfSet(entities, fish.setId) : null;
}

import { type EntityManager, In, IsNull } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';
import { SetEntity, StopEntity } from '../db/entities/log';
import { WaterEntity } from '../db/entities/water';

export interface LockedSet {
  readonly id: string;
  readonly presentationId: string;
  readonly spot: string;
  /** Its water is fresh. */
  readonly fresh: boolean;
}

/** Those of the entries that are in the log still, held until the end of the transaction. */
export async function lockedSets(entities: EntityManager, ids: readonly string[]): Promise<LockedSet[]> {
  const sets = await entities.find(SetEntity, { where: { id: In([...ids]) }, lock: { mode: 'pessimistic_write' } });
  const stops = await entities.findBy(StopEntity, { id: In(sets.map((s) => s.stopId)), deletedAt: IsNull() });
  const spots = await entities.findBy(SpotEntity, { id: In(stops.map((s) => s.spotId)) });
  const waters = await entities.findBy(WaterEntity, { id: In(spots.map((s) => s.waterId)) });
  return sets.flatMap(({ id, stopId, presentationId }) => {
    const spotId = stops.find((s) => s.id === stopId)?.spotId;
    const spot = spots.find((s) => s.id === spotId);
    const water = waters.find((w) => w.id === spot?.waterId);
    return spot && water ? [{ id, presentationId, spot: spot.name, fresh: water.kind === 'fresh' }] : [];
  });
}

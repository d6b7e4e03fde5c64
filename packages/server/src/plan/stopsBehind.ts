import type { stopDetail } from '@bluffwind/contract/plan';
import type { z } from '@hono/zod-openapi';
import { type EntityManager, In } from 'typeorm';
import { StopEntity } from '../db/entities/log';
import { FishedEntity } from '../db/entities/views';
import type { Who } from '../http/who';

/** Stops behind a call, newest first, with what was fished in each; those at captains' spots are nothing for mates. */
export async function stopsBehind(entities: EntityManager, ids: readonly string[], who: Who): Promise<z.infer<typeof stopDetail>[]> {
  const fished = await entities.find(FishedEntity, {
    where: { stopId: In([...ids]), ...(who.role === 'mate' ? { privacy: 'crew' } : {}) },
    order: { id: 'ASC' },
  });
  const stops = await entities.find(StopEntity, { where: { id: In(fished.map((f) => f.stopId)) }, order: { startedAt: 'DESC' } });
  return stops.map(({ id, startedAt }) => {
    const sets = fished.filter((f) => f.stopId === id);
    return {
      id,
      startedAt: startedAt.toISOString(),
      spotName: sets[0]?.spot ?? '',
      sets: sets.map((s) => ({ presentation: s.bait, rodHours: s.rodHours, fish: s.fish })),
    };
  });
}

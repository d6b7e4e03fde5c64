import type { presentationsView } from '@bluffwind/contract/presentations';
import type { z } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';
import { FamilyEntity, PresentationEntity } from '../db/entities/baits';
import { fishedByBait } from '../log/fishedByBait';

/** Families and variants of the outfit, with how much each was fished and what it gave. */
export async function presentationsOf(entities: EntityManager): Promise<z.infer<typeof presentationsView>> {
  const families = await entities.find(FamilyEntity, { order: { name: 'ASC' } });
  const presentations = await entities.find(PresentationEntity, { order: { name: 'ASC' } });
  const fished = await fishedByBait(entities);
  return {
    families: families.map(({ outfitId: _, ...f }) => f),
    presentations: presentations.map(({ outfitId: _, ...p }) => {
      const of = fished.get(p.id);
      return { ...p, sets: of?.sets ?? 0, rodHours: of?.rodHours ?? 0, fish: of?.fish ?? 0 };
    }),
  };
}

import type { PlanTrigger } from '@bluffwind/contract/plan';
import { type EntityManager, In } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';
import { LegEntity, type LegRow, type PlanRow } from '../db/entities/plan';

/** Ids of spots in a plan, its plans B included, that are no rows for the person who asks: another captain keeps them. */
export async function hiddenSpots(
  entities: EntityManager,
  plan: Pick<PlanRow, 'id' | 'triggers'>,
  legs?: readonly Pick<LegRow, 'spotId'>[],
): Promise<Set<string>> {
  const own = legs ?? (await entities.findBy(LegEntity, { planId: plan.id }));
  const ids = new Set([...own.map((l) => l.spotId), ...(plan.triggers as PlanTrigger[]).flatMap((t) => t.planB.map((l) => l.spotId))]);
  const seen = await entities.find(SpotEntity, { select: { id: true }, where: { id: In([...ids]) } });
  for (const s of seen) ids.delete(s.id);
  return ids;
}

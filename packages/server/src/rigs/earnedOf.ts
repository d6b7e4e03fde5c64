import type { BaitCountView } from '@bluffwind/contract/trials';
import { DAY } from '@bluffwind/core/units/time';
import { type EntityManager, IsNull, Not } from 'typeorm';
import { FamilyEntity, PresentationEntity } from '../db/entities/baits';
import { GearEntity } from '../db/entities/rigs';
import { fishedByBait } from '../log/fishedByBait';
import { lossesOf } from './lossesOf';

/** Counted over so long, as losses are. */
const YEAR_DAYS = 365;

/** What each bait in use gave and took in the last year; a piece costs what the boxes say of one of its name. */
export async function earnedOf(entities: EntityManager, nowMs: number): Promise<BaitCountView[]> {
  const baits = await entities.findBy(PresentationEntity, { active: true });
  const families = await entities.find(FamilyEntity);
  const boxes = await entities.find(GearEntity, { where: { retiredAt: IsNull(), cost: Not(IsNull()) }, order: { id: 'ASC' } });
  const fished = await fishedByBait(entities, nowMs - YEAR_DAYS * DAY);
  const losses = await lossesOf(entities, nowMs);
  return baits.flatMap(({ id, name, familyId }) => {
    const { rodHours, fish } = fished.get(id) ?? { rodHours: 0, fish: 0 };
    const family = families.find((f) => f.id === familyId);
    if (!family || rodHours === 0) return [];
    const lost = losses.find((l) => l.presentationId === id);
    const pieceCost = boxes.find((g) => g.name.toLowerCase() === name.toLowerCase())?.cost ?? null;
    return [
      {
        presentationId: id,
        name,
        costPerHour: family.costPerHour,
        rodHours,
        fish,
        pieceCost,
        lost: lost?.lost ?? 0,
        lookedBackH: lost?.rodHours ?? 0,
      },
    ];
  });
}

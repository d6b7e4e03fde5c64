// The baits that a trip can fish, each with what its kind is made for.
import type { PlanDesk } from '@bluffwind/contract/plan';
import { envelope } from '@bluffwind/contract/presentations';
import { type EntityManager, In } from 'typeorm';
import { FamilyEntity, PresentationEntity } from '../db/entities/baits';
import type { TripRow } from '../db/entities/trip';
import { found } from '../http/context';
import { heldBaits, heldUp } from './heldBaits';

/** In order of their names, each with the boats that have the last of it for that day. @param replacing - Trips whose plans do not count. */
export async function deskBaits(
  entities: EntityManager,
  trip: TripRow,
  habitat: 'salt' | 'fresh',
  replacing: readonly string[],
): Promise<PlanDesk['presentations']> {
  const presentations = await entities.find(PresentationEntity, {
    where: { active: true, habitat: In(['both', habitat]) },
    order: { name: 'ASC' },
  });
  const families = new Map((await entities.find(FamilyEntity)).map((f) => [f.id, f]));
  const held = (await heldBaits(entities, trip)).filter((h) => !replacing.includes(h.tripId));
  return presentations.map((p) => {
    const f = found(families.get(p.familyId) ?? null, 'family');
    return {
      id: p.id,
      name: p.name,
      family: f.id,
      familyName: f.name,
      skill: f.skill,
      coverRate: f.coverRate,
      snag: f.snag,
      rods: f.rods,
      tripsADay: p.tripsADay,
      heldBy: heldUp(p, held),
      zone: f.zone,
      look: p.look ?? f.look,
      envelope: envelope.parse(f),
      sizeMm: p.sizeMm,
      weightG: p.weightG,
      pauseS: p.pauseS,
      leaderKg: p.leaderKg,
      colour: p.colour,
    };
  });
}

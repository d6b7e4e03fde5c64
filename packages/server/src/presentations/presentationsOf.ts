import type { presentationsView } from '@bluffwind/contract/presentations';
import type { z } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';
import { FamilyEntity, PresentationEntity } from '../db/entities/grounds';

/** Families and variants of the outfit, with how much each was fished and what it gave. */
export async function presentationsOf(entities: EntityManager): Promise<z.infer<typeof presentationsView>> {
  const families = await entities.find(FamilyEntity, { order: { name: 'ASC' } });
  const presentations = await entities.find(PresentationEntity, { order: { name: 'ASC' } });
  const used: { id: string; sets: number; rod_hours: number; fish: number }[] = await entities.query(
    `select s.presentation_id as id, count(*)::int as sets, sum(s.rod_hours)::float8 as rod_hours, coalesce(sum(k.fish), 0)::float8 as fish
     from fished_set s
     left join (select set_id, count(*) as fish from "catch" where outcome = 'landed' and deleted_at is null group by set_id) k on k.set_id = s.id
     group by s.presentation_id`,
  );
  return {
    families: families.map(({ outfitId: _, ...f }) => f),
    presentations: presentations.map(({ outfitId: _, ...p }) => {
      const u = used.find((x) => x.id === p.id);
      return { ...p, sets: u?.sets ?? 0, rodHours: u?.rod_hours ?? 0, fish: u?.fish ?? 0 };
    }),
  };
}

import type { EntityManager } from 'typeorm';

/** A phone may not have heard that two spots became one: what it logs goes to the one that is left. */
export async function spotNow(entities: EntityManager, spotId: string): Promise<string> {
  const rows: { id: string }[] = await entities.query(
    `with recursive way (id, merged_into) as (
       select id, merged_into from spot where id = $1
       union select s.id, s.merged_into from spot s join way on s.id = way.merged_into)
     select id from way where merged_into is null`,
    [spotId],
  );
  return rows[0]?.id ?? spotId;
}

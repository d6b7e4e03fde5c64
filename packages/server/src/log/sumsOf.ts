import type { CatchSums } from '@bluffwind/core/catchrate/creel';
import type { EntityManager } from 'typeorm';
import { ASKED } from './asked';

/** Sums of the entries that are asked for, and how many of them gave nothing. */
export async function sumsOf(entities: EntityManager, asked: readonly unknown[]): Promise<CatchSums & { readonly blank: number }> {
  // Fish are counted by set first: one by one they would be looked up for each of many thousand entries.
  const [sums] = await entities.query(
    `select count(*)::int as n, coalesce(sum(x.fish), 0)::int as fish, coalesce(sum(x.hours), 0)::float8 as hours,
           coalesce(sum(x.fish * x.fish), 0)::float8 as fish2, coalesce(sum(x.hours * x.hours), 0)::float8 as hours2,
           coalesce(sum(x.fish * x.hours), 0)::float8 as "cross", count(*) filter (where x.fish = 0)::int as blank
         from (select s.rod_hours as hours, coalesce(k.fish, 0) as fish from fished_set s join spot sp on sp.id = s.spot_id
           left join (select set_id, count(*)::int as fish from "catch"
             where outcome = 'landed' and deleted_at is null and ($4::uuid is null or species_id = $4) group by set_id) k on k.set_id = s.id
           where ${ASKED}) x`,
    [...asked],
  );
  return sums;
}

import type { StrengthCount } from '@bluffwind/core/tackle/leaderChoice';
import type { EntityManager } from 'typeorm';

/**
 * Rod-hours, bites and fish by leader, for families of which more than one strength was fished, on the waters where that was so: a light leader
 * in a lake says nothing of a strong one at sea. A miss is a bite, a lost fish was hooked.
 * Rods of a trial fish the leader that it says.
 */
export async function leaderCounts(entities: EntityManager): Promise<{ familyId: string; counts: StrengthCount[] }[]> {
  const rows: { family: string; kg: number; hours: number; bites: number; hooked: number; landed: number }[] = await entities.query(
    `with per as (
       select p.family_id as family, l.kg, sp.water_id as water, sum(s.rod_hours)::float8 as hours,
         coalesce(sum(k.bites), 0)::int as bites, coalesce(sum(k.hooked), 0)::int as hooked, coalesce(sum(k.landed), 0)::int as landed
       from fished_set s join presentation p on p.id = s.presentation_id join spot sp on sp.id = s.spot_id
       left join (select set_id, count(*) as bites, count(*) filter (where outcome <> 'missed') as hooked,
           count(*) filter (where outcome = 'landed') as landed from "catch" where deleted_at is null group by set_id) k on k.set_id = s.id
       cross join lateral (select coalesce(
         case when s.tried = 'leader' then substring(s.arm from '^([0-9]{1,3}(?:\\.[0-9]+)?) kg$')::float8 end, p.leader_kg::float8) as kg) l
       where l.kg is not null group by 1, 2, 3)
     , shared as (select family, water from per group by 1, 2 having count(*) > 1)
     select family, kg, sum(hours)::float8 as hours, sum(bites)::int as bites, sum(hooked)::int as hooked, sum(landed)::int as landed
     from per join shared using (family, water) group by 1, 2 order by 1, 2`,
  );
  const families = [...new Set(rows.map((r) => r.family))];
  return families
    .map((familyId) => ({
      familyId,
      counts: rows
        .filter((r) => r.family === familyId)
        .map(({ kg, hours, bites, hooked, landed }) => ({ kg, rodHours: hours, bites, hooked, landed })),
    }))
    .filter((f) => f.counts.length > 1);
}

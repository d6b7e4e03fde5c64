import type { BaitCountView } from '@bluffwind/contract/trials';
import type { EntityManager } from 'typeorm';
import { lossesOf } from './lossesOf';

/** Counted over so long, as losses are. */
const YEAR_DAYS = 365;

/** What each bait in use gave and took in the last year; a piece costs what the boxes say of one of its name. */
export async function earnedOf(entities: EntityManager, nowMs: number): Promise<BaitCountView[]> {
  const rows: Omit<BaitCountView, 'lost' | 'lookedBackH'>[] = await entities.query(
    `select p.id as "presentationId", p.name, f.cost_per_hour::float8 as "costPerHour", sum(s.rod_hours)::float8 as "rodHours", sum(k.fish)::int as fish,
       (select g.cost::float8 from gear g where lower(g.name) = lower(p.name) and g.retired_at is null and g.cost is not null order by g.id limit 1)
         as "pieceCost"
     from presentation p join family f on f.id = p.family_id and f.outfit_id = p.outfit_id
     join fished_set s on s.presentation_id = p.id and s.started_at > $1::timestamptz - make_interval(days => $2)
     cross join lateral (select count(*) as fish from "catch" where set_id = s.id and outcome = 'landed' and deleted_at is null) k
     where p.active group by p.id, p.name, f.cost_per_hour having sum(s.rod_hours) > 0`,
    [new Date(nowMs), YEAR_DAYS],
  );
  const losses = new Map((await lossesOf(entities, nowMs)).map((l) => [l.presentationId, l]));
  return rows.map((r) => ({
    ...r,
    lost: losses.get(r.presentationId)?.lost ?? 0,
    lookedBackH: losses.get(r.presentationId)?.rodHours ?? 0,
  }));
}

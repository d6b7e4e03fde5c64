import type { EntityManager } from 'typeorm';

interface FishedBait {
  readonly presentationId: string;
  readonly sets: number;
  readonly rodHours: number;
  readonly fish: number;
}

/** How much each bait was fished since an instant, by everybody and everywhere, and what it gave; of all time where none is said. */
export async function fishedByBait(entities: EntityManager, sinceMs: number | null = null): Promise<ReadonlyMap<string, FishedBait>> {
  // Fish are counted by set first: one by one they would be looked up for each of many thousand entries.
  const rows: FishedBait[] = await entities.query(
    `select s.presentation_id as "presentationId", count(*)::int as sets, sum(s.rod_hours)::float8 as "rodHours",
       coalesce(sum(k.fish), 0)::int as fish
     from fished_set s
     left join (select set_id, count(*) as fish from "catch" where outcome = 'landed' and deleted_at is null group by set_id) k on k.set_id = s.id
     where $1::timestamptz is null or s.started_at > $1
     group by s.presentation_id`,
    [sinceMs === null ? null : new Date(sinceMs)],
  );
  return new Map(rows.map((r) => [r.presentationId, r]));
}

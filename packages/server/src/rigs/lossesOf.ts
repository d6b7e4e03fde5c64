import type { TripRigs } from '@bluffwind/contract/rigs';
import type { EntityManager } from 'typeorm';

/** Losses are counted over so long. */
const YEAR_DAYS = 365;

/** What was lost of each bait, as debriefs name it, and its hours of rods on the trips that have one: a day nobody looked back on says nothing. */
export async function lossesOf(entities: EntityManager, nowMs: number): Promise<TripRigs['losses']> {
  const rows: { id: string; lost: number; hours: number }[] = await entities.query(
    `select p.id, coalesce(sum(d.lost_of), 0)::float8 as lost, sum(d.hours)::float8 as hours
     from presentation p join lateral (
       select sum(s.rod_hours) as hours,
         (select sum((l->>'number')::int) from jsonb_array_elements(b.lost) l where lower(l->>'what') = lower(p.name)) as lost_of
       from debrief b join fished_set s on s.trip_id = b.trip_id and s.presentation_id = p.id
       where b.at > $1::timestamptz - make_interval(days => $2) group by b.trip_id, b.lost) d on true
     where p.active group by p.id having sum(d.hours) > 0`,
    [new Date(nowMs), YEAR_DAYS],
  );
  return rows.map((r) => ({ presentationId: r.id, lost: r.lost, rodHours: r.hours }));
}

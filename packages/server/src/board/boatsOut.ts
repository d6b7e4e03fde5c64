import type { Board } from '@bluffwind/contract/trips';
import { DAY } from '@bluffwind/core/units/time';
import type { EntityManager } from 'typeorm';
import type { Who } from '../http/who';

/** Trips of other years that nobody ended are not out. */
const OUT_MS = 3 * DAY;

/** Trips under way with their last stop. A captain's spot has no name for a mate who is not aboard; a kept one is no row for him anyway. */
export async function boatsOut(entities: EntityManager, who: Who, nowMs: number): Promise<Board['out']> {
  const rows: { id: string; boat: string; spot: string | null; fishing: boolean | null; since: Date; fish: number; due: Date }[] =
    await entities.query(
      `select t.id, b.name as boat, case when sp.privacy = 'crew' or $2 or m.person_id is not null then sp.name end as spot,
         st.id is not null and st.ended_at is null as fishing, coalesce(st.ended_at, st.started_at, t.began_at, t.starts_at) as since,
         (select count(*)::int from stop o join "set" s on s.stop_id = o.id join "catch" k on k.set_id = s.id
          where o.trip_id = t.id and k.outcome = 'landed' and k.deleted_at is null) as fish,
         coalesce(d.due_at, t.ends_at) as due
       from trip t join boat b on b.id = t.boat_id left join departure d on d.trip_id = t.id
       left join trip_mate m on m.trip_id = t.id and m.person_id = $3
       left join lateral (select * from stop st where st.trip_id = t.id and st.deleted_at is null order by st.started_at desc limit 1) st on true
       left join spot sp on sp.id = st.spot_id
       where t.status = 'under way' and t.starts_at > $1 order by b.name`,
      [new Date(nowMs - OUT_MS), who.role !== 'mate', who.personId],
    );
  return rows.map((r) => ({
    tripId: r.id,
    boat: r.boat,
    spot: r.fishing ? r.spot : null,
    fishing: r.fishing === true,
    sinceAt: r.since.toISOString(),
    fish: r.fish,
    dueAt: r.due.toISOString(),
  }));
}

import { DAY } from '@bluffwind/core/units/time';
import type { EntityManager } from 'typeorm';

/** A boat that is out after it was to be back. */
export interface OverdueBoat {
  readonly tripId: string;
  readonly boat: string;
  readonly captain: string;
  readonly dueAt: Date;
  /** Who ashore knows, as it was signed; empty where nothing was. */
  readonly ashore: string;
}

/** Trips of other years that nobody ended are no alarm. */
const ALARM_MS = 3 * DAY;

/** Boats that are out after the time signed before leaving, or after the trip's end where nothing was signed. */
export async function overdueBoats(entities: EntityManager, nowMs: number): Promise<OverdueBoat[]> {
  const rows: { id: string; boat: string; captain: string; due: Date; ashore: string }[] = await entities.query(
    `select t.id, b.name as boat, p.name as captain, coalesce(d.due_at, t.ends_at) as due, coalesce(d.ashore, '') as ashore
     from trip t join boat b on b.id = t.boat_id join person p on p.id = t.captain_id left join departure d on d.trip_id = t.id
     where t.status = 'under way' and coalesce(d.due_at, t.ends_at) between $1 and $2 order by 4`,
    [new Date(nowMs - ALARM_MS), new Date(nowMs)],
  );
  return rows.map((r) => ({ tripId: r.id, boat: r.boat, captain: r.captain, dueAt: r.due, ashore: r.ashore }));
}

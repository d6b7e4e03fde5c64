// What was lost leaves the boxes when the captain signs the day off, and comes back when he opens it again.
import type { DebriefEdit } from '@bluffwind/contract/debrief';
import { type EntityManager, IsNull, Not } from 'typeorm';
import { GearEntity } from '../db/entities/rigs';

/** Takes what was lost out of the stock of gear of that name; none falls below nothing. @returns Pieces taken, by gear. */
export async function takeLost(entities: EntityManager, lost: DebriefEdit['lost']): Promise<Record<string, number>> {
  const taken: Record<string, number> = {};
  for (const { what, number } of lost) {
    const [row]: { id: string; stock: number }[] = await entities.query(
      `select id, stock from gear where lower(name) = lower($1) and retired_at is null and stock is not null order by id limit 1 for update`,
      [what],
    );
    const pieces = Math.min(number, row?.stock ?? 0);
    if (!row || pieces === 0) continue;
    await entities.decrement(GearEntity, { id: row.id }, 'stock', pieces);
    taken[row.id] = (taken[row.id] ?? 0) + pieces;
  }
  return taken;
}

/** Puts it back. */
export async function putBack(entities: EntityManager, taken: Readonly<Record<string, number>>): Promise<void> {
  for (const [id, pieces] of Object.entries(taken)) await entities.increment(GearEntity, { id, stock: Not(IsNull()) }, 'stock', pieces);
}

/** Names by which things are lost: the baits fished on a trip, then what is in the boxes. */
export async function tackleNames(entities: EntityManager, tripId: string): Promise<string[]> {
  const rows: { name: string }[] = await entities.query(
    `select name from (
       select p.name, 0 as rank from "set" s join stop st on st.id = s.stop_id and st.deleted_at is null and st.trip_id = $1
         join presentation p on p.id = s.presentation_id
       union select name, 1 from gear where retired_at is null) x group by name order by min(rank), name`,
    [tripId],
  );
  return rows.map((r) => r.name);
}

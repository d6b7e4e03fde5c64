import type { EntityManager } from 'typeorm';

/** What a notice says of a trip's boat; null where there is no such trip. */
export async function boatWords(
  entities: EntityManager,
  tripId: string,
): Promise<{ boat: string; captain: string; ashore: string; ended: Date | null } | null> {
  const [row] = await entities.query(
    `select b.name as boat, p.name as captain, coalesce(d.ashore, '') as ashore, t.ended_at as ended from trip t join boat b on b.id = t.boat_id
     join person p on p.id = t.captain_id left join departure d on d.trip_id = t.id where t.id = $1`,
    [tripId],
  );
  return row ?? null;
}

import type { EntityManager } from 'typeorm';

/** Boats of the trips that somebody leads or is a mate of between two local dates, in the order of the trips. */
export async function boatsDownFor(
  entities: EntityManager,
  { personId, fromOn, toOn }: { personId: string; fromOn: string; toOn: string },
  zone: string,
): Promise<string[]> {
  const trips: { boat: string }[] = await entities.query(
    `select b.name as boat from trip t join boat b on b.id = t.boat_id
     where t.status in ('planned', 'under way') and (t.captain_id = $1 or exists (select from trip_mate m where m.trip_id = t.id and m.person_id = $1))
       and (t.ends_at at time zone $4)::date >= $2 and (t.starts_at at time zone $4)::date <= $3 order by t.starts_at`,
    [personId, fromOn, toOn, zone],
  );
  return trips.map((t) => t.boat);
}

import type { EntityManager } from 'typeorm';

/** Of a date's brief that is out: by trip, those who go out on it and have not read it since it last went out. */
export async function unreadBriefs(entities: EntityManager, date: string): Promise<{ tripId: string; people: string[] }[]> {
  const rows: { trip_id: string; people: string[] }[] = await entities.query(
    `select a.trip_id, array_agg(p.name order by p.name) as people
     from brief b
     join lateral (
       select t.id as trip_id, t.captain_id as person_id from trip t where t.status = 'planned'
       union select m.trip_id, m.person_id from trip_mate m) a on true
     join trip t on t.id = a.trip_id join outfit o on o.id = t.outfit_id and (t.starts_at at time zone o.zone)::date = b.date
     join person p on p.id = a.person_id and p.active
     where b.date = $1 and not exists (
       select from brief_read r where r.brief_id = b.id and r.person_id = p.id and r.read_at >= b.published_at)
     group by a.trip_id`,
    [date],
  );
  return rows.map((r) => ({ tripId: r.trip_id, people: r.people }));
}

import type { EntityManager } from 'typeorm';

/** Devices of people who have not said that they want no such notice on them. */
export async function devicesFor(entities: EntityManager, people: readonly string[], kind: 'overdue' | 'brief'): Promise<string[]> {
  const rows: { id: string }[] = await entities.query(
    `select v.id from push_device v join person p on p.id = v.person_id and p.active
     where p.id = any($1::uuid[]) and coalesce((p.settings->'push'->>$2)::boolean, true) order by v.made_at`,
    [people, kind],
  );
  return rows.map((r) => r.id);
}

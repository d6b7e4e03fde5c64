import type { EntityManager } from 'typeorm';

/** Fish and rod-hours of a spot in a span. */
export async function fishedAt(
  entities: EntityManager,
  spotId: string,
  fromMs: number,
  toMs: number,
): Promise<{ fish: number; rodHours: number }> {
  const [row]: { fish: number; rodHours: number }[] = await entities.query(
    `select coalesce(sum(k.fish), 0)::int as fish, coalesce(sum(s.rod_hours), 0)::float8 as "rodHours" from fished_set s
     cross join lateral (select count(*)::int as fish from "catch" k where k.set_id = s.id and k.outcome = 'landed' and k.deleted_at is null) k
     where s.spot_id = $1 and s.started_at >= $2 and s.started_at < $3`,
    [spotId, new Date(fromMs), new Date(toMs)],
  );
  return row ?? { fish: 0, rodHours: 0 };
}

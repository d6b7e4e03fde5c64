import { DAY } from '@bluffwind/core/units/time';
import type { EntityManager } from 'typeorm';

/** Spots of a water that are still left alone at an instant: until when, by id. Counted from the last stop before it. */
export async function restingSpots(entities: EntityManager, waterId: string, atMs: number): Promise<Map<string, number>> {
  const rows: { id: string; rest_days: number; last: Date }[] = await entities.query(
    `select sp.id, sp.rest_days, max(st.started_at) as last from spot sp join stop st on st.spot_id = sp.id and st.deleted_at is null
     where sp.water_id = $1 and sp.rest_days > 0 and st.started_at < $2 group by sp.id`,
    [waterId, new Date(atMs)],
  );
  return new Map(rows.map((r) => [r.id, r.last.getTime() + r.rest_days * DAY] as const).filter(([, until]) => until > atMs));
}

import type { stopDetail } from '@bluffwind/contract/plan';
import type { z } from '@hono/zod-openapi';
import type { EntityManager } from 'typeorm';
import type { Who } from '../http/who';

/** Stops behind a call, newest first, with what was fished in each; those at captains' spots are nothing for mates. */
export async function stopsBehind(entities: EntityManager, ids: readonly string[], who: Who): Promise<z.infer<typeof stopDetail>[]> {
  const rows: { id: string; started_at: Date; spot: string; presentation: string; hours: number; fish: number }[] = await entities.query(
    `select s.stop_id as id, st.started_at, sp.name as spot, p.name as presentation, s.rod_hours as hours,
           (select count(*)::int from "catch" k where k.set_id = s.id and k.outcome = 'landed' and k.deleted_at is null) as fish
         from fished_set s join stop st on st.id = s.stop_id join spot sp on sp.id = s.spot_id
           join presentation p on p.id = s.presentation_id
         where s.stop_id = any($1::uuid[]) and (sp.privacy = 'crew' or $2)
         order by st.started_at desc, s.id`,
    [ids, who.role !== 'mate'],
  );
  const stops = new Map<string, z.infer<typeof stopDetail>>();
  for (const r of rows) {
    const stop = stops.get(r.id) ?? { id: r.id, startedAt: r.started_at.toISOString(), spotName: r.spot, sets: [] };
    stop.sets.push({ presentation: r.presentation, rodHours: r.hours, fish: r.fish });
    stops.set(r.id, stop);
  }
  return [...stops.values()];
}

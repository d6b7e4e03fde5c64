import type { Evidence } from '@bluffwind/contract/plan';
import type { EntityManager } from 'typeorm';
import type { Goal } from '../db/entities/trip';

interface EvidenceRow {
  stop_id: string;
  spot_id: string;
  presentation_id: string;
  at: Date;
  rod_hours: number;
  fish: number;
  [condition: string]: unknown;
}

const CONDITIONS = ['tideStage', 'windMps', 'windFromDeg', 'waterTempC', 'clarityM', 'sunHeightDeg', 'cloud', 'depthM'] as const;

/**
 * Every finished set of a water before an instant as columns, with the fish that count for the goal: all landed fish
 * of the species, those of at least the species' size goal, or those the crew's rules would let it keep.
 */
export async function loadEvidence(
  entities: EntityManager,
  q: {
    waterId: string;
    speciesIds: readonly string[];
    goal: Goal;
    beforeMs: number;
    spotIds: readonly string[];
    presentationIds: readonly string[];
  },
): Promise<Evidence> {
  const rows: EvidenceRow[] = await entities.query(
    `select st.id as stop_id, st.spot_id, s.presentation_id, s.started_at as at,
       (s.rods * extract(epoch from s.ended_at - s.started_at) / 3600)::float8 as rod_hours,
       ${CONDITIONS.map((c) => `(st.conditions->>'${c}')::float8 as "${c}"`).join(', ')},
       coalesce(k.fish, 0)::int as fish
     from "set" s
     join stop st on st.id = s.stop_id and st.deleted_at is null
     join spot sp on sp.id = st.spot_id and sp.water_id = $1
     left join (
       select c.set_id, count(*) as fish from "catch" c join species sc on sc.id = c.species_id
       where c.outcome = 'landed' and c.deleted_at is null and c.species_id = any($2::uuid[])
         and ($3 <> 'size' or c.length_mm >= sc.size_goal_mm)
         and ($3 <> 'table' or not exists (
           select 1 from rule r where r.species_id = c.species_id and r.body->>'kind' = 'length'
             and (c.length_mm is null or c.length_mm < (r.body->>'minMm')::int or c.length_mm > (r.body->>'maxMm')::int)))
       group by c.set_id) k on k.set_id = s.id
     where s.ended_at is not null and s.ended_at <= $4 and s.ended_at > s.started_at + interval '2 minutes'
     order by s.started_at, s.id`,
    [q.waterId, q.speciesIds, q.goal, new Date(q.beforeMs)],
  );
  const spotAt = new Map(q.spotIds.map((id, i) => [id, i]));
  const presentationAt = new Map(q.presentationIds.map((id, i) => [id, i]));
  const kept = rows.filter((r) => spotAt.has(r.spot_id) && presentationAt.has(r.presentation_id));
  const fish = kept.reduce((sum, r) => sum + r.fish, 0);
  const column = (name: (typeof CONDITIONS)[number]) => kept.map((r) => (r[name] ?? null) as number | null);
  return {
    version: `${kept.length} sets, ${fish} fish, to ${kept.at(-1)?.at.toISOString() ?? 'none'}`,
    stopId: kept.map((r) => r.stop_id),
    at: kept.map((r) => r.at.getTime()),
    spot: kept.map((r) => spotAt.get(r.spot_id) as number),
    presentation: kept.map((r) => presentationAt.get(r.presentation_id) as number),
    rodHours: kept.map((r) => r.rod_hours),
    fish: kept.map((r) => r.fish),
    tideStage: column('tideStage'),
    windMps: column('windMps'),
    windFromDeg: column('windFromDeg'),
    waterTempC: column('waterTempC'),
    clarityM: column('clarityM'),
    sunHeightDeg: column('sunHeightDeg'),
    cloud: column('cloud'),
    depthM: column('depthM'),
  };
}

import type { Evidence, PlanDesk } from '@bluffwind/contract/plan';
import { keepable, type LoggedFish } from '@bluffwind/core/rules/keepable';
import type { EntityManager } from 'typeorm';
import { crewRules } from '../rules/crewRules';
import type { Goal } from '../db/entities/trip';

interface EvidenceRow {
  stop_id: string;
  spot_id: string;
  presentation_id: string;
  at: Date;
  rod_hours: number;
  fish: number;
  counts: number;
  length_count: number;
  length_sum: number;
  length_squares: number;
  /** For the table goal: the fish themselves, to be held against the rules. */
  caught: readonly (LoggedFish & { readonly weight: number })[] | null;
  [condition: string]: unknown;
}

const CONDITIONS = [
  'tideStage',
  'windMps',
  'windFromDeg',
  'waterTempC',
  'clarityM',
  'sunHeightDeg',
  'cloud',
  'depthM',
  'onshore',
  'currentMps',
  'sinceTurnH',
  'tidePush',
  'waterTemp48hC',
  'flowM3s',
] as const;

/**
 * Every fished set of a water before an instant as columns, with the landed fish of the trip's species (by their weights; to learn,
 * of any species), how many of them the goal counts (long enough, or such as the crew's copy of the rules lets keep on the trip's
 * day), and their measured lengths as shares of the length that the goal asks for.
 */
export async function loadEvidence(
  entities: EntityManager,
  q: {
    waterId: string;
    /** Zone of the water's rules and local date of the trip. */
    zone: string | null;
    date: string;
    species: readonly { readonly speciesId: string; readonly weight: number }[];
    goal: Goal;
    beforeMs: number;
    spotIds: readonly string[];
    presentationIds: readonly string[];
  },
): Promise<Evidence> {
  const rows: EvidenceRow[] = await entities.query(
    `select s.stop_id, s.spot_id, s.presentation_id, s.started_at as at, s.rod_hours,
       ${CONDITIONS.map((c) => `(s.conditions->>'${c}')::float8 as "${c}"`).join(', ')},
       coalesce(k.fish, 0)::float8 as fish, coalesce(k.counts, 0)::float8 as counts, k.caught,
       coalesce(k.length_count, 0)::int as length_count, coalesce(k.length_sum, 0)::float8 as length_sum,
       coalesce(k.length_squares, 0)::float8 as length_squares
     from fished_set s
     join spot sp on sp.id = s.spot_id and sp.water_id = $1
     left join lateral (
       select sum(coalesce(x.weight, 1)) as fish,
         sum(coalesce(x.weight, 1)) filter (where $4 <> 'size' or c.length_mm >= sc.size_goal_mm) as counts,
         case when $4 = 'table' then jsonb_agg(jsonb_build_object('species', c.species_id, 'lengthMm', c.length_mm,
           'lengthKind', c.length_kind, 'weight', coalesce(x.weight, 1))) end as caught,
         count(c.length_mm) filter (where sc.size_goal_mm is not null) as length_count,
         sum(c.length_mm::float8 / sc.size_goal_mm) as length_sum,
         sum((c.length_mm::float8 / sc.size_goal_mm) ^ 2) as length_squares
       from "catch" c join species sc on sc.id = c.species_id
       left join unnest($2::uuid[], $3::float8[]) as x (species_id, weight) on x.species_id = c.species_id
       where c.set_id = s.id and c.outcome = 'landed' and c.deleted_at is null and (x.species_id is not null or $4 = 'learn')) k on true
     where s.ended_at <= $5
     order by s.started_at, s.id`,
    [q.waterId, q.species.map((s) => s.speciesId), q.species.map((s) => s.weight), q.goal, new Date(q.beforeMs)],
  );
  if (q.goal === 'table') {
    const keeps = keepable(await crewRules(entities), q.zone, q.date);
    for (const r of rows) r.counts = (r.caught ?? []).reduce((sum, f) => sum + (keeps(f) ? f.weight : 0), 0);
  }
  const spotAt = new Map(q.spotIds.map((id, i) => [id, i]));
  const presentationAt = new Map(q.presentationIds.map((id, i) => [id, i]));
  const kept = rows.filter((r) => spotAt.has(r.spot_id) && presentationAt.has(r.presentation_id));
  const fish = kept.reduce((sum, r) => sum + r.fish, 0);
  const column = (name: (typeof CONDITIONS)[number]) => kept.map((r) => (r[name] ?? null) as number | null);
  return {
    version: `${kept.length} sets, ${Math.round(fish)} fish, to ${kept.at(-1)?.at.toISOString() ?? 'none'}`,
    stopId: kept.map((r) => r.stop_id),
    at: kept.map((r) => r.at.getTime()),
    spot: kept.map((r) => spotAt.get(r.spot_id) as number),
    presentation: kept.map((r) => presentationAt.get(r.presentation_id) as number),
    rodHours: kept.map((r) => r.rod_hours),
    fish: kept.map((r) => r.fish),
    counts: kept.map((r) => r.counts),
    lengthCount: kept.map((r) => r.length_count),
    lengthSum: kept.map((r) => r.length_sum),
    lengthSquares: kept.map((r) => r.length_squares),
    tideStage: column('tideStage'),
    windMps: column('windMps'),
    windFromDeg: column('windFromDeg'),
    waterTempC: column('waterTempC'),
    clarityM: column('clarityM'),
    sunHeightDeg: column('sunHeightDeg'),
    cloud: column('cloud'),
    depthM: column('depthM'),
    onshore: column('onshore'),
    currentMps: column('currentMps'),
    sinceTurnH: column('sinceTurnH'),
    tidePush: column('tidePush'),
    waterTemp48hC: column('waterTemp48hC'),
    flowM3s: column('flowM3s'),
  };
}

/** Days for which a sign may still say something. */
const SIGN_DAYS = 400;

/** Signs seen on a water before an instant, oldest first: those of the log teach how long signs hold. */
export async function loadSigns(entities: EntityManager, waterId: string, beforeMs: number): Promise<PlanDesk['signs']> {
  const rows: { at: Date; spot_id: string; kind: PlanDesk['signs'][number]['kind']; relation: 'tight' | 'above' | null }[] =
    await entities.query(
      `select g.at, g.spot_id, g.kind, g.relation from sighting g join spot sp on sp.id = g.spot_id
     where sp.water_id = $1 and g.deleted_at is null and g.at < $2 and g.at > $2 - make_interval(days => $3) order by g.at`,
      [waterId, new Date(beforeMs), SIGN_DAYS],
    );
  return rows.map((r) => ({ at: r.at.getTime(), spot: r.spot_id, kind: r.kind, relation: r.relation }));
}

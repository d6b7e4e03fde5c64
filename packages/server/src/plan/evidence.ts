import type { Evidence, PlanDesk } from '@bluffwind/contract/plan';
import { keepable, type LoggedFish } from '@bluffwind/core/rules/keepable';
import { DAY } from '@bluffwind/core/units/time';
import { And, Any, type EntityManager, IsNull, LessThan, MoreThan } from 'typeorm';
import { SpotEntity } from '../db/entities/grounds';

import { crewRules } from '../rules/crewRules';
import { type Goal, TripEntity } from '../db/entities/trip';
import { SightingEntity } from '../db/entities/log';

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

const COLUMNS = [
  'stopId',
  'at',
  'spot',
  'presentation',
  'rodHours',
  'fish',
  'counts',
  'lengthCount',
  'lengthSum',
  'lengthSquares',
  ...CONDITIONS,
] as const;

type Columns = Omit<Evidence, 'version'>;

/** A fish of a set, to be held against the rules. */
type Caught = LoggedFish & { readonly weight: number };

/**
 * Sets of one spot that are looked at, the latest. A stop's weight halves in 400 days: at a spot that was fished every third day all that
 * lies before the last 600 weighs less than a twentieth of them together, and a desk stays as quick after twenty seasons as after four.
 */
const MOST_OF_SPOT = 600;

/**
 * The fished sets of a water before an instant as columns, the latest of each spot, with the landed fish of the trip's species (by their weights; to learn,
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
  // Columns are put together by the database: a row object for each of some ten thousand sets would be most of a desk's memory.
  const [found]: [Columns & { readonly caught: readonly (readonly Caught[] | null)[] | null }] = await entities.query(
    `select ${COLUMNS.map((c) => `coalesce(json_agg(f."${c}"), '[]') as "${c}"`).join(', ')},
       json_agg(f.caught) filter (where $4 = 'table') as caught
     from (
       select s.stop_id as "stopId", floor(extract(epoch from s.started_at) * 1000)::float8 as at,
         array_position($6::uuid[], s.spot_id) - 1 as spot, array_position($7::uuid[], s.presentation_id) - 1 as presentation,
         s.rod_hours::float8 as "rodHours", ${CONDITIONS.map((c) => `(s.conditions->>'${c}')::float8 as "${c}"`).join(', ')},
         coalesce(k.fish, 0)::float8 as fish, coalesce(k.counts, 0)::float8 as counts, k.caught,
         coalesce(k.length_count, 0)::int as "lengthCount", coalesce(k.length_sum, 0)::float8 as "lengthSum",
         coalesce(k.length_squares, 0)::float8 as "lengthSquares"
       from (
         select f.*, row_number() over (partition by f.spot_id order by f.started_at desc, f.id desc) as nth
         from fished_set f join spot sp on sp.id = f.spot_id and sp.water_id = $1
         where f.ended_at <= $5 and f.spot_id = any($6) and f.presentation_id = any($7)) s
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
       where s.nth <= $8
       order by s.started_at, s.id) f`,
    [
      q.waterId,
      q.species.map((s) => s.speciesId),
      q.species.map((s) => s.weight),
      q.goal,
      new Date(q.beforeMs),
      q.spotIds,
      q.presentationIds,
      MOST_OF_SPOT,
    ],
  );
  const { caught, ...columns } = found;
  const keeps = q.goal === 'table' ? keepable(await crewRules(entities), q.zone, q.date) : null;
  const last = columns.at.at(-1);
  return {
    ...columns,
    version: `${columns.at.length} sets, ${Math.round(columns.fish.reduce((sum, n) => sum + n, 0))} fish, to ${last === undefined ? 'none' : new Date(last).toISOString()}`,
    counts: keeps ? (caught ?? []).map((fish) => (fish ?? []).reduce((sum, f) => sum + (keeps(f) ? f.weight : 0), 0)) : columns.counts,
  };
}

/** Days for which a sign may still say something. */
const SIGN_DAYS = 400;

/** Signs seen on a water before an instant, oldest first: those of the log teach how long signs hold. */
export async function loadSigns(entities: EntityManager, waterId: string, beforeMs: number): Promise<PlanDesk['signs']> {
  const seen = await entities.find(SightingEntity, {
    where: { deletedAt: IsNull(), at: And(MoreThan(new Date(beforeMs - SIGN_DAYS * DAY)), LessThan(new Date(beforeMs))) },
    order: { at: 'ASC' },
  });
  const spots = await entities.find(SpotEntity, {
    select: { id: true },
    where: { id: Any(seen.flatMap((g) => g.spotId ?? [])), waterId },
  });
  const trips = await entities.find(TripEntity, { select: { id: true }, where: { id: Any(seen.map((g) => g.tripId)), waterId } });
  const [here, out] = [new Set(spots.map((s) => s.id)), new Set(trips.map((t) => t.id))];
  // A sign of no spot lies where it was set on the chart of its trip's water.
  return seen
    .filter((g) => (g.spotId === null ? g.lat !== null && out.has(g.tripId) : here.has(g.spotId)))
    .map(({ at, spotId, kind, relation, lat, lon }) => ({
      at: at.getTime(),
      spot: spotId,
      kind: kind as PlanDesk['signs'][number]['kind'],
      relation,
      ...(lat === null ? {} : { lat, lon }),
    }));
}

import type { SoundingsView } from '@bluffwind/contract/grounds';
import type { EntityManager } from 'typeorm';

/** Soundings of a water that are sent to be drawn. */
export const MOST_DRAWN = 40_000;

/**
 * A water's soundings in the order of their surveys; of more than can be drawn the shoalest of each few that follow each other, as
 * charts are thinned (common practice): what is left out is never shallower than what is shown beside it.
 */
export async function soundingsToDraw(entities: EntityManager, waterId: string, most = MOST_DRAWN): Promise<SoundingsView> {
  const [row]: [{ lat: number[] | null; lon: number[] | null; depth: number[] | null; total: number }] = await entities.query(
    `with survey_of as (select id, made_at, lat, lon, depth_m from survey where water_id = $1 and withdrawn_at is null),
       total as (select coalesce(sum(cardinality(lat)), 0)::int as n from survey_of),
       drawn as (
         select distinct on (s.made_at, s.id, (u.i - 1) / greatest(1, ceil(total.n / $2::float8)::int)) s.made_at, s.id, u.i, u.lat, u.lon, u.depth
         from survey_of s, total, unnest(s.lat, s.lon, s.depth_m) with ordinality as u (lat, lon, depth, i)
         order by s.made_at, s.id, (u.i - 1) / greatest(1, ceil(total.n / $2::float8)::int), u.depth)
     select array_agg(lat order by made_at, id, i) as lat, array_agg(lon order by made_at, id, i) as lon,
       array_agg(depth order by made_at, id, i) as depth, (select n from total) as total from drawn`,
    [waterId, most],
  );
  return { lat: row.lat ?? [], lon: row.lon ?? [], depthM: row.depth ?? [], total: row.total };
}

import { BIG_LURES } from '@bluffwind/core/plan/bigLureHours';
import type { Comparisons } from '@bluffwind/contract/trials';
import { type EntityManager, IsNull, Not } from 'typeorm';
import { FishedEntity } from '../db/entities/views';
import { sideBySide } from './sideBySide';

/** What trials on the rods have given so far. */
export async function trialsOf(entities: EntityManager): Promise<Comparisons['trials']> {
  return sideBySide(await entities.findBy(FishedEntity, { arm: Not(IsNull()) }));
}

/** Marks, and whether a fish was landed on that trip within the hour. */
export async function marksSeen(entities: EntityManager): Promise<Comparisons['marks']> {
  return entities.query(
    `select g.relation, count(*)::int as seen, count(*) filter (where exists (select from "catch" k join "set" s on s.id = k.set_id
         join stop st on st.id = s.stop_id and st.deleted_at is null
         where st.trip_id = g.trip_id and (g.spot_id is null or st.spot_id = g.spot_id) and k.outcome = 'landed' and k.deleted_at is null
           and k.at between g.at and g.at + interval '1 hour'))::int as fish
     from sighting g where g.kind = 'marks' and g.deleted_at is null group by 1`,
  );
}

/** Times in which a big lure was fished, with the fish that followed it and that took. */
export async function bigLureSets(entities: EntityManager, zone: string): Promise<Comparisons['bigLures']> {
  return entities.query(
    `select extract(hour from mid.at)::float8 + extract(minute from mid.at)::float8 / 60 as hour, s.rod_hours as "rodHours",
       (s.conditions->>'clarityM')::float8 as "clarityM", (s.conditions->>'windMps')::float8 as "windMps",
       (s.conditions->>'cloud')::float8 as cloud,
       (select count(*)::int from sighting g where g.trip_id = s.trip_id and g.kind = 'follow' and (g.spot_id = s.spot_id or g.spot_id is null) and g.deleted_at is null
          and g.at between s.started_at and s.ended_at) as follows,
       (select count(*)::int from "catch" k where k.set_id = s.id and k.deleted_at is null) as takes
     from fished_set s join presentation p on p.id = s.presentation_id
     cross join lateral (select (s.started_at + (s.ended_at - s.started_at) / 2) at time zone $1 as at) mid
     where p.family_id = $2`,
    [zone, BIG_LURES],
  );
}

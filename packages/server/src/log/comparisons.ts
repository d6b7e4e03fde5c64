import { BIG_LURES } from '@bluffwind/core/plan/bigLureHours';
import type { Comparisons } from '@bluffwind/contract/trials';
import type { EntityManager } from 'typeorm';
/** A miss is a bite, a lost fish was hooked. What was fished on one trip only is not set against what was fished on another. */
export async function trialsOf(entities: EntityManager): Promise<Comparisons['trials']> {
  const rows: {
    what: Comparisons['trials'][number]['what'];
    bait: string;
    arms: string[];
    trips: number;
    arm: string;
    rodHours: number;
    bites: number;
    hooked: number;
    landed: number;
  }[] = await entities.query(
    `with fished as (
       select f.trip_id, s.tried as what, p.name as bait, s.arm, sum(f.rod_hours)::float8 as hours,
         sum(k.bites)::int as bites, sum(k.hooked)::int as hooked, sum(k.landed)::int as landed
       from fished_set f join "set" s on s.id = f.id and s.arm is not null join presentation p on p.id = f.presentation_id
       cross join lateral (select count(*) as bites, count(*) filter (where outcome <> 'missed') as hooked,
           count(*) filter (where outcome = 'landed') as landed from "catch" where set_id = f.id and deleted_at is null) k
       group by 1, 2, 3, 4)
     , side_by_side as (
       select *, array(select o.arm from fished o where o.trip_id = fished.trip_id and o.what = fished.what and o.bait = fished.bait order by o.arm) as arms from fished)
     select what, bait, arms, count(distinct trip_id)::int as trips, arm, sum(hours)::float8 as "rodHours", sum(bites)::int as bites,
       sum(hooked)::int as hooked, sum(landed)::int as landed
     from side_by_side where cardinality(arms) > 1 group by what, bait, arms, arm order by what, bait, arms, arm`,
  );
  const trials = new Map<string, Comparisons['trials'][number]>();
  for (const { what, bait, arms, trips, ...counts } of rows) {
    const key = JSON.stringify([what, bait, arms]);
    const known = trials.get(key);
    if (known) {
      known.arms.push(counts);
      known.trips = Math.max(known.trips, trips);
    } else trials.set(key, { what, bait, trips, arms: [counts] });
  }
  return [...trials.values()];
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

import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const CHANGES = `
alter table boat
  alter column wind_limit_mps drop not null,
  alter column wave_limit_m drop not null,
  add column gust_limit_mps double precision check (gust_limit_mps > 0);
update boat set gust_limit_mps = wind_limit_mps * 1.25;

alter table client add column swims boolean;
alter table trip add column limit_share double precision not null default 0.75 check (limit_share > 0 and limit_share <= 1);

alter table spot rename column hazards to hazard_words;
alter table spot add column hazards jsonb not null default '[]' check (jsonb_typeof(hazards) = 'array');
update spot set hazards = jsonb_build_array(jsonb_build_object('kind', 'other', 'windSectorDeg', null, 'windMps', null, 'waveM', null,
  'tideBelowM', null, 'tideAboveM', null, 'binds', false, 'note', hazard_words)) where hazard_words <> '';
alter table spot drop column hazard_words;

create table refill (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  boat_id uuid not null,
  at timestamptz not null,
  by uuid not null,
  foreign key (outfit_id, boat_id) references boat (outfit_id, id),
  foreign key (outfit_id, by) references person (outfit_id, id)
);
create index refill_of_boat on refill (boat_id, at);

alter table plan
  add column run_min double precision check (run_min >= 0),
  add column not_known text[] not null default '{}';
update plan p set run_min = x.run_min from (
  select plan_id, sum(way) + max(case when position = 0 then way else 0 end) as run_min from (
    select l.plan_id, l.position, greatest(0, extract(epoch from l.arrive_at - coalesce(
      lag(l.depart_at) over (partition by l.plan_id order by l.position), t.starts_at)) / 60) as way
    from leg l join plan q on q.id = l.plan_id join trip t on t.id = q.trip_id) w
  group by plan_id) x where x.plan_id = p.id;

alter table species drop constraint species_length_kind_check, add check (length_kind in ('total', 'fork', 'standard', 'disc')),
  add column least_mm int check (least_mm > 0), add column most_mm int check (most_mm > 0);
alter table "catch" drop constraint catch_length_kind_check, add check (length_kind in ('total', 'fork', 'standard', 'disc'));

alter table sighting
  drop constraint sighting_kind_check,
  add check (kind in ('bait', 'birds', 'marks', 'rays', 'surface', 'follow', 'colour', 'temperature')),
  add column depth_m double precision check (depth_m between 0 and 500),
  add column relation text check (relation in ('tight', 'above'));
create index sighting_by_spot on sighting (spot_id, at) where deleted_at is null;

create view fished_set with (security_invoker = true) as
  select s.id, s.outfit_id, s.stop_id, st.trip_id, st.spot_id, s.presentation_id, s.rods, s.started_at, s.ended_at,
    (s.rods * extract(epoch from s.ended_at - s.started_at) / 3600)::float8 as rod_hours, st.conditions
  from "set" s join stop st on st.id = s.stop_id and st.deleted_at is null
  where s.ended_at > s.started_at + interval '2 minutes'
    and s.rods * extract(epoch from s.ended_at - s.started_at) / 3600 <= 200;
`;

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/**
 * Limits of gusts, parties that lower limits, hazards that say when they stand, fuel through a boat's day, what a plan was laid
 * without, the width of a ray's disc as a length, signs with their depth, and one definition of a fished set: finished, longer than
 * two minutes, of no more than 200 rod-hours.
 */
export class Safety1780000000005 implements MigrationInterface {
  readonly name = 'Safety1780000000005';

  async up(run: QueryRunner): Promise<void> {
    const app = await appRole(run);
    await run.query(CHANGES);
    await run.query(`
      alter table refill enable row level security;
      create policy own on refill using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      grant select, insert, update, delete on refill to ${app};
      grant select on fished_set to ${app};
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

/** Fish of a set that are in the log still; `which` narrows them. */
const fishOf = (which: string) => `(select count(*)::int from "catch" k where k.set_id = s.id and k.deleted_at is null ${which})`;

const VIEWS = `
create or replace view fished_set with (security_invoker = true) as
  select s.id, s.outfit_id, s.stop_id, st.trip_id, st.spot_id, s.presentation_id, s.rods, s.started_at, s.ended_at,
    (s.rods * extract(epoch from s.ended_at - s.started_at) / 3600)::float8 as rod_hours, st.conditions, s.tried, s.arm
  from "set" s join stop st on st.id = s.stop_id and st.deleted_at is null
  where s.ended_at > s.started_at + interval '2 minutes'
    and s.rods * extract(epoch from s.ended_at - s.started_at) / 3600 <= 200;

create view fished with (security_invoker = true) as
  select s.*, sp.name as spot, sp.water_id, sp.privacy, p.name as bait, p.family_id,
    ${fishOf('')} as bites, ${fishOf(`and k.outcome <> 'missed'`)} as hooked, ${fishOf(`and k.outcome = 'landed'`)} as fish
  from fished_set s join spot sp on sp.id = s.spot_id join presentation p on p.id = s.presentation_id;

create view plan_now with (security_invoker = true) as
  select p.id, p.outfit_id, p.trip_id, p.version, p.made_at, p.expected, p.lo80, p.hi80, p.forecast_run_at, p.run_min from plan p
  where p.version = (select max(version) from plan where trip_id = p.trip_id);

create view down_for with (security_invoker = true) as
  select t.id as trip_id, t.captain_id as person_id, t.outfit_id, t.boat_id, t.status, t.starts_at, t.ends_at from trip t
  union
  select t.id, m.person_id, t.outfit_id, t.boat_id, t.status, t.starts_at, t.ends_at from trip_mate m join trip t on t.id = m.trip_id;
`;

/** What many questions ask, told once: a fished set with its fish, the newest plan of a trip, who goes out on a trip. */
export class ToldOnce1780000000034 implements MigrationInterface {
  readonly name = 'ToldOnce1780000000034';

  async up(run: QueryRunner): Promise<void> {
    await run.query(VIEWS);
    await run.query(`grant select on fished, plan_now, down_for to ${await appRole(run)}`);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

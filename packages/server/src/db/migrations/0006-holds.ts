import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole, gateRole } from './roles';

const PERSON = "nullif(current_setting('app.person', true), '')::uuid";
const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

const CHANGES = `
alter table outfit add column medical_note_days int not null default 400 check (medical_note_days between 1 and 3650);

create table trip_mate (
  trip_id uuid not null,
  person_id uuid not null,
  outfit_id uuid not null references outfit,
  primary key (trip_id, person_id),
  foreign key (outfit_id, trip_id) references trip (outfit_id, id),
  foreign key (outfit_id, person_id) references person (outfit_id, id)
);
create index trip_mate_of_person on trip_mate (person_id);
-- Nobody was named before: whoever was a mate then was aboard.
insert into trip_mate (trip_id, person_id, outfit_id)
  select t.id, p.id, t.outfit_id from trip t join person p on p.outfit_id = t.outfit_id and p.role = 'mate' and p.active;

drop policy kept on spot;
create policy kept on spot as restrictive
  using (keeper_id is null or ${PERSON} is null or keeper_id = ${PERSON} or current_setting('app.role', true) = 'owner'
    or (current_setting('app.role', true) = 'mate' and (
      exists (select from trip_mate m join plan p on p.trip_id = m.trip_id join leg l on l.plan_id = p.id
        where m.person_id = ${PERSON} and l.spot_id = spot.id)
      or exists (select from trip_mate m join stop s on s.trip_id = m.trip_id where m.person_id = ${PERSON} and s.spot_id = spot.id))))
  with check (keeper_id is null or ${PERSON} is null or keeper_id = ${PERSON} or current_setting('app.role', true) = 'owner');

alter table session
  add column id uuid not null default gen_random_uuid() unique,
  add column last_seen_at timestamptz,
  add column opened_from text not null default '',
  add column device text not null default '';
update session set last_seen_at = created_at;
alter table session alter column last_seen_at set not null;
create index session_of_person on session (person_id);

create table known_device (
  outfit_id uuid not null references outfit,
  person_id uuid not null,
  token_hash bytea not null,
  last_used_at timestamptz not null,
  primary key (person_id, token_hash),
  foreign key (outfit_id, person_id) references person (outfit_id, id)
);

-- Counts what has changed of an outfit, after it was committed: what was worked out under another count is out of date.
create table outfit_version (outfit_id uuid primary key references outfit, version bigint not null);

create table brief_kept (
  outfit_id uuid not null references outfit,
  date date not null,
  seq bigint not null,
  claimed bigint not null,
  body_seq bigint,
  body jsonb,
  primary key (outfit_id, date)
);

-- How often something was tried; shared by all servers. Keys are digests.
create table tries (key varchar(255) primary key, points int not null default 0, expire bigint);

create index leg_by_spot on leg (spot_id);
create index stop_unseen on stop (outfit_id) where conditions is null and ended_at is not null;
create index stop_by_spot on stop (spot_id, started_at);
create index catch_kept on "catch" (client_id, at) where kept and deleted_at is null;
create index trip_by_time on trip (outfit_id, starts_at);
create index plan_by_trip on plan (trip_id, version desc);
create index audit_by_time on audit (outfit_id, at desc);
`;

// Before the outfit is known, only these functions look across outfits, by a role that may read these few tables and nothing else.
const GATE = `
drop function session_person(bytea, timestamptz);
create function session_person(wanted bytea, at timestamptz, idle interval)
  returns table (session_id uuid, person_id uuid, outfit_id uuid, role text, version bigint)
  language plpgsql security definer as $$
  begin
    update session s set last_seen_at = at where s.token_hash = wanted and s.last_seen_at < at - interval '5 minutes'
      and s.expires_at > at and s.last_seen_at > at - idle;
    return query select s.id, p.id, p.outfit_id, p.role, coalesce(v.version, 0) from session s join person p on p.id = s.person_id
        left join outfit_version v on v.outfit_id = p.outfit_id
      where s.token_hash = wanted and s.expires_at > at and s.last_seen_at > at - idle and p.active;
  end $$;

create function device_known(wanted_email text, wanted bytea) returns boolean
  language sql security definer as
  $$ select exists (select from known_device d join person p on p.id = d.person_id where p.email = lower(wanted_email) and d.token_hash = wanted) $$;

-- The demo's clock goes forward only.
create function demo_clock_on(wanted timestamptz) returns void
  language sql security definer as $$ update demo_clock set demo_at = greatest(demo_at, wanted) $$;
create function demo_time() returns timestamptz
  language sql security definer as $$ select demo_at from demo_clock $$;
`;

const GATE_FUNCTIONS =
  'sign_in_person(text), session_person(bytea, timestamptz, interval), device_known(text, bytea), outfit_ids(), demo_sign_ins(), demo_password(), demo_clock_on(timestamptz), demo_time()';

/**
 * What many outfits on several servers need: row-level security that binds the owner of the tables too, a role of its own for the
 * look-ups before sign-in, the mates of a trip, sessions that can be seen and ended, tries counted for all servers together,
 * how long medical notes are kept, and indexes for the lists.
 */
export class Holds1780000000006 implements MigrationInterface {
  readonly name = 'Holds1780000000006';

  async up(run: QueryRunner): Promise<void> {
    const [app, gate] = [await appRole(run), await gateRole(run)];
    await run.query(CHANGES);
    await run.query(GATE);
    for (const table of ['trip_mate', 'known_device', 'brief_kept', 'outfit_version'])
      await run.query(`
        alter table ${table} enable row level security;
        create policy own on ${table} using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
        grant select, insert, update, delete on ${table} to ${app};
      `);
    await run.query(`
      grant select, insert, update, delete on tries to ${app};
      create policy gate on person for select to ${gate} using (true);
      create policy gate on session to ${gate} using (true);
      create policy gate on outfit for select to ${gate} using (true);
      create policy gate on known_device for select to ${gate} using (true);
      create policy gate on outfit_version for select to ${gate} using (true);
      grant select on person, outfit, known_device, outfit_version to ${gate};
      grant select, update on session to ${gate};
      grant select, update on demo_clock to ${gate};
    `);
    const [{ schema }] = await run.query('select current_schema() as schema');
    // A function goes only to a role that may create in its schema.
    await run.query(`grant usage, create on schema ${schema} to ${gate}`);
    for (const f of GATE_FUNCTIONS.split(/, (?=[a-z_]+\()/))
      await run.query(`alter function ${f} set search_path = ${schema}, pg_temp; alter function ${f} owner to ${gate}`);
    await run.query(`
      revoke create on schema ${schema} from ${gate};
      revoke all on function ${GATE_FUNCTIONS} from public;
      grant execute on function ${GATE_FUNCTIONS} to ${app};
      revoke insert, update, delete on demo_clock from ${app};
      revoke select on demo_clock from ${app};
      revoke insert, update, delete on public.migrations from ${app};
    `);
    const tables: { name: string }[] = await run.query(
      `select quote_ident(c.relname) as name from pg_class c where c.relnamespace = $1::regnamespace and c.relkind in ('r', 'p') and c.relrowsecurity`,
      [schema],
    );
    for (const { name } of tables) await run.query(`alter table ${name} force row level security`);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

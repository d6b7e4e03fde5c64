import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

/** Tables that belong to one outfit, in the order in which they can be made and loaded. */
const OUTFIT_TABLES = [
  'person',
  'session',
  'boat',
  'water',
  'chart_layer',
  'station',
  'reading',
  'forecast',
  'forecast_member',
  'species',
  'family',
  'presentation',
  'spot',
  'client',
  'trip',
  'trip_species',
  'party',
  'plan',
  'leg',
  'stop',
  '"set"',
  '"catch"',
  'sighting',
  'rule',
  'brief',
  'brief_read',
  'audit',
] as const;

const TABLES = `
create table outfit (
  id uuid primary key,
  name text not null check (name <> ''),
  zone text not null
);

create table person (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  name text not null check (name <> ''),
  email text not null check (email = lower(email)),
  password_hash text not null,
  role text not null check (role in ('owner', 'captain', 'mate')),
  active boolean not null default true,
  unique (outfit_id, id)
);
create unique index person_email on person (email);

create table session (
  token_hash bytea primary key,
  outfit_id uuid not null references outfit,
  person_id uuid not null,
  created_at timestamptz not null,
  expires_at timestamptz not null,
  foreign key (outfit_id, person_id) references person (outfit_id, id)
);

create table boat (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  name text not null check (name <> ''),
  hull text not null,
  seats int not null check (seats > 0),
  speed_mps double precision not null check (speed_mps > 0),
  draught_m double precision not null check (draught_m > 0),
  wind_limit_mps double precision not null check (wind_limit_mps > 0),
  wave_limit_m double precision not null check (wave_limit_m > 0),
  unique (outfit_id, id)
);

create table water (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  name text not null check (name <> ''),
  kind text not null check (kind in ('salt', 'fresh')),
  rule_zone text not null,
  lat double precision not null check (lat between -90 and 90),
  lon double precision not null check (lon between -180 and 180),
  dock_lat double precision not null check (dock_lat between -90 and 90),
  dock_lon double precision not null check (dock_lon between -180 and 180),
  tide jsonb,
  unique (outfit_id, id)
);

create table chart_layer (
  id uuid primary key default gen_random_uuid(),
  outfit_id uuid not null references outfit,
  water_id uuid not null,
  kind text not null check (kind in ('bed', 'marks')),
  data jsonb not null,
  foreign key (outfit_id, water_id) references water (outfit_id, id),
  unique (water_id, kind)
);

create table station (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  water_id uuid not null,
  name text not null check (name <> ''),
  path text not null,
  lat double precision not null,
  lon double precision not null,
  polled_to timestamptz,
  last_error text,
  foreign key (outfit_id, water_id) references water (outfit_id, id),
  unique (outfit_id, id)
);

create table reading (
  id bigint generated always as identity primary key,
  outfit_id uuid not null,
  water_id uuid not null,
  station_id uuid,
  person_id uuid,
  source text not null check (source in ('station', 'crew', 'import', 'instrument')),
  variable text not null,
  at timestamptz not null,
  value double precision not null,
  flag smallint not null check (flag in (1, 2, 3, 4, 9)),
  superseded_by bigint references reading,
  foreign key (outfit_id, water_id) references water (outfit_id, id),
  foreign key (outfit_id, station_id) references station (outfit_id, id),
  foreign key (outfit_id, person_id) references person (outfit_id, id),
  check ((source = 'station') = (station_id is not null)),
  check (value <> 'NaN'::double precision)
);
create unique index reading_once on reading (station_id, variable, at) where station_id is not null and superseded_by is null;
create index reading_by_water on reading (water_id, at);

create table forecast (
  id uuid primary key default gen_random_uuid(),
  outfit_id uuid not null references outfit,
  station_id uuid not null,
  run_at timestamptz not null,
  fetched_at timestamptz not null,
  foreign key (outfit_id, station_id) references station (outfit_id, id),
  unique (station_id, run_at),
  unique (outfit_id, id)
);

create table forecast_member (
  forecast_id uuid not null,
  outfit_id uuid not null references outfit,
  member int not null check (member >= 0),
  variable text not null,
  at timestamptz[] not null,
  value double precision[] not null,
  primary key (forecast_id, member, variable),
  foreign key (outfit_id, forecast_id) references forecast (outfit_id, id),
  check (cardinality(at) = cardinality(value))
);

create table species (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  name text not null check (name <> ''),
  habitat text not null check (habitat in ('salt', 'fresh')),
  length_kind text not null check (length_kind in ('total', 'fork', 'standard')),
  size_goal_mm int check (size_goal_mm > 0),
  caution text not null,
  unique (outfit_id, id),
  unique (outfit_id, name)
);

create table family (
  outfit_id uuid not null references outfit,
  id text not null,
  name text not null check (name <> ''),
  depth_min_m double precision not null check (depth_min_m >= 0),
  depth_max_m double precision not null,
  temp_min_c double precision not null,
  temp_max_c double precision not null,
  cover_rate int not null check (cover_rate between 1 and 5),
  skill int not null check (skill between 1 and 3),
  snag int not null check (snag between 1 and 3),
  handling text not null,
  primary key (outfit_id, id),
  check (depth_max_m >= depth_min_m),
  check (temp_max_c >= temp_min_c)
);

create table presentation (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  family_id text not null,
  name text not null check (name <> ''),
  habitat text not null check (habitat in ('salt', 'fresh', 'both')),
  active boolean not null default true,
  foreign key (outfit_id, family_id) references family (outfit_id, id),
  unique (outfit_id, id),
  unique (outfit_id, name)
);

create table spot (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  water_id uuid not null,
  name text not null check (name <> ''),
  structure text not null,
  bottom text not null,
  depth_min_m double precision not null,
  depth_max_m double precision not null,
  lat double precision not null check (lat between -90 and 90),
  lon double precision not null check (lon between -180 and 180),
  shore_normal_deg double precision check (shore_normal_deg >= 0 and shore_normal_deg < 360),
  fetch_m int[] not null check (cardinality(fetch_m) = 36),
  access_depth_m double precision,
  fade_per_hour double precision not null check (fade_per_hour >= 0),
  privacy text not null check (privacy in ('crew', 'captain')),
  check (depth_max_m >= depth_min_m),
  foreign key (outfit_id, water_id) references water (outfit_id, id),
  unique (outfit_id, id),
  unique (water_id, name)
);

create table client (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  name text not null check (name <> ''),
  experience int not null check (experience between 1 and 3),
  child boolean not null,
  note text not null,
  medical_note text not null,
  unique (outfit_id, id)
);

create table trip (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  boat_id uuid not null,
  captain_id uuid not null,
  water_id uuid not null,
  starts_at timestamptz not null,
  ends_at timestamptz not null,
  goal text not null check (goal in ('numbers', 'size', 'table', 'learn')),
  rods int not null check (rods between 1 and 20),
  skill int not null check (skill between 1 and 3),
  wish text not null,
  status text not null check (status in ('planned', 'under way', 'done', 'cancelled')),
  began_at timestamptz,
  ended_at timestamptz,
  constraint trip_ends_after_start check (ends_at > starts_at),
  foreign key (outfit_id, boat_id) references boat (outfit_id, id),
  foreign key (outfit_id, captain_id) references person (outfit_id, id),
  foreign key (outfit_id, water_id) references water (outfit_id, id),
  constraint trip_boat_once exclude using gist (boat_id with =, tstzrange(starts_at, ends_at) with &&) where (status <> 'cancelled'),
  constraint trip_captain_once exclude using gist (captain_id with =, tstzrange(starts_at, ends_at) with &&) where (status <> 'cancelled'),
  unique (outfit_id, id)
);

create table trip_species (
  trip_id uuid not null,
  species_id uuid not null,
  outfit_id uuid not null references outfit,
  primary key (trip_id, species_id),
  foreign key (outfit_id, trip_id) references trip (outfit_id, id),
  foreign key (outfit_id, species_id) references species (outfit_id, id)
);

create table party (
  trip_id uuid not null,
  client_id uuid not null,
  outfit_id uuid not null references outfit,
  primary key (trip_id, client_id),
  foreign key (outfit_id, trip_id) references trip (outfit_id, id),
  foreign key (outfit_id, client_id) references client (outfit_id, id)
);

create function party_fits_boat() returns trigger language plpgsql as $$
declare
  guests int;
  room int;
begin
  select count(*) into guests from party where trip_id = new.trip_id;
  select b.seats into room from trip t join boat b on b.id = t.boat_id where t.id = new.trip_id;
  if guests > room then
    raise exception 'trip has % guests, the boat has % seats', guests, room using errcode = '23514', constraint = 'party_fits_boat';
  end if;
  return null;
end $$;
create constraint trigger party_fits_boat after insert or update on party
  deferrable initially deferred for each row execute function party_fits_boat();

create function trip_fits_boat() returns trigger language plpgsql as $$
declare
  guests int;
  room int;
begin
  select count(*) into guests from party where trip_id = new.id;
  select seats into room from boat where id = new.boat_id;
  if guests > room then
    raise exception 'trip has % guests, the boat has % seats', guests, room using errcode = '23514', constraint = 'party_fits_boat';
  end if;
  return null;
end $$;
create constraint trigger trip_fits_boat after update of boat_id on trip
  deferrable initially deferred for each row execute function trip_fits_boat();

create table plan (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  trip_id uuid not null,
  version int not null check (version > 0),
  made_by uuid not null,
  made_at timestamptz not null,
  expected double precision not null check (expected >= 0),
  lo80 double precision not null,
  hi80 double precision not null,
  bound double precision not null,
  proved boolean not null,
  bans uuid[] not null default '{}',
  model_version text not null,
  evidence_version text not null,
  forecast_run_at timestamptz,
  foreign key (outfit_id, trip_id) references trip (outfit_id, id),
  foreign key (outfit_id, made_by) references person (outfit_id, id),
  unique (trip_id, version),
  unique (outfit_id, id)
);

create table leg (
  id uuid primary key default gen_random_uuid(),
  outfit_id uuid not null references outfit,
  plan_id uuid not null,
  position int not null check (position >= 0),
  spot_id uuid not null,
  presentation_id uuid not null,
  arrive_at timestamptz not null,
  start_at timestamptz not null,
  depart_at timestamptz not null,
  expected double precision not null check (expected >= 0),
  lo80 double precision not null,
  hi80 double precision not null,
  pinned boolean not null,
  check (arrive_at <= start_at and start_at < depart_at),
  foreign key (outfit_id, plan_id) references plan (outfit_id, id),
  foreign key (outfit_id, spot_id) references spot (outfit_id, id),
  foreign key (outfit_id, presentation_id) references presentation (outfit_id, id),
  unique (plan_id, position)
);

create table stop (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  trip_id uuid not null,
  spot_id uuid not null,
  started_at timestamptz not null,
  ended_at timestamptz,
  conditions jsonb,
  deleted_at timestamptz,
  check (ended_at is null or ended_at >= started_at),
  foreign key (outfit_id, trip_id) references trip (outfit_id, id),
  foreign key (outfit_id, spot_id) references spot (outfit_id, id),
  unique (outfit_id, id)
);
create index stop_by_trip on stop (trip_id);
create index stop_by_time on stop (outfit_id, started_at);

create table "set" (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  stop_id uuid not null,
  presentation_id uuid not null,
  rods int not null check (rods between 1 and 20),
  started_at timestamptz not null,
  ended_at timestamptz,
  check (ended_at is null or ended_at >= started_at),
  foreign key (outfit_id, stop_id) references stop (outfit_id, id),
  foreign key (outfit_id, presentation_id) references presentation (outfit_id, id),
  unique (outfit_id, id)
);
create index set_by_stop on "set" (stop_id);

create table "catch" (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  set_id uuid not null,
  species_id uuid,
  client_id uuid,
  at timestamptz not null,
  length_mm int check (length_mm between 10 and 4000),
  length_kind text not null check (length_kind in ('total', 'fork', 'standard')),
  outcome text not null check (outcome in ('landed', 'lost', 'missed')),
  kept boolean not null,
  deleted_at timestamptz,
  check (outcome = 'landed' or not kept),
  check (outcome <> 'landed' or species_id is not null),
  foreign key (outfit_id, set_id) references "set" (outfit_id, id),
  foreign key (outfit_id, species_id) references species (outfit_id, id),
  foreign key (outfit_id, client_id) references client (outfit_id, id),
  unique (outfit_id, id)
);
create index catch_by_set on "catch" (set_id);

create table sighting (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  trip_id uuid not null,
  spot_id uuid,
  at timestamptz not null,
  kind text not null check (kind in ('bait', 'birds', 'marks', 'rays', 'surface', 'follow')),
  note text not null,
  deleted_at timestamptz,
  foreign key (outfit_id, trip_id) references trip (outfit_id, id),
  foreign key (outfit_id, spot_id) references spot (outfit_id, id)
);

create table rule (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  species_id uuid not null,
  zone text,
  body jsonb not null,
  source text not null,
  checked_on date not null,
  foreign key (outfit_id, species_id) references species (outfit_id, id)
);

create table brief (
  id uuid primary key default gen_random_uuid(),
  outfit_id uuid not null references outfit,
  date date not null,
  published_at timestamptz not null,
  published_by uuid not null,
  body jsonb not null,
  foreign key (outfit_id, published_by) references person (outfit_id, id),
  unique (outfit_id, date),
  unique (outfit_id, id)
);

create table brief_read (
  brief_id uuid not null,
  outfit_id uuid not null references outfit,
  person_id uuid not null,
  read_at timestamptz not null,
  primary key (brief_id, person_id),
  foreign key (outfit_id, brief_id) references brief (outfit_id, id),
  foreign key (outfit_id, person_id) references person (outfit_id, id)
);

create table audit (
  id bigint generated always as identity primary key,
  outfit_id uuid not null references outfit,
  person_id uuid not null,
  at timestamptz not null,
  action text not null,
  subject text not null,
  subject_id uuid not null,
  detail jsonb not null,
  foreign key (outfit_id, person_id) references person (outfit_id, id)
);

create table demo_clock (
  only_row boolean primary key default true check (only_row),
  demo_at timestamptz not null,
  password text not null
);
`;

// Sign-in and session look-up happen before the outfit is known; these functions give no more than they need.
const GATE = `
create function sign_in_person(wanted_email text)
  returns table (person_id uuid, outfit_id uuid, password_hash text)
  language sql security definer set search_path = public, pg_temp as
  $$ select p.id, p.outfit_id, p.password_hash from person p where p.email = lower(wanted_email) and p.active $$;

create function session_person(wanted bytea, at timestamptz)
  returns table (person_id uuid, outfit_id uuid, role text)
  language sql security definer set search_path = public, pg_temp as
  $$ select p.id, p.outfit_id, p.role from session s join person p on p.id = s.person_id
     where s.token_hash = wanted and s.expires_at > at and p.active $$;

-- Empty unless this database was loaded as a demo, which alone has a row in demo_clock.
create function demo_sign_ins() returns table (name text, email text, role text, outfit text)
  language sql security definer set search_path = public, pg_temp as
  $$ select p.name, p.email, p.role, o.name from person p join outfit o on o.id = p.outfit_id
     where exists (select from demo_clock) order by o.name desc, array_position(array['owner', 'captain', 'mate'], p.role), p.name $$;

create function demo_password() returns table (password text)
  language sql security definer set search_path = public, pg_temp as $$ select d.password from demo_clock d $$;

create function outfit_ids() returns table (id uuid)
  language sql security definer set search_path = public, pg_temp as $$ select o.id from outfit o $$;
`;

/** The whole model of the first release. */
export class House1780000000001 implements MigrationInterface {
  readonly name = 'House1780000000001';

  async up(run: QueryRunner): Promise<void> {
    const app = await appRole(run);
    await run.query('create extension if not exists btree_gist');
    await run.query(TABLES);
    await run.query(GATE);
    const mine = "nullif(current_setting('app.outfit', true), '')::uuid";
    await run.query(`
      alter table outfit enable row level security;
      create policy own on outfit using (id = ${mine}) with check (id = ${mine});
    `);
    for (const table of OUTFIT_TABLES) {
      await run.query(`
        alter table ${table} enable row level security;
        create policy own on ${table} using (outfit_id = ${mine}) with check (outfit_id = ${mine});
      `);
    }
    await run.query(`
      grant usage on schema public to ${app};
      grant select, insert, update, delete on all tables in schema public to ${app};
      revoke update, delete on audit from ${app};
      grant usage on all sequences in schema public to ${app};
      revoke all on function sign_in_person(text), session_person(bytea, timestamptz), outfit_ids(), demo_sign_ins(), demo_password() from public;
      grant execute on function sign_in_person(text), session_person(bytea, timestamptz), outfit_ids(), demo_sign_ins(), demo_password() to ${app};
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

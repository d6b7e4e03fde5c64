import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const NEW_TABLES = ['import', 'instrument', 'ground_feature', 'survey', 'dismissal'] as const;

const CHANGES = `
alter table water add column currents jsonb not null default '[]';

alter table boat
  add column tank_l double precision not null default 60 check (tank_l > 0),
  add column burn_lph double precision not null default 15 check (burn_lph > 0);

alter table station
  add column failures int not null default 0 check (failures >= 0),
  add column next_try_at timestamptz,
  add column last_good_at timestamptz;

create table import (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  water_id uuid not null,
  kind text not null check (kind in ('readings', 'places', 'soundings')),
  file_name text not null check (file_name <> ''),
  made_at timestamptz not null,
  made_by uuid not null,
  stored int not null check (stored >= 0),
  known int not null check (known >= 0),
  refused int not null check (refused >= 0),
  undone_at timestamptz,
  undone_by uuid,
  foreign key (outfit_id, water_id) references water (outfit_id, id),
  foreign key (outfit_id, made_by) references person (outfit_id, id),
  foreign key (outfit_id, undone_by) references person (outfit_id, id),
  check ((undone_at is null) = (undone_by is null)),
  unique (outfit_id, id)
);

alter table spot
  add column shape text not null default 'point' check (shape in ('point', 'line', 'area')),
  add column points jsonb not null default '[]',
  add column hazards text not null default '',
  add column legality text not null default '',
  add column rest_days int not null default 0 check (rest_days between 0 and 60),
  add column pressure int not null default 1 check (pressure between 1 and 3),
  add column note text not null default '',
  add column heat_offset_c double precision not null default 0,
  add column heat_sd_c double precision not null default 0.6 check (heat_sd_c > 0),
  add column heat_readings int not null default 0 check (heat_readings >= 0),
  add column import_id uuid,
  add column retired_at timestamptz,
  add column merged_into uuid,
  add foreign key (outfit_id, import_id) references import (outfit_id, id),
  add foreign key (outfit_id, merged_into) references spot (outfit_id, id),
  drop constraint spot_water_id_name_key;
update spot set points = jsonb_build_array(jsonb_build_array(lon, lat));
create unique index spot_name_once on spot (water_id, name) where retired_at is null;

alter table reading
  add column key uuid,
  add column spot_id uuid,
  add column import_id uuid,
  add column instrument_id uuid,
  add column note text not null default '',
  add column withdrawn_at timestamptz,
  add foreign key (outfit_id, spot_id) references spot (outfit_id, id),
  add foreign key (outfit_id, import_id) references import (outfit_id, id),
  add constraint reading_import_source check ((source = 'import') = (import_id is not null)),
  add constraint reading_instrument_source check ((source = 'instrument') = (instrument_id is not null));
create unique index reading_key_once on reading (outfit_id, key) where key is not null;
create unique index reading_instrument_once on reading (instrument_id, variable, at) where instrument_id is not null;
create index reading_superseded_by on reading (superseded_by) where superseded_by is not null;
create index reading_by_import on reading (import_id) where import_id is not null;
create index reading_by_spot on reading (spot_id, at) where spot_id is not null;

create table instrument (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  boat_id uuid not null,
  water_id uuid not null,
  name text not null check (name <> ''),
  address text,
  transducer_m double precision not null default 0,
  last_heard_at timestamptz,
  last_error text,
  foreign key (outfit_id, boat_id) references boat (outfit_id, id),
  foreign key (outfit_id, water_id) references water (outfit_id, id),
  unique (outfit_id, id)
);
alter table reading add foreign key (outfit_id, instrument_id) references instrument (outfit_id, id);

create table ground_feature (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  water_id uuid not null,
  kind text not null check (kind in ('part', 'no-go', 'no-wake', 'track', 'passage')),
  name text not null check (name <> ''),
  points jsonb not null,
  detail jsonb not null,
  made_at timestamptz not null,
  made_by uuid,
  import_id uuid,
  removed_at timestamptz,
  foreign key (outfit_id, water_id) references water (outfit_id, id),
  foreign key (outfit_id, made_by) references person (outfit_id, id),
  foreign key (outfit_id, import_id) references import (outfit_id, id)
);
create index ground_feature_by_water on ground_feature (water_id) where removed_at is null;

create table survey (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  water_id uuid not null,
  name text not null check (name <> ''),
  source text not null check (source in ('file', 'instrument')),
  import_id uuid,
  instrument_id uuid,
  made_at timestamptz not null,
  tide_corrected boolean not null,
  lat double precision[] not null,
  lon double precision[] not null,
  depth_m double precision[] not null,
  grid jsonb,
  withdrawn_at timestamptz,
  foreign key (outfit_id, water_id) references water (outfit_id, id),
  foreign key (outfit_id, import_id) references import (outfit_id, id),
  foreign key (outfit_id, instrument_id) references instrument (outfit_id, id),
  check (cardinality(lat) = cardinality(lon) and cardinality(lat) = cardinality(depth_m)),
  unique (instrument_id, name)
);
create index survey_by_water on survey (water_id) where withdrawn_at is null;

create table dismissal (
  id uuid primary key default gen_random_uuid(),
  outfit_id uuid not null references outfit,
  water_id uuid not null,
  kind text not null,
  lat double precision not null check (lat between -90 and 90),
  lon double precision not null check (lon between -180 and 180),
  made_at timestamptz not null,
  made_by uuid not null,
  foreign key (outfit_id, water_id) references water (outfit_id, id),
  foreign key (outfit_id, made_by) references person (outfit_id, id)
);
`;

/** Readings by hand, wire and file with corrections and undo; spots, parts, surveys and what is drawn on the chart. */
export class WaterAndGrounds1780000000002 implements MigrationInterface {
  readonly name = 'WaterAndGrounds1780000000002';

  async up(run: QueryRunner): Promise<void> {
    const app = await appRole(run);
    await run.query(CHANGES);
    const mine = "nullif(current_setting('app.outfit', true), '')::uuid";
    for (const table of NEW_TABLES) {
      await run.query(`
        alter table ${table} enable row level security;
        create policy own on ${table} using (outfit_id = ${mine}) with check (outfit_id = ${mine});
        grant select, insert, update, delete on ${table} to ${app};
      `);
    }
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

const TABLES = `
create table gear (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  kind text not null check (kind in ('rod', 'reel', 'line', 'leader', 'hook', 'weight', 'head', 'lure', 'feeder', 'board', 'float', 'sea anchor',
    'sounder', 'net', 'release tool')),
  name text not null check (name <> ''),
  mass_g double precision check (mass_g > 0),
  strength_kg double precision check (strength_kg > 0),
  across_mm double precision check (across_mm > 0),
  stock int check (stock >= 0),
  cost double precision check (cost >= 0),
  note text not null default '',
  retired_at timestamptz
);
create index gear_of_outfit on gear (outfit_id, kind);

-- A bait timed to the bottom, or a diver measured: its own word overrules the textbook.
create table bait_trial (
  presentation_id uuid primary key,
  outfit_id uuid not null references outfit,
  depth_m double precision check (depth_m > 0),
  seconds double precision check (seconds > 0),
  dives_m double precision check (dives_m > 0),
  by uuid not null,
  at timestamptz not null,
  check ((depth_m is null) = (seconds is null)),
  foreign key (outfit_id, presentation_id) references presentation (outfit_id, id),
  foreign key (outfit_id, by) references person (outfit_id, id)
);

create table rig_choice (
  trip_id uuid not null,
  spot_id uuid not null,
  presentation_id uuid not null,
  part text not null check (part in ('weight', 'leader', 'hook height', 'dropper', 'diver', 'pause', 'sea anchor', 'link')),
  outfit_id uuid not null references outfit,
  value double precision not null check (value >= 0),
  by uuid not null,
  at timestamptz not null,
  primary key (trip_id, spot_id, presentation_id, part),
  foreign key (outfit_id, trip_id) references trip (outfit_id, id) on delete cascade,
  foreign key (outfit_id, spot_id) references spot (outfit_id, id),
  foreign key (outfit_id, presentation_id) references presentation (outfit_id, id),
  foreign key (outfit_id, by) references person (outfit_id, id)
);

create table rig_tick (
  trip_id uuid not null,
  key text not null check (length(key) between 1 and 120),
  outfit_id uuid not null references outfit,
  done boolean not null,
  by uuid not null,
  at timestamptz not null,
  primary key (trip_id, key),
  foreign key (outfit_id, trip_id) references trip (outfit_id, id) on delete cascade,
  foreign key (outfit_id, by) references person (outfit_id, id)
);

alter table boat
  add column windage_m2 double precision check (windage_m2 > 0),
  add column hull_m2 double precision check (hull_m2 > 0);
`;
const OWN = ['gear', 'bait_trial', 'rig_choice', 'rig_tick'];

/** Gear, trials of baits, figures of rigs set by hand, ticks of the night before, and what a boat shows to wind and water. */
export class Rigs1780000000010 implements MigrationInterface {
  readonly name = 'Rigs1780000000010';

  async up(run: QueryRunner): Promise<void> {
    const app = await appRole(run);
    await run.query(TABLES);
    for (const table of OWN)
      await run.query(`
        alter table ${table} enable row level security;
        alter table ${table} force row level security;
        create policy own on ${table} using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
        grant select, insert, update, delete on ${table} to ${app};
      `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

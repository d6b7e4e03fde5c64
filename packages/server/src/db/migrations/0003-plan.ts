import type { MigrationInterface, QueryRunner } from 'typeorm';

const CHANGES = `
alter table family
  add column clarity_min_m double precision check (clarity_min_m >= 0),
  add column clarity_max_m double precision,
  add column wind_min_mps double precision check (wind_min_mps >= 0),
  add column wind_max_mps double precision,
  add column current_min_mps double precision check (current_min_mps >= 0),
  add column current_max_mps double precision,
  add column light int[] not null default '{}' check (light <@ array[0, 1, 2, 3]),
  add column cover text[] not null default '{}',
  add column months int[] not null default '{}' check (months <@ array[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]),
  add column zone text not null default 'middle' check (zone in ('bottom', 'middle', 'surface')),
  add column look text not null default 'natural' check (look <> ''),
  add column rods int not null default 1 check (rods between 1 and 12),
  add column cost_per_hour double precision not null default 0 check (cost_per_hour >= 0),
  add column forage text[] not null default '{}',
  add check (clarity_min_m is null or clarity_max_m is null or clarity_max_m >= clarity_min_m),
  add check (wind_min_mps is null or wind_max_mps is null or wind_max_mps >= wind_min_mps),
  add check (current_min_mps is null or current_max_mps is null or current_max_mps >= current_min_mps);

alter table presentation
  add column size_mm double precision check (size_mm > 0),
  add column weight_g double precision check (weight_g >= 0),
  add column colour text not null default '',
  add column leader_kg double precision check (leader_kg > 0),
  add column retrieve text not null default '',
  add column pause_s double precision check (pause_s >= 0),
  add column look text check (look <> '');

alter table trip_species add column weight double precision not null default 1 check (weight > 0 and weight <= 10);

alter table client
  add column hand text check (hand in ('left', 'right')),
  add column wishes text not null default '';

alter table trip
  add column patience_min int check (patience_min between 5 and 600),
  add column breaks jsonb not null default '[]',
  add column aboard uuid[];

alter table plan
  add column options jsonb not null default '{}',
  add column basis jsonb,
  add column triggers jsonb not null default '[]';

alter table leg add column parts jsonb not null default '[]';
`;

/** Envelopes and variants of presentations, parties, and what a plan was made from and would be changed by. */
export class Plan1780000000003 implements MigrationInterface {
  readonly name = 'Plan1780000000003';

  async up(run: QueryRunner): Promise<void> {
    await run.query(CHANGES);
    // A client said to be left-handed in a note is so in the field that planning reads.
    await run.query(`update client set hand = 'left' where note ilike '%left-handed%'`);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

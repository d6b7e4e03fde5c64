import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** What a trip compares on its rods, which rods of a set fished what, where a boat went while it fished under way, and signs set on the chart. */
export class Trials1780000000024 implements MigrationInterface {
  readonly name = 'Trials1780000000024';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      alter table "set" add column tried text check (tried in ('leader', 'hook', 'lure')), add column arm text check (length(arm) between 1 and 40),
        add constraint set_trial check ((tried is null) = (arm is null));
      create index set_of_trial on "set" (outfit_id) where arm is not null;
      create table trial (
        trip_id uuid primary key,
        outfit_id uuid not null references outfit,
        what text check (what in ('leader', 'hook', 'lure')),
        arms text[] not null,
        at timestamptz not null,
        by uuid not null,
        foreign key (outfit_id, trip_id) references trip (outfit_id, id),
        foreign key (outfit_id, by) references person (outfit_id, id)
      );
      alter table sighting add column lat double precision check (lat between -90 and 90), add column lon double precision check (lon between -180 and 180),
        add column side text, add constraint sighting_place check ((lat is null) = (lon is null));
      create table track_part (
        entry_id uuid primary key,
        outfit_id uuid not null references outfit,
        stop_id uuid not null,
        at timestamptz not null,
        points jsonb not null,
        foreign key (outfit_id, stop_id) references stop (outfit_id, id)
      );
      create index track_of_stop on track_part (stop_id, at);
      alter table track_part enable row level security;
      alter table track_part force row level security;
      create policy own on track_part using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      grant select, insert, update, delete on track_part to ${await appRole(run)};
      create trigger note_change after insert or update or delete on track_part for each statement execute function note_change('log');
      alter table trial enable row level security;
      alter table trial force row level security;
      create policy own on trial using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      grant select, insert, update, delete on trial to ${await appRole(run)};
      create trigger note_change after insert or update or delete on trial for each statement execute function note_change('log');
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

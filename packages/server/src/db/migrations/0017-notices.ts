import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** Whom was written of which boat, so that nobody is written to twice of the same. */
export class Notices1780000000017 implements MigrationInterface {
  readonly name = 'Notices1780000000017';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      create table notice (
        outfit_id uuid not null references outfit,
        kind text not null check (kind in ('overdue', 'back')),
        trip_id uuid not null,
        person_id uuid not null,
        -- When the boat was to be back: signed anew, it is another matter.
        due_at timestamptz not null,
        at timestamptz not null,
        primary key (trip_id, person_id, kind, due_at),
        foreign key (outfit_id, trip_id) references trip (outfit_id, id) on delete cascade,
        foreign key (outfit_id, person_id) references person (outfit_id, id)
      );
      alter table notice enable row level security;
      alter table notice force row level security;
      create policy own on notice using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      grant select, insert, update, delete on notice to ${await appRole(run)};
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

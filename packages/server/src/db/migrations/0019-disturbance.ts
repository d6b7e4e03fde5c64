import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** Times in which a stop was not fished, and why: what was fished before and after are sets of their own. */
export class Disturbance1780000000019 implements MigrationInterface {
  readonly name = 'Disturbance1780000000019';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      create table disturbance (
        id uuid primary key,
        outfit_id uuid not null references outfit,
        stop_id uuid not null,
        what text not null check (what in ('boat', 'weed', 'gear', 'break', 'other')),
        from_at timestamptz not null,
        to_at timestamptz check (to_at >= from_at),
        foreign key (outfit_id, stop_id) references stop (outfit_id, id) on delete cascade
      );
      create index disturbance_of_stop on disturbance (stop_id);
      alter table disturbance enable row level security;
      alter table disturbance force row level security;
      create policy own on disturbance using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      grant select, insert, update, delete on disturbance to ${await appRole(run)};
      create trigger note_change after insert or update or delete on disturbance for each statement execute function note_change('log');
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

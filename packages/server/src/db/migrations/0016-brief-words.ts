import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** What captains add to a brief before it goes out: to everybody, or to one boat. */
export class BriefWords1780000000016 implements MigrationInterface {
  readonly name = 'BriefWords1780000000016';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      create table brief_word (
        outfit_id uuid not null references outfit,
        date date not null,
        -- A trip, or the outfit itself for what is said to everybody.
        about uuid not null,
        text text not null check (text <> ''),
        by uuid not null,
        at timestamptz not null,
        primary key (outfit_id, date, about),
        foreign key (outfit_id, by) references person (outfit_id, id)
      );
      alter table brief_word enable row level security;
      alter table brief_word force row level security;
      create policy own on brief_word using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      grant select, insert, update, delete on brief_word to ${await appRole(run)};
      create trigger note_change after insert or update or delete on brief_word for each statement execute function note_change('after');
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

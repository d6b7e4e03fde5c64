import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** How an outfit's pages to its guests look. */
export class ReportLook1780000000026 implements MigrationInterface {
  readonly name = 'ReportLook1780000000026';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      create table report_look (
        outfit_id uuid primary key references outfit,
        name text not null,
        colour text not null,
        words text not null,
        logo bytea check (octet_length(logo) <= 200000)
      );
      alter table report_look enable row level security;
      alter table report_look force row level security;
      create policy own on report_look using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      grant select, insert, update, delete on report_look to ${await appRole(run)};
      create trigger note_change after insert or update or delete on report_look for each statement execute function note_change('after');
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

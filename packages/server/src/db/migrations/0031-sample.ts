import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** The sample water of an outfit while it is there: what is to go with it. */
export class Sample1780000000031 implements MigrationInterface {
  readonly name = 'Sample1780000000031';

  async up(run: QueryRunner): Promise<void> {
    const app = await appRole(run);
    await run.query(`
      create table sample (
        outfit_id uuid primary key references outfit,
        water_id uuid not null,
        boat_id uuid not null,
        made_at timestamptz not null,
        made_by uuid not null,
        foreign key (outfit_id, water_id) references water (outfit_id, id),
        foreign key (outfit_id, boat_id) references boat (outfit_id, id),
        foreign key (outfit_id, made_by) references person (outfit_id, id)
      );
      alter table sample enable row level security;
      alter table sample force row level security;
      create policy own on sample using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      create trigger note_change after insert or update or delete on sample for each statement execute function note_change('waters');
      grant select, insert, update, delete on sample to ${app};
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

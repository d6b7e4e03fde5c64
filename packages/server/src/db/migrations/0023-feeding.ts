import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** Bait that goes in at spots between trips, planned and done: fed regularly they hold fish. */
export class Feeding1780000000023 implements MigrationInterface {
  readonly name = 'Feeding1780000000023';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      create table feeding (
        id uuid primary key,
        outfit_id uuid not null references outfit,
        spot_id uuid not null,
        at timestamptz not null,
        what text not null default '',
        kg double precision not null check (kg > 0 and kg <= 200),
        cost double precision not null default 0 check (cost >= 0),
        done boolean not null,
        person_id uuid not null,
        removed_at timestamptz,
        foreign key (outfit_id, spot_id) references spot (outfit_id, id),
        foreign key (outfit_id, person_id) references person (outfit_id, id)
      );
      create index feeding_of_spot on feeding (spot_id, at);
      alter table feeding enable row level security;
      alter table feeding force row level security;
      create policy own on feeding using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      grant select, insert, update, delete on feeding to ${await appRole(run)};
      create trigger note_change after insert or update or delete on feeding for each statement execute function note_change('spots');
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

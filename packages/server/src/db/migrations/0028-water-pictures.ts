import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** Pictures from the air that lie under a water's chart. */
export class WaterPictures1780000000028 implements MigrationInterface {
  readonly name = 'WaterPictures1780000000028';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      create table water_picture (
        id uuid primary key,
        outfit_id uuid not null references outfit,
        water_id uuid not null,
        name text not null,
        width_px int not null check (width_px between 8 and 4096),
        height_px int not null check (height_px between 8 and 4096),
        lon double precision[] not null check (array_length(lon, 1) = 3),
        lat double precision[] not null check (array_length(lat, 1) = 3),
        bytes bytea not null check (octet_length(bytes) <= 3000000),
        made_at timestamptz not null,
        foreign key (outfit_id, water_id) references water (outfit_id, id)
      );
      create index water_picture_of_water on water_picture (water_id);
      alter table water_picture enable row level security;
      alter table water_picture force row level security;
      create policy own on water_picture using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      grant select, insert, update, delete on water_picture to ${await appRole(run)};
      create trigger note_change after insert or update or delete on water_picture for each statement execute function note_change('waters');
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Stations that the crew gives by address, with what their columns are; one that is taken out keeps what it has read. */
export class OwnStations1780000000012 implements MigrationInterface {
  readonly name = 'OwnStations1780000000012';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      alter table station
        add column url text check (url is null or length(url) between 8 and 2000),
        add column reading jsonb,
        add column removed_at timestamptz,
        add check ((url is null) = (reading is null));
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

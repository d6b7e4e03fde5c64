import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Stations and instruments that the crew gives by address; one that is taken out keeps what it has read. */
export class OwnStations1780000000012 implements MigrationInterface {
  readonly name = 'OwnStations1780000000012';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      alter table station
        add column url text check (url is null or length(url) between 8 and 2000),
        add column reading jsonb,
        add column removed_at timestamptz,
        add check ((url is null) = (reading is null));
      alter table instrument
        add column removed_at timestamptz,
        add check (transducer_m between -10 and 10);
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

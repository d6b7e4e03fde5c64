import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What each person sets for himself: units, clock, keys. */
export class OwnSettings1780000000008 implements MigrationInterface {
  async up(run: QueryRunner): Promise<void> {
    await run.query(`alter table person add column settings jsonb not null default '{}'`);
  }

  async down(run: QueryRunner): Promise<void> {
    await run.query('alter table person drop column settings');
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What lies aboard a boat with the days on which it ends, and lines of its own for the list before leaving. */
export class Aboard1780000000030 implements MigrationInterface {
  readonly name = 'Aboard1780000000030';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      alter table boat
        add column checks text[] not null default '{}',
        add column gear jsonb not null default '[]' check (jsonb_typeof(gear) = 'array');
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

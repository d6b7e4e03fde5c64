import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a signed debrief took out of the boxes, so that opening it again puts it back. */
export class DebriefStock1780000000018 implements MigrationInterface {
  readonly name = 'DebriefStock1780000000018';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`alter table debrief add column taken jsonb not null default '{}'`);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

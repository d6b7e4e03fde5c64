import type { MigrationInterface, QueryRunner } from 'typeorm';

/** To whom a new spot is known where its captain says nothing else. */
export class NewSpots1780000000033 implements MigrationInterface {
  readonly name = 'NewSpots1780000000033';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`alter table outfit add column new_spots text not null default 'crew' check (new_spots in ('crew', 'captain'))`);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What speed a boat has left at its own limit of waves; half where nobody has said. */
export class BoatInWaves1780000000027 implements MigrationInterface {
  readonly name = 'BoatInWaves1780000000027';

  async up(run: QueryRunner): Promise<void> {
    await run.query('alter table boat add column rough_mps double precision check (rough_mps > 0)');
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A guide without a boat: who walks has a pace and a cast, and neither draught nor tank. */
export class OnFoot1780000000011 implements MigrationInterface {
  readonly name = 'OnFoot1780000000011';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      alter table boat
        add column craft text not null default 'boat' check (craft in ('boat', 'foot')),
        add column cast_m double precision check (cast_m > 0 and cast_m <= 300),
        add column access_note text not null default '',
        drop constraint boat_draught_m_check,
        drop constraint boat_tank_l_check,
        drop constraint boat_burn_lph_check,
        add check (craft = 'foot' or (draught_m > 0 and tank_l > 0 and burn_lph > 0)),
        add check (craft = 'boat' or (draught_m = 0 and tank_l = 0 and burn_lph = 0 and cast_m is not null));
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

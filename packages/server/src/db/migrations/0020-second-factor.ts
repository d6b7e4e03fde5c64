import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** A second proof at sign-in: the secret of a person's authenticator, and codes on paper for the day the phone is lost. */
export class SecondFactor1780000000020 implements MigrationInterface {
  readonly name = 'SecondFactor1780000000020';

  async up(run: QueryRunner): Promise<void> {
    const app = await appRole(run);
    await run.query(`
      create table second_factor (
        person_id uuid primary key,
        outfit_id uuid not null references outfit,
        secret text not null,
        made_at timestamptz not null,
        -- Null until the first code has come right: it asks for nothing before.
        on_since timestamptz,
        -- Step of the last code that was taken, so that none is taken twice.
        last_step bigint not null default 0,
        foreign key (outfit_id, person_id) references person (outfit_id, id)
      );
      create table recovery_code (
        person_id uuid not null references second_factor on delete cascade,
        outfit_id uuid not null references outfit,
        code_hash bytea not null,
        used_at timestamptz,
        primary key (person_id, code_hash)
      );
    `);
    for (const table of ['second_factor', 'recovery_code'])
      await run.query(`
        alter table ${table} enable row level security;
        alter table ${table} force row level security;
        create policy own on ${table} using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
        grant select, insert, update, delete on ${table} to ${app};
      `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole, gateRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** A private address by which a person's phone follows his trips: kept as a digest, looked up without a session. */
export class CalendarAddress1780000000013 implements MigrationInterface {
  readonly name = 'CalendarAddress1780000000013';

  async up(run: QueryRunner): Promise<void> {
    const [app, gate] = [await appRole(run), await gateRole(run)];
    await run.query(`
      create table calendar_address (
        person_id uuid primary key,
        outfit_id uuid not null references outfit,
        token_hash bytea not null unique,
        made_at timestamptz not null,
        foreign key (outfit_id, person_id) references person (outfit_id, id)
      );
      alter table calendar_address enable row level security;
      alter table calendar_address force row level security;
      create policy own on calendar_address using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      create policy gate on calendar_address for select to ${gate} using (true);
      grant select, insert, update, delete on calendar_address to ${app};
      grant select on calendar_address to ${gate};
      create function calendar_by(wanted bytea) returns table (outfit_id uuid, person_id uuid, role text)
        language sql security definer as
        $$ select a.outfit_id, a.person_id, p.role from calendar_address a join person p on p.id = a.person_id
           where a.token_hash = wanted and p.active $$;
    `);
    const [{ schema }] = await run.query('select current_schema() as schema');
    await run.query(`
      grant usage, create on schema ${schema} to ${gate};
      alter function calendar_by(bytea) set search_path = ${schema}, pg_temp;
      alter function calendar_by(bytea) owner to ${gate};
      revoke all on function calendar_by(bytea) from public;
      grant execute on function calendar_by(bytea) to ${app};
      revoke create on schema ${schema} from ${gate};
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

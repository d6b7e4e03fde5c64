import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole, gateRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** Keys with which programs of an outfit read or write what their scopes name: kept as digests, looked up without a session. */
export class ProgramKeys1780000000021 implements MigrationInterface {
  readonly name = 'ProgramKeys1780000000021';

  async up(run: QueryRunner): Promise<void> {
    const [app, gate] = [await appRole(run), await gateRole(run)];
    await run.query(`
      create table program_key (
        id uuid primary key,
        outfit_id uuid not null references outfit,
        name text not null,
        scopes text[] not null check (cardinality(scopes) > 0),
        token_hash bytea not null unique,
        made_by uuid not null,
        made_at timestamptz not null,
        last_used_at timestamptz,
        ended_at timestamptz,
        foreign key (outfit_id, made_by) references person (outfit_id, id)
      );
      create index program_key_of_outfit on program_key (outfit_id, made_at);
      alter table program_key enable row level security;
      alter table program_key force row level security;
      create policy own on program_key using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      create policy gate on program_key to ${gate} using (true) with check (true);
      grant select, insert, update, delete on program_key to ${app};
      grant select, update (last_used_at) on program_key to ${gate};
      create function program_key_by(wanted bytea, at timestamptz)
        returns table (session_id uuid, person_id uuid, outfit_id uuid, role text, version bigint, topics jsonb, scopes text[])
        language plpgsql security definer as $$
        begin
          update program_key k set last_used_at = at
            where k.token_hash = wanted and k.ended_at is null and (k.last_used_at is null or k.last_used_at < at - interval '5 minutes');
          return query select k.id, p.id, p.outfit_id, p.role, coalesce(v.version, 0), coalesce(v.topics, '{}'), k.scopes
            from program_key k join person p on p.id = k.made_by left join outfit_version v on v.outfit_id = p.outfit_id
            where k.token_hash = wanted and k.ended_at is null and p.active and p.role = 'owner';
        end $$;
    `);
    const [{ schema }] = await run.query('select current_schema() as schema');
    await run.query(`
      grant usage, create on schema ${schema} to ${gate};
      alter function program_key_by(bytea, timestamptz) set search_path = ${schema}, pg_temp;
      alter function program_key_by(bytea, timestamptz) owner to ${gate};
      revoke all on function program_key_by(bytea, timestamptz) from public;
      grant execute on function program_key_by(bytea, timestamptz) to ${app};
      revoke create on schema ${schema} from ${gate};
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

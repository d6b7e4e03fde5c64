import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole, gateRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

const CHANGES = `
alter table boat add column retired_at timestamptz;
alter table water add column retired_at timestamptz;
alter table species add column retired_at timestamptz;
alter table client add column retired_at timestamptz, add column contact text not null default '';
alter table rule add column removed_at timestamptz;
alter table trip
  add column meeting text not null default '',
  add column price_note text not null default '',
  add column cancel_reason text not null default '',
  add column import_id uuid references import;
alter table forecast add column import_id uuid references import;
create index trip_by_import on trip (import_id) where import_id is not null;
alter table import drop constraint import_kind_check, add check (kind in ('readings', 'places', 'soundings', 'trips'));

create table invitation (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  -- Somebody who is in the outfit already gets a new password by it; else a new person comes.
  person_id uuid,
  name text not null check (name <> ''),
  email text not null check (email = lower(email)),
  role text not null check (role in ('owner', 'captain', 'mate')),
  token_hash bytea not null unique,
  made_at timestamptz not null,
  made_by uuid not null,
  expires_at timestamptz not null,
  taken_at timestamptz,
  withdrawn_at timestamptz,
  foreign key (outfit_id, person_id) references person (outfit_id, id),
  foreign key (outfit_id, made_by) references person (outfit_id, id)
);
create index invitation_of_outfit on invitation (outfit_id, made_at desc);
`;

const GATE = `
create function invitation_by(wanted bytea, at timestamptz)
  returns table (invitation_id uuid, outfit_id uuid, outfit text, person_id uuid, name text, email text, role text)
  language sql security definer as
  $$ select i.id, i.outfit_id, o.name, i.person_id, i.name, i.email, i.role from invitation i join outfit o on o.id = i.outfit_id
     where i.token_hash = wanted and i.expires_at > at and i.taken_at is null and i.withdrawn_at is null $$;

create function email_taken(wanted text) returns boolean
  language sql security definer as $$ select exists (select from person p where p.email = lower(wanted)) $$;
`;
const GATE_FUNCTIONS = ['invitation_by(bytea, timestamptz)', 'email_taken(text)'];

/** What an outfit of its own needs: invitations, things that go out of use while the log stays, and what a booking says. */
export class OwnOutfit1780000000009 implements MigrationInterface {
  readonly name = 'OwnOutfit1780000000009';

  async up(run: QueryRunner): Promise<void> {
    const [app, gate] = [await appRole(run), await gateRole(run)];
    await run.query(CHANGES);
    await run.query(GATE);
    await run.query(`
      alter table invitation enable row level security;
      alter table invitation force row level security;
      create policy own on invitation using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      create policy gate on invitation for select to ${gate} using (true);
      grant select, insert, update, delete on invitation to ${app};
      grant select on invitation to ${gate};
    `);
    const [{ schema }] = await run.query('select current_schema() as schema');
    await run.query(`grant usage, create on schema ${schema} to ${gate}`);
    for (const f of GATE_FUNCTIONS)
      await run.query(`
        alter function ${f} set search_path = ${schema}, pg_temp;
        alter function ${f} owner to ${gate};
        revoke all on function ${f} from public;
        grant execute on function ${f} to ${app};
      `);
    await run.query(`revoke create on schema ${schema} from ${gate}`);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

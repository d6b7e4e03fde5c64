import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole, gateRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

const TABLES = `
alter table "catch" add column more jsonb not null default '{}';

-- Each thing told of a fish, by whom and when: the latest of each field holds, and all are kept.
create table catch_told (
  entry_id uuid not null,
  field text not null,
  outfit_id uuid not null references outfit,
  catch_id uuid not null,
  value jsonb not null,
  at timestamptz not null,
  by uuid not null,
  primary key (entry_id, field),
  foreign key (outfit_id, catch_id) references "catch" (outfit_id, id),
  foreign key (outfit_id, by) references person (outfit_id, id)
);
create index catch_told_of on catch_told (catch_id, field, at);

create table departure (
  trip_id uuid primary key,
  outfit_id uuid not null references outfit,
  done text[] not null,
  left_open text[] not null,
  signed_by text not null check (signed_by <> ''),
  due_at timestamptz not null,
  ashore text not null,
  at timestamptz not null,
  by uuid not null,
  foreign key (outfit_id, trip_id) references trip (outfit_id, id) on delete cascade,
  foreign key (outfit_id, by) references person (outfit_id, id)
);

create table photo (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  trip_id uuid not null,
  catch_id uuid,
  at timestamptz not null,
  by uuid not null,
  bytes bytea not null check (octet_length(bytes) between 100 and 600000),
  unique (outfit_id, id),
  foreign key (outfit_id, trip_id) references trip (outfit_id, id) on delete cascade,
  foreign key (outfit_id, catch_id) references "catch" (outfit_id, id),
  foreign key (outfit_id, by) references person (outfit_id, id)
);
create index photo_of_trip on photo (trip_id, at);

create table debrief (
  trip_id uuid primary key,
  outfit_id uuid not null references outfit,
  said text not null,
  chips text[] not null,
  lost jsonb not null,
  bait_left text not null,
  signed_at timestamptz,
  signed_by uuid,
  by uuid not null,
  at timestamptz not null,
  foreign key (outfit_id, trip_id) references trip (outfit_id, id) on delete cascade,
  foreign key (outfit_id, signed_by) references person (outfit_id, id),
  foreign key (outfit_id, by) references person (outfit_id, id)
);

-- A client's page: what it shows is kept as it was sent, and holds no place.
create table report (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  trip_id uuid not null unique,
  token_hash bytea not null unique,
  body jsonb not null,
  made_by uuid not null,
  made_at timestamptz not null,
  expires_at timestamptz not null,
  opened_at timestamptz,
  foreign key (outfit_id, trip_id) references trip (outfit_id, id) on delete cascade,
  foreign key (outfit_id, made_by) references person (outfit_id, id)
);
`;
const OWN = ['catch_told', 'departure', 'photo', 'debrief', 'report'];

/** The whole day: the list before leaving, what is told of a fish, photos, the debrief and the client's page. */
export class WholeDay1780000000014 implements MigrationInterface {
  readonly name = 'WholeDay1780000000014';

  async up(run: QueryRunner): Promise<void> {
    const [app, gate] = [await appRole(run), await gateRole(run)];
    await run.query(TABLES);
    for (const table of OWN)
      await run.query(`
        alter table ${table} enable row level security;
        alter table ${table} force row level security;
        create policy own on ${table} using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
        grant select, insert, update, delete on ${table} to ${app};
      `);
    // A client has no session: the address alone opens the page, and one that has ended is like one that never was.
    await run.query(`
      create policy gate on report for select to ${gate} using (true);
      grant select on report to ${gate};
      create function report_by(wanted bytea, now timestamptz) returns table (outfit_id uuid, id uuid)
        language sql security definer as
        $$ select r.outfit_id, r.id from report r where r.token_hash = wanted and r.expires_at > now $$;
    `);
    const [{ schema }] = await run.query('select current_schema() as schema');
    await run.query(`
      grant usage, create on schema ${schema} to ${gate};
      alter function report_by(bytea, timestamptz) set search_path = ${schema}, pg_temp;
      alter function report_by(bytea, timestamptz) owner to ${gate};
      revoke all on function report_by(bytea, timestamptz) from public;
      grant execute on function report_by(bytea, timestamptz) to ${app};
      revoke create on schema ${schema} from ${gate};
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

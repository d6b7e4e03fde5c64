import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole, gateRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";
const FUNCTIONS = ['passkey_person(text)', 'challenge_made(text, timestamptz)', 'challenge_taken(text, timestamptz)'];

/** Passkeys of people, and the challenges that browsers are given: each is taken once, within minutes. */
export class Passkeys1780000000029 implements MigrationInterface {
  readonly name = 'Passkeys1780000000029';

  async up(run: QueryRunner): Promise<void> {
    const [app, gate] = [await appRole(run), await gateRole(run)];
    await run.query(`
      create table passkey (
        id uuid primary key,
        outfit_id uuid not null references outfit,
        person_id uuid not null,
        -- As the browser names it; of one authenticator alone in the world.
        credential text not null unique,
        public_key bytea not null,
        counter bigint not null default 0,
        transports text[] not null default '{}',
        -- Where it was made: it opens nothing elsewhere.
        origin text not null,
        name text not null,
        made_at timestamptz not null,
        last_used_at timestamptz,
        foreign key (outfit_id, person_id) references person (outfit_id, id)
      );
      create index passkey_of_person on passkey (person_id);
      create table passkey_challenge (challenge text primary key, ends_at timestamptz not null);
      alter table passkey enable row level security;
      alter table passkey force row level security;
      alter table passkey_challenge enable row level security;
      alter table passkey_challenge force row level security;
      create policy own on passkey using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      create policy gate on passkey for select to ${gate} using (true);
      create policy gate on passkey_challenge to ${gate} using (true) with check (true);
      grant select, insert, update, delete on passkey to ${app};
      grant select on passkey to ${gate};
      grant select, insert, delete on passkey_challenge to ${gate};
      -- No policy lets it see a row.
      grant select on passkey_challenge to ${app};
      -- Whoever signs in has no outfit yet: his passkey names it.
      create function passkey_person(wanted text) returns table (outfit_id uuid, person_id uuid)
        language sql security definer as
        $$ select k.outfit_id, k.person_id from passkey k join person p on p.id = k.person_id where k.credential = wanted and p.active $$;
      create function challenge_made(made text, until timestamptz) returns void language sql security definer as
        $$ delete from passkey_challenge where ends_at < until - interval '1 day';
           insert into passkey_challenge values (made, until) $$;
      create function challenge_taken(wanted text, now timestamptz) returns boolean language sql security definer as
        $$ with gone as (delete from passkey_challenge where challenge = wanted returning ends_at)
           select coalesce((select ends_at > now from gone), false) $$;
    `);
    const [{ schema }] = await run.query('select current_schema() as schema');
    await run.query(`grant usage, create on schema ${schema} to ${gate}`);
    for (const f of FUNCTIONS)
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

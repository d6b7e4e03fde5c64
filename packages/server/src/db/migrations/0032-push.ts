import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole, gateRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** Devices that are told without an open page, and the server's own key for them, made once. */
export class Push1780000000032 implements MigrationInterface {
  readonly name = 'Push1780000000032';

  async up(run: QueryRunner): Promise<void> {
    const [app, gate] = [await appRole(run), await gateRole(run)];
    await run.query(`
      create table push_device (
        id uuid primary key,
        outfit_id uuid not null references outfit,
        person_id uuid not null,
        -- In which it was added; one that is ended by hand takes it along, one that ran out does not.
        session_id uuid not null,
        endpoint text not null,
        p256dh text not null,
        auth text not null,
        device text not null,
        made_at timestamptz not null,
        foreign key (outfit_id, person_id) references person (outfit_id, id),
        unique (person_id, endpoint)
      );
      create table push_key (one boolean primary key default true check (one), public_key text not null, private_key text not null);
      alter table push_device enable row level security;
      alter table push_device force row level security;
      alter table push_key enable row level security;
      alter table push_key force row level security;
      create policy own on push_device using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
      create policy gate on push_key to ${gate} using (true) with check (true);
      grant select, insert, update, delete on push_device to ${app};
      grant select, insert on push_key to ${gate};
      -- No policy lets it see a row.
      grant select on push_key to ${app};
      -- The key that the server has; the one that is offered, where it has none yet.
      create function push_key_of(offered_public text, offered_private text) returns table (public_key text, private_key text)
        language sql security definer as
        $$ insert into push_key (public_key, private_key) values (offered_public, offered_private) on conflict do nothing;
           select k.public_key, k.private_key from push_key k $$;
    `);
    const [{ schema }] = await run.query('select current_schema() as schema');
    await run.query(`
      grant usage, create on schema ${schema} to ${gate};
      alter function push_key_of(text, text) set search_path = ${schema}, pg_temp;
      alter function push_key_of(text, text) owner to ${gate};
      revoke all on function push_key_of(text, text) from public;
      grant execute on function push_key_of(text, text) to ${app};
      revoke create on schema ${schema} from ${gate};
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

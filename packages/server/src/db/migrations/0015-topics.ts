import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole, gateRole } from './roles';

/** Each table with the topic that it belongs to. */
const TABLES: Readonly<Record<string, readonly string[]>> = {
  crew: ['outfit', 'person', 'boat', 'client', 'family', 'presentation', 'species', 'rule'],
  waters: ['water', 'chart_layer', 'ground_feature', 'survey', 'import', 'station', 'instrument', 'dismissal'],
  conditions: ['reading', 'forecast', 'forecast_member'],
  spots: ['spot'],
  log: ['stop', 'set', 'catch', 'catch_told', 'sighting'],
  trips: ['trip', 'trip_mate', 'trip_species', 'party', 'plan', 'leg', 'departure', 'refill'],
  gear: ['gear', 'bait_trial', 'rig_choice', 'rig_tick'],
  after: ['brief', 'brief_read', 'debrief', 'report', 'photo'],
};

/** What of an outfit has changed, noted by topic while it is written, so that only what was worked out from it is worked out again. */
export class Topics1780000000015 implements MigrationInterface {
  readonly name = 'Topics1780000000015';

  async up(run: QueryRunner): Promise<void> {
    const [app, gate] = [await appRole(run), await gateRole(run)];
    await run.query(`
      -- By topic, the count at which it last changed.
      alter table outfit_version add column topics jsonb not null default '{}';
      create function note_change() returns trigger language plpgsql as $$
        declare noted text := coalesce(current_setting('bluffwind.changed', true), '');
        begin
          if position(' ' || tg_argv[0] || ' ' in noted) = 0 then
            perform set_config('bluffwind.changed', noted || ' ' || tg_argv[0] || ' ', true);
          end if;
          return null;
        end $$;
    `);
    for (const [topic, tables] of Object.entries(TABLES))
      for (const table of tables)
        await run.query(
          `create trigger note_change after insert or update or delete on "${table}" for each statement execute function note_change('${topic}')`,
        );
    const [{ schema }] = await run.query('select current_schema() as schema');
    const who = 'session_person(bytea, timestamptz, interval)';
    await run.query(`
      drop function ${who};
      create function session_person(wanted bytea, at timestamptz, idle interval)
        returns table (session_id uuid, person_id uuid, outfit_id uuid, role text, version bigint, topics jsonb)
        language plpgsql security definer as $$
        begin
          update session s set last_seen_at = at where s.token_hash = wanted and s.last_seen_at < at - interval '5 minutes'
            and s.expires_at > at and s.last_seen_at > at - idle;
          return query select s.id, p.id, p.outfit_id, p.role, coalesce(v.version, 0), coalesce(v.topics, '{}')
            from session s join person p on p.id = s.person_id left join outfit_version v on v.outfit_id = p.outfit_id
            where s.token_hash = wanted and s.expires_at > at and s.last_seen_at > at - idle and p.active;
        end $$;
      grant usage, create on schema ${schema} to ${gate};
      alter function ${who} set search_path = ${schema}, pg_temp;
      alter function ${who} owner to ${gate};
      revoke all on function ${who} from public;
      grant execute on function ${who} to ${app};
      revoke create on schema ${schema} from ${gate};
    `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/**
 * Entries of the log that were logged twice and are one now: what each was, so that it can be parted again, and what it is part of, so
 * that what a phone still sends of it finds its place. And the first word of a fish is kept like every later one; who said it is not known. And
 * the rest of a day that was laid anew on deck, for all phones of the trip.
 */
export class LogMerged1780000000025 implements MigrationInterface {
  readonly name = 'LogMerged1780000000025';

  async up(run: QueryRunner): Promise<void> {
    await run.query(`
      alter table catch_told alter column by drop not null;
      create table log_merge (
        id uuid primary key,
        outfit_id uuid not null references outfit,
        into_id uuid not null,
        before jsonb not null,
        at timestamptz not null,
        by uuid not null,
        unique (outfit_id, id),
        foreign key (outfit_id, by) references person (outfit_id, id)
      );
      create table log_merged (
        id uuid primary key,
        outfit_id uuid not null references outfit,
        merge_id uuid not null,
        kind text not null check (kind in ('stop', 'set', 'catch')),
        into_id uuid not null,
        foreign key (outfit_id, merge_id) references log_merge (outfit_id, id) on delete cascade
      );
      create index log_merged_into on log_merged (into_id);
      create index log_merged_of on log_merged (merge_id);
      create table trip_rest (
        trip_id uuid primary key,
        outfit_id uuid not null references outfit,
        legs jsonb,
        at timestamptz not null,
        by uuid not null,
        foreign key (outfit_id, trip_id) references trip (outfit_id, id),
        foreign key (outfit_id, by) references person (outfit_id, id)
      );
    `);
    for (const table of ['log_merge', 'log_merged', 'trip_rest'])
      await run.query(`
        alter table ${table} enable row level security;
        alter table ${table} force row level security;
        create policy own on ${table} using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
        grant select, insert, update, delete on ${table} to ${await appRole(run)};
        create trigger note_change after insert or update or delete on ${table} for each statement execute function note_change('log');
      `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

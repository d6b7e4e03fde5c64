import type { MigrationInterface, QueryRunner } from 'typeorm';
import { appRole } from './roles';

const MINE = "nullif(current_setting('app.outfit', true), '')::uuid";

/** Papers of people with the day on which they end, days on which they are away, and the booking that a trip was made from. */
export class PapersAndBookings1780000000022 implements MigrationInterface {
  readonly name = 'PapersAndBookings1780000000022';

  async up(run: QueryRunner): Promise<void> {
    const app = await appRole(run);
    await run.query(`
      create table paper (
        id uuid primary key,
        outfit_id uuid not null references outfit,
        person_id uuid not null,
        kind text not null check (kind in ('licence', 'first aid', 'radio', 'medical', 'insurance', 'other')),
        name text not null default '',
        ends_on date not null,
        removed_at timestamptz,
        foreign key (outfit_id, person_id) references person (outfit_id, id)
      );
      create index paper_of_person on paper (person_id, ends_on);
      create table away (
        id uuid primary key,
        outfit_id uuid not null references outfit,
        person_id uuid not null,
        from_on date not null,
        to_on date not null check (to_on >= from_on),
        why text not null default '',
        removed_at timestamptz,
        foreign key (outfit_id, person_id) references person (outfit_id, id)
      );
      create index away_of_person on away (person_id, to_on);
      -- What the calendar that it came from calls it: it comes in once.
      alter table trip add column booking text;
      create unique index trip_booking_once on trip (outfit_id, booking) where booking is not null;
    `);
    for (const table of ['paper', 'away'])
      await run.query(`
        alter table ${table} enable row level security;
        alter table ${table} force row level security;
        create policy own on ${table} using (outfit_id = ${MINE}) with check (outfit_id = ${MINE});
        grant select, insert, update, delete on ${table} to ${app};
        create trigger note_change after insert or update or delete on ${table} for each statement execute function note_change('crew');
      `);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who asks in this transaction; empty in the server's own work. */
const PERSON = "nullif(current_setting('app.person', true), '')::uuid";

const CHANGES = `
alter table spot
  add column keeper_id uuid,
  add column footing int not null default 1 check (footing between 1 and 3),
  add foreign key (outfit_id, keeper_id) references person (outfit_id, id),
  add constraint spot_kept_is_captains check (keeper_id is null or privacy = 'captain');
drop index spot_name_once;
create unique index spot_name_once on spot (water_id, name, coalesce(keeper_id, '00000000-0000-0000-0000-000000000000')) where retired_at is null;
create index spot_keeper on spot (keeper_id) where keeper_id is not null;

alter table trip add column footing int not null default 3 check (footing between 1 and 3);

alter table presentation add column trips_a_day int check (trips_a_day between 1 and 20);

create policy kept on spot as restrictive
  using (keeper_id is null or ${PERSON} is null or keeper_id = ${PERSON} or current_setting('app.role', true) in ('owner', 'mate'))
  with check (keeper_id is null or ${PERSON} is null or keeper_id = ${PERSON} or current_setting('app.role', true) = 'owner');
`;

/**
 * Spots that one captain keeps to himself, bait that lasts for so many trips, and how a spot is walked to.
 * A kept spot is no row at all for other captains, nor is its name taken for them. Mates pass, since they are aboard the keeper's
 * boat: what they are shown of captains' spots is decided where it is shown.
 */
export class Keepers1780000000004 implements MigrationInterface {
  readonly name = 'Keepers1780000000004';

  async up(run: QueryRunner): Promise<void> {
    await run.query(CHANGES);
  }

  async down(): Promise<void> {
    throw new Error('migrations only go forward');
  }
}

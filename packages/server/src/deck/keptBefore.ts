import type { DeckPack } from '@bluffwind/contract/deck';
import type { EntityManager } from 'typeorm';
import type { TripRow } from '../db/entities/trip';

/** Days that a rule of possession may look back. */
const POSSESSION_DAYS = 31;

/** Fish that a trip's guests kept on the days before it, by local day. */
export async function keptBefore(entities: EntityManager, trip: TripRow, zone: string): Promise<NonNullable<DeckPack['keptBefore']>> {
  const rows: { client_id: string; species_id: string; date: string; fish: number }[] = await entities.query(
    `select k.client_id, k.species_id, (k.at at time zone $2)::date::text as date, count(*)::int as fish
     from "catch" k join party p on p.client_id = k.client_id and p.trip_id = $1
     where k.outcome = 'landed' and k.kept and k.deleted_at is null and k.species_id is not null
       and (k.at at time zone $2)::date < ($3::timestamptz at time zone $2)::date and k.at > $3::timestamptz - make_interval(days => $4)
     group by 1, 2, 3 order by 3`,
    [trip.id, zone, trip.startsAt, POSSESSION_DAYS],
  );
  return rows.map((r) => ({ clientId: r.client_id, speciesId: r.species_id, date: r.date, fish: r.fish }));
}

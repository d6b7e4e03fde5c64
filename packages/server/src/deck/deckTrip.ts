// A trip with all that its entries are held against, in one way to the database and back.
import type { EntityManager } from 'typeorm';
import type { Who } from '../http/who';
import type { DeckTrip } from './onTrip';

/** Rows that catches of a batch refer to. */
export interface CatchContext {
  /** When the stop of each set began and ended. */
  readonly sets: ReadonlyMap<string, { readonly startedAt: number; readonly endedAt: number | null }>;
  readonly guests: ReadonlySet<string>;
  readonly species: ReadonlySet<string>;
}

interface Found extends DeckTrip {
  readonly aboard: boolean;
  readonly sets: readonly { id: string; from: string; to: string | null }[];
  readonly guests: readonly string[];
  readonly species: readonly string[];
}

/** Keys that a batch's catches name. */
export interface Named {
  readonly setIds: readonly string[];
  readonly speciesIds: readonly string[];
}

/**
 * The trip, whether the person may log on it (a mate only when he is named for it), and what its catches refer to; null where there is
 * no such trip.
 */
export async function deckTrip(
  entities: EntityManager,
  tripId: string,
  who: Who,
  { setIds, speciesIds }: Named,
): Promise<{ trip: DeckTrip; aboard: boolean; context: CatchContext } | null> {
  const [row]: Found[] = await entities.query(
    `select t.id, t.outfit_id as "outfitId", t.starts_at as "startsAt", t.status, o.zone,
       $2 <> 'mate' or exists (select from trip_mate m where m.trip_id = t.id and m.person_id = $3) as aboard,
       (select coalesce(json_agg(json_build_object('id', s.id, 'from', st.started_at, 'to', st.ended_at)), '[]') from "set" s
          join stop st on st.id = s.stop_id where st.trip_id = t.id and s.id = any($4::uuid[])) as sets,
       array(select client_id::text from party where trip_id = t.id) as guests,
       array(select id::text from species where id = any($5::uuid[])) as species
     from trip t join outfit o on o.id = t.outfit_id where t.id = $1`,
    [tripId, who.role, who.personId, setIds, speciesIds],
  );
  if (!row) return null;
  const { aboard, sets, guests, species, ...trip } = row;
  return {
    trip,
    aboard,
    context: {
      sets: new Map(sets.map((s) => [s.id, { startedAt: Date.parse(s.from), endedAt: s.to === null ? null : Date.parse(s.to) }])),
      guests: new Set(guests),
      species: new Set(species),
    },
  };
}

import type { LogEntry } from '@bluffwind/contract/logEntry';
import type { EntityManager } from 'typeorm';

type Row = Omit<LogEntry, 'from' | 'to' | 'fish' | 'guests' | 'merges'> & { readonly from: Date; readonly to: Date };

/** An entry of the log with its fish, what was told of each and what was made one; null where it is not, or not for these eyes. */
export async function entryOf(entities: EntityManager, setId: string, captains: boolean): Promise<LogEntry | null> {
  const [row]: Row[] = await entities.query(
    `select s.id as "setId", s.trip_id as "tripId", sp.name as spot, p.name as bait, b.name as boat, s.started_at as "from",
       s.ended_at as "to", s.rods, s.rod_hours as "rodHours"
     from fished_set s join spot sp on sp.id = s.spot_id join presentation p on p.id = s.presentation_id
     join trip t on t.id = s.trip_id join boat b on b.id = t.boat_id where s.id = $1 and (sp.privacy = 'crew' or $2)`,
    [setId, captains],
  );
  if (!row) return null;
  const fish: (Omit<LogEntry['fish'][number], 'at' | 'words'> & { at: Date })[] = await entities.query(
    `select k.id, k.at, k.outcome, k.species_id as "speciesId", k.client_id as "clientId", k.length_mm as "lengthMm",
       k.length_kind as "lengthKind", k.kept, k.more, (select count(*)::int from photo f where f.catch_id = k.id) as photos
     from "catch" k where k.set_id = $1 and k.deleted_at is null order by k.at, k.id`,
    [setId],
  );
  const ids = fish.map((f) => f.id);
  const words: { catchId: string; field: string; value: never; at: Date; by: string | null }[] = await entities.query(
    `select c.catch_id as "catchId", c.field, c.value, c.at, p.name as by from catch_told c left join person p on p.id = c.by
     where c.catch_id = any($1) order by c.at, c.entry_id`,
    [ids],
  );
  const merges: { id: string; at: Date; by: string; what: 'entry' | 'fish' }[] = await entities.query(
    `select m.id, m.at, p.name as by, m.before->>'what' as what from log_merge m join person p on p.id = m.by
     where m.into_id = any($1) order by m.at desc`,
    [[setId, ...ids]],
  );
  return {
    ...row,
    from: row.from.toISOString(),
    to: row.to.toISOString(),
    fish: fish.map((f) => ({
      ...f,
      at: f.at.toISOString(),
      words: words.filter((w) => w.catchId === f.id).map(({ catchId: _, at, ...w }) => ({ ...w, at: at.toISOString() })),
    })),
    guests: await entities.query(
      'select c.id, c.name from party p join client c on c.id = p.client_id where p.trip_id = $1 order by c.name',
      [row.tripId],
    ),
    merges: merges.map(({ at, ...m }) => ({ ...m, at: at.toISOString() })),
  };
}

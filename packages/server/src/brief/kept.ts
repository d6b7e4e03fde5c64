// Briefs are kept as they were worked out. A change in the outfit marks them; a job works out anew those that are marked.
import { addDays, localDate } from '@bluffwind/core/units/time';
import type { DataSource, EntityManager } from 'typeorm';
import { inOutfit } from '../db/database';
import { zoneOf } from '../trips/tripsOn';
import { type BriefParts, briefParts } from './parts';

/**
 * The kept parts of a date's brief, or null when there are none or something has changed since.
 * A row counts changes in `seq`; `claimed` is the count when somebody began to work it out, `body_seq` the count that the body knows.
 */
export async function keptParts(entities: EntityManager, date: string): Promise<BriefParts | null> {
  const [row]: { body: BriefParts }[] = await entities.query(
    'select body from brief_kept where date = $1 and body_seq = seq and body is not null',
    [date],
  );
  return row?.body ?? null;
}

/** What is still open of the lists of a date's trips, as they were last worked out: trip, things in all, things ticked. */
export async function openTicks(entities: EntityManager, date: string): Promise<{ tripId: string; all: number; done: number }[]> {
  const rows: { trip_id: string; all: number; done: number }[] = await entities.query(
    `select b->>'tripId' as trip_id, jsonb_array_length(b->'tonight')::int as all,
       (select count(*)::int from rig_tick t where t.trip_id = (b->>'tripId')::uuid and t.done
         and t.key in (select i->>'key' from jsonb_array_elements(b->'tonight') i)) as done
     from brief_kept k, jsonb_array_elements(k.body->'boats') b where k.date = $1 and k.body is not null and b ? 'tonight'`,
    [date],
  );
  return rows.map((r) => ({ tripId: r.trip_id, all: r.all, done: r.done }));
}

/** Works a date's brief out and keeps it. What changes meanwhile leaves it marked. */
export async function makeParts(source: DataSource, outfitId: string, date: string, nowMs: number): Promise<BriefParts> {
  // Claimed and committed first: what is committed later than this counts as a change.
  const [claim]: { claimed: string }[] = await inOutfit(source, outfitId, (entities) =>
    entities.query(
      `insert into brief_kept as k (outfit_id, date, seq, claimed) values ($1, $2, 1, 1)
       on conflict (outfit_id, date) do update set claimed = k.seq returning claimed`,
      [outfitId, date],
    ),
  );
  const parts = await inOutfit(source, outfitId, (entities) => briefParts(entities, outfitId, date, nowMs));
  await inOutfit(source, outfitId, (entities) =>
    entities.query('update brief_kept set body = $2, body_seq = $3 where date = $1 and (body_seq is null or body_seq <= $3)', [
      date,
      JSON.stringify(parts),
      claim?.claimed,
    ]),
  );
  return parts;
}

/**
 * Says that something of an outfit has changed, after it was committed: the briefs from today on are worked out anew.
 * @returns Whether one of them was up to date until now.
 */
export async function markBriefs(entities: EntityManager, outfitId: string, nowMs: number): Promise<boolean> {
  const today = localDate(nowMs, await zoneOf(entities, outfitId));
  const marked: unknown[] = await entities.query(
    `with more as (
       update brief_kept set seq = seq + 1 where date >= $2 and seq = claimed returning date)
     , first as (
       insert into brief_kept (outfit_id, date, seq, claimed) values ($1, $3, 1, 0) on conflict do nothing returning date)
     select date from more union all select date from first`,
    [outfitId, today, addDays(today, 1)],
  );
  return marked.length > 0;
}

/** Works out every brief of an outfit that is marked, from today on. @returns How many. */
export async function makeMarked(source: DataSource, outfitId: string, nowMs: number): Promise<number> {
  const dates: { date: string }[] = await inOutfit(source, outfitId, async (entities) => {
    const today = localDate(nowMs, await zoneOf(entities, outfitId));
    return entities.query(
      `select date::text as date from brief_kept where date >= $1 and (body_seq is null or body_seq < seq) order by date`,
      [today],
    );
  });
  for (const { date } of dates) await makeParts(source, outfitId, date, nowMs);
  return dates.length;
}

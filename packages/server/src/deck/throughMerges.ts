// Entries that a phone sends of something that was logged twice and is one in the log by now: they go where it went.
import type { DeckEntry } from '@bluffwind/contract/deck';
import type { EntityManager } from 'typeorm';
import type { ReadEntry } from './takeEntries';

/** A thing that is part of another by now, with where it went. */
type Gone = ReadonlyMap<string, string>;

/** Keys of stops, sets and fish that an entry names. */
function keysIn(entry: DeckEntry): string[] {
  switch (entry.kind) {
    case 'start-stop':
      return [entry.stopId, ...entry.sets.map((s) => s.id)];
    case 'switch-set':
      return [entry.stopId, entry.endSetId, entry.set.id];
    case 'lines-in':
      return [entry.stopId, ...entry.sets.map((s) => s.id)];
    case 'lines-out':
    case 'end-stop':
    case 'track':
      return [entry.stopId];
    case 'catch':
      return [entry.catchId, entry.setId];
    case 'tell-catch':
    case 'undo-catch':
      return [entry.catchId];
    default:
      return [];
  }
}

/** An entry with its keys as they are now; null where all that it says was done before it was merged. */
function moved(entry: DeckEntry, gone: Gone): DeckEntry | null {
  const now = (id: string) => gone.get(id) ?? id;
  switch (entry.kind) {
    case 'start-stop':
      return gone.has(entry.stopId) ? null : entry;
    case 'switch-set':
      return gone.has(entry.set.id) ? null : { ...entry, stopId: now(entry.stopId), endSetId: now(entry.endSetId) };
    case 'lines-in':
      // Its sets are there already when one of them was merged.
      return entry.sets.some((s) => gone.has(s.id)) ? null : { ...entry, stopId: now(entry.stopId) };
    case 'lines-out':
    case 'track':
    case 'end-stop':
      return { ...entry, stopId: now(entry.stopId) };
    case 'catch':
      return gone.has(entry.catchId) ? null : { ...entry, setId: now(entry.setId) };
    case 'tell-catch':
      return { ...entry, catchId: now(entry.catchId) };
    case 'undo-catch':
      // The fish that it was part of stays: of the two that were logged one is gone already.
      return gone.has(entry.catchId) ? null : entry;
    default:
      return entry;
  }
}

/** @param read - A batch. @returns It, with what was merged since named by what it is now. */
export async function throughMerges(entities: EntityManager, read: readonly ReadEntry[]): Promise<readonly ReadEntry[]> {
  const keys = [...new Set(read.flatMap(({ entry }) => (entry ? keysIn(entry) : [])))];
  if (keys.length === 0) return read;
  const rows: { id: string; into: string }[] = await entities.query(
    `with recursive way as (
       select id, into_id from log_merged where id = any($1::uuid[])
       union all select way.id, m.into_id from way join log_merged m on m.id = way.into_id)
     select id, into_id as into from way where not exists (select from log_merged m where m.id = way.into_id)`,
    [keys],
  );
  if (rows.length === 0) return read;
  const gone: Gone = new Map(rows.map((r) => [r.id, r.into]));
  return read.map((r) => {
    if (!r.entry) return r;
    return { ...r, entry: moved(r.entry, gone) };
  });
}

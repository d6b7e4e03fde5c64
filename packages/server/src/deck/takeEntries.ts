// A batch from a phone: each entry is taken or refused on its own, catches many at a time, and a receipt tells which.
import { type DeckEntry, deckEntry, type DeckReceipt } from '@bluffwind/contract/deck';
import { MINUTE } from '@bluffwind/core/units/time';
import { type EntityManager, In } from 'typeorm';
import { bulkInsert } from '../db/bulk';
import { CatchToldEntity } from '../db/entities/day';
import { CatchEntity, type CatchRow } from '../db/entities/log';
import { Problem, problemOfDatabase } from '../errors';
import { invalid } from '../http/context';
import { applyEntry } from './applyEntry';
import { otherKey } from './insertOnce';
import { requireTime } from './requireTime';
import type { DeckTrip } from './onTrip';
import type { CatchContext, Named } from './deckTrip';

type Receipt = DeckReceipt['receipts'][number];
type CatchEntry = Extract<DeckEntry, { kind: 'catch' }>;
interface Waiting {
  readonly place: number;
  readonly entry: CatchEntry;
}

/** A fish may be logged so long after its stop was ended, or before its line was down by another phone's clock. */
const SLACK_MS = 10 * MINUTE;
/** Longest key of an entry that is told back. */
const KEY_LENGTH = 64;

/** After these a stop may have come to its end. */
const ENDING: readonly DeckEntry['kind'][] = ['start-stop', 'switch-set', 'lines-out', 'end-stop', 'end-trip'];

/**
 * Takes a batch in the order it was made.
 * @param read - Each entry, or why it is none. @param contextNow - What catches refer to, asked again after an entry that may change it.
 * @returns A receipt for each entry, and whether a stop came to its end.
 */
export async function takeEntries(
  entities: EntityManager,
  { trip, context: first }: { trip: DeckTrip; context: CatchContext },
  read: readonly ReadEntry[],
  contextNow: () => Promise<CatchContext>,
  { nowMs, by }: { readonly nowMs: number; readonly by: string },
): Promise<{ receipts: Receipt[]; ended: boolean }> {
  const receipts: Receipt[] = read.map(({ entryId }) => ({ entryId, ok: true, message: '', code: null }));
  const refuse = (place: number, problem: Problem) => {
    receipts[place] = {
      entryId: receipts[place]?.entryId ?? '',
      ok: false,
      message: problem.detail || problem.message,
      code: problem.code,
    };
  };
  let fish: Waiting[] = [];
  let context: CatchContext | null = first;
  let ended = false;
  const landed = async () => {
    const waiting = fish;
    fish = [];
    if (waiting.length === 0) return;
    context ??= await contextNow();
    for (const [place, problem] of await takeCatches(entities, trip, waiting, context)) refuse(place, problem);
  };
  for (const [place, { entry, problem }] of read.entries()) {
    try {
      if (problem) throw problem;
      if (!entry) continue;
      requireTime(trip, entry, nowMs, trip.zone);
      if (entry.kind === 'catch') {
        fish.push({ place, entry });
        continue;
      }
      await landed();
      context = null;
      await apart(entities, () => applyEntry(entities, trip, entry, by));
      ended ||= ENDING.includes(entry.kind);
    } catch (error) {
      refuse(place, refusal(error));
    }
  }
  await landed();
  return { receipts, ended };
}

/** An entry as it was sent: what it says, or why it says nothing; without either it was taken before and is part of another entry now. */
export interface ReadEntry {
  readonly entryId: string;
  readonly entry: DeckEntry | null;
  readonly problem: Problem | null;
}

/** Reads a batch, before anything is asked of the database. */
export function readEntries(raws: readonly unknown[]): ReadEntry[] {
  return raws.map((raw) => {
    const parsed = deckEntry.safeParse(raw);
    return {
      entryId: keyOf(raw),
      entry: parsed.success ? inLowerCase(parsed.data) : null,
      problem: parsed.success ? null : (unknownKind(raw) ?? invalid(parsed.error.issues)),
    };
  });
}

/** Keys are compared as the database writes them. */
function inLowerCase(entry: DeckEntry): DeckEntry {
  if (entry.kind !== 'catch') return entry;
  const lower = <T extends string | null>(id: T) => (id?.toLowerCase() ?? null) as T;
  const { catchId, setId, speciesId, clientId } = entry;
  return { ...entry, catchId: lower(catchId), setId: lower(setId), speciesId: lower(speciesId), clientId: lower(clientId) };
}

/** Keys of the rows that a batch's catches refer to. */
export function namedBy(read: readonly ReadEntry[]): Named {
  const catches = read.flatMap(({ entry }) => (entry?.kind === 'catch' ? [entry] : []));
  return {
    setIds: [...new Set(catches.map((e) => e.setId))],
    speciesIds: [...new Set(catches.flatMap((e) => e.speciesId ?? []))],
  };
}

/** Stores catches together. Gives back those that were refused. */
async function takeCatches(
  entities: EntityManager,
  trip: DeckTrip,
  waiting: readonly Waiting[],
  context: CatchContext,
): Promise<[number, Problem][]> {
  const refused: [number, Problem][] = [];
  const good = waiting.filter(({ place, entry }) => {
    const problem = faultOf(entry, context);
    if (problem) refused.push([place, problem]);
    return problem === null;
  });
  // Nothing is left that the database could refuse: what the rows refer to is there, and a key that is taken is passed over.
  return good.length === 0 ? refused : [...refused, ...(await insertCatches(entities, trip, good))];
}

/** Why a catch can never be accepted, or null. */
function faultOf(entry: CatchEntry, { sets, guests, species }: CatchContext): Problem | null {
  const set = sets.get(entry.setId);
  if (!set) return new Problem('not_found', 'setId: no such set on this trip');
  if (entry.outcome === 'landed' && !entry.speciesId)
    return new Problem('invalid', 'speciesId: a landed fish needs its species', [
      { field: 'speciesId', message: 'needed for a landed fish' },
    ]);
  if (entry.speciesId !== null && !species.has(entry.speciesId))
    return new Problem('not_found', 'speciesId: no such species', [{ field: 'speciesId', message: 'no such species' }]);
  if (entry.kept && entry.outcome !== 'landed')
    return new Problem('invalid', 'kept: only a landed fish can be kept', [{ field: 'kept', message: 'only for a landed fish' }]);
  if (entry.clientId !== null && !guests.has(entry.clientId))
    return new Problem('invalid', 'clientId: this guest is not on this trip', [{ field: 'clientId', message: 'not on this trip' }]);
  const at = Date.parse(entry.at);
  if (at < set.startedAt - SLACK_MS || at > (set.endedAt ?? Number.POSITIVE_INFINITY) + SLACK_MS)
    return new Problem('invalid', 'at: the fish was not caught while its stop was fished; check the time, or log it at its own stop', [
      { field: 'at', message: 'outside its stop' },
    ]);
  return null;
}

async function insertCatches(entities: EntityManager, trip: DeckTrip, good: readonly Waiting[]): Promise<[number, Problem][]> {
  const of = <T>(pick: (e: CatchEntry) => T) => good.map((g) => pick(g.entry));
  const made = await bulkInsert(
    entities,
    '"catch"',
    {
      id: ['uuid', of((e) => e.catchId)],
      outfit_id: ['uuid', of(() => trip.outfitId)],
      set_id: ['uuid', of((e) => e.setId)],
      species_id: ['uuid', of((e) => e.speciesId)],
      client_id: ['uuid', of((e) => e.clientId)],
      at: ['timestamptz', of((e) => new Date(e.at))],
      length_mm: ['int', of((e) => e.lengthMm)],
      length_kind: ['text', of((e) => e.lengthKind)],
      outcome: ['text', of((e) => e.outcome)],
      kept: ['boolean', of((e) => e.kept)],
    },
    'do nothing',
  );
  if (made === good.length) return [];
  // Some were here already: the same fish sent again, or a key that was used for something else.
  const known = new Map((await entities.findBy(CatchEntity, { id: In(of((e) => e.catchId)) })).map((k) => [k.id, k]));
  const told = new Set((await entities.findBy(CatchToldEntity, { catchId: In(of((e) => e.catchId)) })).map((t) => t.catchId));
  return good.flatMap(({ place, entry }) => {
    const row = known.get(entry.catchId);
    // A fish that was put right since is the same fish.
    const same = row && (isSame(row, entry) || (told.has(row.id) && isSameMoment(row, entry)));
    return same ? [] : [[place, otherKey()] as [number, Problem]];
  });
}

const isSameMoment = (row: CatchRow, e: CatchEntry) => row.setId === e.setId && row.outcome === e.outcome && +row.at === Date.parse(e.at);

function isSame(row: CatchRow, e: CatchEntry): boolean {
  const { speciesId, lengthMm, kept } = row;
  return isSameMoment(row, e) && speciesId === e.speciesId && lengthMm === e.lengthMm && kept === e.kept;
}

/** Runs work in a savepoint, so that what the database refuses does not take the rest of the batch with it. */
async function apart<T>(entities: EntityManager, work: () => Promise<T>): Promise<T> {
  await entities.query('savepoint entry');
  try {
    const value = await work();
    await entities.query('release savepoint entry');
    return value;
  } catch (error) {
    await entities.query('rollback to savepoint entry');
    throw error;
  }
}

/** The refusal that an error means. What is no fault of the entry ends the batch, and the phone sends it again. */
function refusal(error: unknown): Problem {
  const problem = error instanceof Problem ? error : problemOfDatabase(error);
  if (!problem || problem.code === 'busy') throw error;
  return problem;
}

/** An entry of a kind that this server has not heard of, from a phone that is ahead of it. */
function unknownKind(raw: unknown): Problem | null {
  const kind: unknown = (raw as { kind?: unknown } | null)?.kind;
  const known = deckEntry.options.some((o) => o.shape.kind.value === kind);
  return known || typeof kind !== 'string' ? null : new Problem('entry_unknown', `kind: ${kind.slice(0, 40)} is not known here`);
}

function keyOf(raw: unknown): string {
  const key = (raw as { entryId?: unknown } | null)?.entryId;
  return typeof key === 'string' ? key.slice(0, KEY_LENGTH) : '';
}

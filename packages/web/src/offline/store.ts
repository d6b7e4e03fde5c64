// What the phone keeps: the pack of each trip, and every entry until the server has it.
import type { DeckEntry, DeckPack } from '@bluffwind/contract/deck';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** An entry with how far it has come. */
export interface StoredEntry {
  readonly entryId: string;
  readonly tripId: string;
  /** Order in which it was made on this phone. */
  readonly order: number;
  readonly entry: DeckEntry;
  readonly state: 'on this phone' | 'stored' | 'refused';
  readonly message: string;
}

interface Deck extends DBSchema {
  packs: { key: string; value: { tripId: string; pack: DeckPack } };
  entries: { key: string; value: StoredEntry; indexes: { byTrip: string } };
}

let opened: Promise<IDBPDatabase<Deck>> | null = null;

function database(): Promise<IDBPDatabase<Deck>> {
  opened ??= openDB<Deck>('bluffwind-deck', 1, {
    upgrade(db) {
      db.createObjectStore('packs', { keyPath: 'tripId' });
      db.createObjectStore('entries', { keyPath: 'entryId' }).createIndex('byTrip', 'tripId');
    },
  });
  return opened;
}

export async function keepPack(pack: DeckPack): Promise<void> {
  await (await database()).put('packs', { tripId: pack.trip.id, pack });
}

export async function keptPack(tripId: string): Promise<DeckPack | null> {
  return (await (await database()).get('packs', tripId))?.pack ?? null;
}

/** Writes an entry; when this resolves it is on the phone for good. */
export async function keepEntry(tripId: string, entry: DeckEntry): Promise<StoredEntry> {
  const db = await database();
  const tx = db.transaction('entries', 'readwrite', { durability: 'strict' });
  const order = await tx.store.index('byTrip').count(tripId);
  const stored: StoredEntry = { entryId: entry.entryId, tripId, order, entry, state: 'on this phone', message: '' };
  await tx.store.put(stored);
  await tx.done;
  return stored;
}

/** Entries of a trip in the order they were made. */
export async function keptEntries(tripId: string): Promise<StoredEntry[]> {
  const all = await (await database()).getAllFromIndex('entries', 'byTrip', tripId);
  return all.sort((a, b) => a.order - b.order);
}

export async function markEntry(entryId: string, state: StoredEntry['state'], message: string): Promise<void> {
  const db = await database();
  const tx = db.transaction('entries', 'readwrite');
  const known = await tx.store.get(entryId);
  if (known) await tx.store.put({ ...known, state, message });
  await tx.done;
}

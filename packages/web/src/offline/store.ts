// What the phone keeps: the pack of each trip, and every entry until the server has it.
import type { DeckEntry, DeckPack } from '@bluffwind/contract/deck';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { forgetTyped } from '../data/typed';

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

/** A photo with how far it has come. */
export interface StoredPhoto {
  readonly photoId: string;
  readonly tripId: string;
  readonly catchId: string | null;
  readonly at: string;
  /** JPEG in base64. */
  readonly data: string;
  readonly state: 'on this phone' | 'stored' | 'refused';
  readonly message: string;
}

/** What the server last said to a question. */
export interface KeptAnswer {
  readonly hash: string;
  readonly key: readonly unknown[];
  readonly data: unknown;
  readonly atMs: number;
  /** Units that its sentences are in. */
  readonly units: string;
}

interface Deck extends DBSchema {
  packs: { key: string; value: { tripId: string; pack: DeckPack } };
  /** Answers of the server as they were last read. */
  answers: { key: string; value: KeptAnswer };
  /** Whose phone it is now. */
  person: { key: 'now'; value: string };
  entries: { key: string; value: StoredEntry; indexes: { byTrip: string } };
  photos: { key: string; value: StoredPhoto; indexes: { byTrip: string } };
}

let opened: Promise<IDBPDatabase<Deck>> | null = null;

function database(): Promise<IDBPDatabase<Deck>> {
  opened ??= openDB<Deck>('bluffwind-deck', 4, {
    upgrade(db, from) {
      if (from < 1) {
        db.createObjectStore('packs', { keyPath: 'tripId' });
        db.createObjectStore('entries', { keyPath: 'entryId' }).createIndex('byTrip', 'tripId');
      }
      if (from < 2) db.createObjectStore('person');
      if (from < 3) db.createObjectStore('answers', { keyPath: 'hash' });
      if (from < 4) db.createObjectStore('photos', { keyPath: 'photoId' }).createIndex('byTrip', 'tripId');
    },
    // A newer page wants to change the store: this one lets go of it.
    blocking: () => {
      void opened?.then((db) => db.close());
      opened = null;
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

export async function keepAnswer(answer: KeptAnswer): Promise<void> {
  await (await database()).put('answers', answer);
}

/** Answers read since an instant; older ones are taken off the phone. */
export async function keptAnswers(sinceMs: number): Promise<KeptAnswer[]> {
  const db = await database();
  const all = await db.getAll('answers');
  for (const a of all) if (a.atMs < sinceMs) void db.delete('answers', a.hash);
  return all.filter((a) => a.atMs >= sinceMs);
}

/** Takes every kept answer off the phone. */
export async function clearAnswers(): Promise<void> {
  await (await database()).clear('answers');
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

/** Entries of every trip that the server does not have, in the order they were made. */
export async function allWaiting(): Promise<StoredEntry[]> {
  const all = await (await database()).getAll('entries');
  return all.filter((e) => e.state === 'on this phone').sort((a, b) => a.tripId.localeCompare(b.tripId) || a.order - b.order);
}

export async function keepPhoto(photo: StoredPhoto): Promise<void> {
  const tx = (await database()).transaction('photos', 'readwrite', { durability: 'strict' });
  await tx.store.put(photo);
  await tx.done;
}

/** Photos of a trip that this phone took, in the order they were taken. */
export async function keptPhotos(tripId: string): Promise<StoredPhoto[]> {
  const all = await (await database()).getAllFromIndex('photos', 'byTrip', tripId);
  return all.sort((a, b) => a.photoId.localeCompare(b.photoId));
}

export async function waitingPhotos(): Promise<StoredPhoto[]> {
  const all = await (await database()).getAll('photos');
  return all.filter((p) => p.state === 'on this phone').sort((a, b) => a.photoId.localeCompare(b.photoId));
}

export async function markPhoto(photoId: string, state: StoredPhoto['state'], message: string): Promise<void> {
  const tx = (await database()).transaction('photos', 'readwrite');
  const known = await tx.store.get(photoId);
  if (known) await tx.store.put({ ...known, state, message });
  await tx.done;
}

/** Takes note of whose phone it is; what another person's trips need is taken off it, but for entries that are not sent yet. */
export async function belongsTo(personId: string): Promise<void> {
  const db = await database();
  const before = await db.get('person', 'now');
  if (before === personId) return;
  await db.put('person', personId, 'now');
  if (before !== undefined) await clearSent();
}

/** What plans that were not saved are kept under in the browser, each with its trip's id. */
export const UNSAVED = 'plan of ';

/** What a person's screens keep in the browser beside it: a list not signed yet, a rest of a day that was taken. */
const OWN_KEYS = [UNSAVED, 'leaving ', 'rest of '];

async function clearSent(): Promise<void> {
  const tx = (await database()).transaction(['packs', 'entries', 'answers', 'photos'], 'readwrite');
  for (const p of await tx.objectStore('photos').getAll())
    if (p.state !== 'on this phone') await tx.objectStore('photos').delete(p.photoId);
  await tx.objectStore('packs').clear();
  await tx.objectStore('answers').clear();
  for (const e of await tx.objectStore('entries').getAll())
    if (e.state !== 'on this phone') await tx.objectStore('entries').delete(e.entryId);
  await tx.done;
  dropUnsaved();
}

/** Takes everything off the phone. */
export async function clearPhone(): Promise<void> {
  const all = ['packs', 'entries', 'person', 'answers', 'photos'] as const;
  const tx = (await database()).transaction(all, 'readwrite');
  await Promise.all(all.map((name) => tx.objectStore(name).clear()));
  await tx.done;
  dropUnsaved();
}

/** Plans and texts that were not saved go with their person. */
function dropUnsaved(): void {
  forgetTyped();
  for (const key of Object.keys(localStorage)) if (OWN_KEYS.some((own) => key.startsWith(own))) localStorage.removeItem(key);
}

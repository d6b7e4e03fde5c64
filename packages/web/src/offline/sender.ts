// Sends what waits on this phone, from whatever screen is open: entries of every trip, in their order, until the server has them.
import type { DeckReceipt } from '@bluffwind/contract/deck';
import { ApiProblem, Offline, post } from '../data/api';
import { sendPhotos } from './photos';
import { allWaiting, markEntry, type StoredEntry } from './store';

const BATCH = 100;
/** The server is not to be had now, or has too much to do: what waits stays and is sent later. */
const LATER = [408, 429, 500, 502, 503, 504];

/** Under this name the browser is asked to send when there is a network again. */
export const SEND_TAG = 'send-entries';

/** Asks the browser to send what waits, as soon as it has a network, even when this page is closed by then; some browsers cannot. */
export async function askToSend(): Promise<void> {
  const here = (await navigator.serviceWorker?.getRegistration()) as { sync?: { register(tag: string): Promise<void> } } | undefined;
  await here?.sync?.register(SEND_TAG);
}

export type Sent = 'all' | 'no network' | 'later' | { readonly refused: ApiProblem; readonly tripId: string };

type Listener = () => void;
const listeners = new Set<Listener>();
let under: Promise<Sent> | null = null;

/** Calls back whenever an entry was made, sent or refused. Returns how to stop. */
export function onEntries(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function tellEntries(): void {
  for (const l of listeners) l();
}

/** Sends all that waits; asked again while it is under way, it is the same sending. */
export function sendWaiting(): Promise<Sent> {
  under ??= send().finally(() => {
    under = null;
  });
  return under;
}

async function send(): Promise<Sent> {
  const held = new Set<string>();
  /** Trips whose entries are not taken from this person: they wait here, and do not keep those of other trips. */
  const shut = new Map<string, ApiProblem>();
  for (;;) {
    const waiting = (await allWaiting()).filter((e) => !held.has(e.entryId) && !shut.has(e.tripId));
    const first = waiting[0];
    if (!first) break;
    const batch = waiting.filter((e) => e.tripId === first.tripId).slice(0, BATCH);
    try {
      for (const e of await sendBatch(first.tripId, batch)) held.add(e);
    } catch (problem) {
      if (problem instanceof Offline) return 'no network';
      if (!(problem instanceof ApiProblem)) throw problem;
      if (LATER.includes(problem.body.status)) return 'later';
      if (problem.body.status === 401) return { refused: problem, tripId: first.tripId };
      shut.set(first.tripId, problem);
    }
    tellEntries();
  }
  // Photos come after what they belong to, and never keep an entry waiting.
  const photos = await sendPhotos();
  if (photos !== null) return photos;
  const [refused] = shut;
  return refused ? { refused: refused[1], tripId: refused[0] } : 'all';
}

/** @returns Keys of entries that stay on the phone: the server is behind it, or said nothing of them. */
async function sendBatch(tripId: string, batch: readonly StoredEntry[]): Promise<string[]> {
  const { receipts } = await post<DeckReceipt>(`/deck/${tripId}/entries`, { entries: batch.map((w) => w.entry) });
  const told = new Map(receipts.map((r) => [r.entryId, r]));
  const held: string[] = [];
  for (const { entryId } of batch) {
    const r = told.get(entryId);
    if (!r || r.code === 'entry_unknown') {
      held.push(entryId);
      await markEntry(entryId, 'on this phone', r?.message ?? '');
    } else await markEntry(entryId, r.ok ? 'stored' : 'refused', r.message);
  }
  return held;
}

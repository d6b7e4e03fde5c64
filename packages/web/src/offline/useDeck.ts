import type { Me } from '@bluffwind/contract/auth';
import type { DeckEntry, DeckPack } from '@bluffwind/contract/deck';
import { useCallback, useEffect, useState } from 'react';
import { ApiProblem, get, getCurrent, Offline } from '../data/api';
import { learnClock } from '../data/clock';
import { askForRoom } from './room';
import { askToSend, onEntries, sendWaiting, tellEntries } from './sender';
import { keepEntry, keepPack, keptEntries, keptPack, type StoredEntry } from './store';

const RETRY_MS = 5000;

export interface DeckStore {
  readonly pack: DeckPack | null;
  readonly entries: readonly StoredEntry[];
  readonly online: boolean;
  readonly error: unknown;
  /** Asks for the pack anew. */
  readonly again: () => void;
  /** What the phone could not keep, with a way to try again; null while all is kept. */
  readonly unkept: { readonly again: () => void } | null;
  readonly nearlyFull: boolean;
  /** Keeps an entry on the phone, then sends it when it can. */
  readonly record: (entry: DeckEntry) => Promise<void>;
}

/** A trip on the phone: its pack, its entries, and their way to the server. */
export function useDeck(tripId: string): DeckStore {
  const [pack, setPack] = useState<DeckPack | null>(null);
  const [entries, setEntries] = useState<readonly StoredEntry[]>([]);
  const [online, setOnline] = useState(true);
  const [error, setError] = useState<unknown>(null);
  const [tries, setTries] = useState(0);
  const [unkept, setUnkept] = useState<DeckStore['unkept']>(null);
  const [nearlyFull, setNearlyFull] = useState(false);
  useEffect(() => {
    void askForRoom().then(
      (room) => setNearlyFull(room.nearlyFull),
      () => undefined,
    );
  }, []);
  const refresh = useCallback(async () => setEntries(await keptEntries(tripId)), [tripId]);

  const flush = useCallback(async () => {
    const sent = await sendWaiting();
    if (sent === 'no network') setOnline(false);
    else if (typeof sent === 'object') {
      if (sent.tripId === tripId || sent.refused.body.status === 401) setError(sent.refused);
    } else setOnline(true);
    await refresh();
  }, [tripId, refresh]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: each try asks anew
  useEffect(() => {
    let gone = false;
    void (async () => {
      const kept = await keptPack(tripId);
      if (!gone && kept) setPack(kept);
      await refresh();
      try {
        learnClock(await get<Me>('/me'));
        const fresh = await getCurrent<DeckPack>(`/deck/${tripId}`);
        await keepPack(fresh);
        if (!gone) {
          setPack(fresh);
          setOnline(true);
        }
      } catch (problem) {
        if (gone) return;
        if (problem instanceof Offline) setOnline(false);
        // Without a network the kept pack serves; a refusal must be seen.
        if (!kept || problem instanceof ApiProblem) setError(problem);
      }
      await flush();
    })();
    const deaf = onEntries(() => void refresh());
    const timer = setInterval(() => void flush(), RETRY_MS);
    const back = () => void flush();
    window.addEventListener('online', back);
    return () => {
      gone = true;
      deaf();
      clearInterval(timer);
      window.removeEventListener('online', back);
    };
  }, [tripId, flush, refresh, tries]);

  const again = useCallback(() => {
    setError(null);
    setTries((n) => n + 1);
  }, []);

  const record: DeckStore['record'] = useCallback(
    async (entry: DeckEntry) => {
      try {
        await keepEntry(tripId, entry);
        setUnkept(null);
      } catch {
        // A full phone, or a store that does not open: nothing may look as if it were logged.
        setUnkept({ again: () => void record(entry) });
        return;
      }
      // At once: a phone that is put away in the next moment has asked already.
      void askToSend().catch(() => undefined);
      tellEntries();
      await refresh();
      void flush();
    },
    [tripId, refresh, flush],
  );
  return { pack, entries, online, error, again, unkept, nearlyFull, record };
}

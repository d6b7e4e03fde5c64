import type { Me } from '@bluffwind/contract/auth';
import type { DeckEntry, DeckPack, DeckReceipt } from '@bluffwind/contract/deck';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiProblem, get, Offline, post } from '../app/api';
import { learnClock } from '../app/clock';
import { keepEntry, keepPack, keptEntries, keptPack, markEntry, type StoredEntry } from './store';

const RETRY_MS = 5000;
const BATCH = 100;

export interface DeckStore {
  readonly pack: DeckPack | null;
  readonly entries: readonly StoredEntry[];
  readonly online: boolean;
  readonly error: unknown;
  /** Keeps an entry on the phone, then sends it when it can. */
  readonly record: (entry: DeckEntry) => Promise<void>;
}

/** A trip on the phone: its pack, its entries, and their way to the server. */
export function useDeck(tripId: string): DeckStore {
  const [pack, setPack] = useState<DeckPack | null>(null);
  const [entries, setEntries] = useState<readonly StoredEntry[]>([]);
  const [online, setOnline] = useState(true);
  const [error, setError] = useState<unknown>(null);
  const sending = useRef(false);

  const refresh = useCallback(async () => setEntries(await keptEntries(tripId)), [tripId]);

  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    const held = new Set<string>();
    try {
      for (;;) {
        const waiting = (await keptEntries(tripId)).filter((e) => e.state === 'on this phone' && !held.has(e.entryId)).slice(0, BATCH);
        if (waiting.length === 0) break;
        const { receipts } = await post<DeckReceipt>(`/deck/${tripId}/entries`, { entries: waiting.map((w) => w.entry) });
        setOnline(true);
        for (const r of receipts) {
          // The server is behind this phone: the entry waits here until it is not.
          if (r.code === 'entry_unknown') {
            held.add(r.entryId);
            await markEntry(r.entryId, 'on this phone', r.message);
          } else await markEntry(r.entryId, r.ok ? 'stored' : 'refused', r.message);
        }
        await refresh();
        if (receipts.length === 0) break;
      }
    } catch (problem) {
      if (problem instanceof Offline) setOnline(false);
      else setError(problem);
    } finally {
      sending.current = false;
    }
  }, [tripId, refresh]);

  useEffect(() => {
    let gone = false;
    void (async () => {
      const kept = await keptPack(tripId);
      if (!gone && kept) setPack(kept);
      await refresh();
      try {
        learnClock(await get<Me>('/me'));
        const fresh = await get<DeckPack>(`/deck/${tripId}`);
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
    const timer = setInterval(() => void flush(), RETRY_MS);
    const back = () => void flush();
    window.addEventListener('online', back);
    return () => {
      gone = true;
      clearInterval(timer);
      window.removeEventListener('online', back);
    };
  }, [tripId, flush, refresh]);

  const record = useCallback(
    async (entry: DeckEntry) => {
      await keepEntry(tripId, entry);
      await refresh();
      void flush();
    },
    [tripId, refresh, flush],
  );
  return { pack, entries, online, error, record };
}

// Ticks of the night before: the crew's, and those on this phone that the crew does not have yet.
import type { TripRigs } from '@bluffwind/contract/rigs';
import { useCallback, useEffect, useState } from 'react';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { serverNow } from '../data/clock';
import { askToSend, onEntries, sendWaiting, tellEntries } from '../offline/sender';
import { keepEntry, keptEntries, type StoredEntry } from '../offline/store';

export interface Tick {
  readonly done: boolean;
  /** Who ticked it; empty for this phone. */
  readonly by: string;
  /** It is on this phone and not with the crew yet. */
  readonly waiting: boolean;
  /** Why the server did not take it; empty when it did, or was not asked. */
  readonly refused: string;
}

/**
 * The state of a key, and setting it. Works without a network.
 * @param readAt - When the crew's ticks were read, by this phone's own clock.
 */
export function useTicks(tripId: string, ticks: TripRigs['ticks'] | undefined, readAt: number, onSent: () => void) {
  const [own, setOwn] = useState<readonly StoredEntry[]>([]);
  /** On its way onto the phone: shown at once, taken back where the phone cannot keep it. */
  const [under, setUnder] = useState<Readonly<Record<string, boolean>>>({});
  const refresh = useCallback(async () => setOwn((await keptEntries(tripId)).filter((e) => e.entry.kind === 'tick')), [tripId]);
  useEffect(() => {
    void refresh();
    return onEntries(() => void refresh());
  }, [refresh]);

  const tickOf = (key: string): Tick => {
    const crew = ticks?.find((t) => t.key === key);
    const now = under[key];
    if (now !== undefined) return { done: now, by: '', waiting: true, refused: '' };
    const mine = own.filter((e) => e.entry.kind === 'tick' && e.entry.key === key).at(-1);
    if (mine?.entry.kind === 'tick' && mine.state !== 'refused') {
      // What the crew said after this phone's word holds.
      const newer = crew !== undefined && Date.parse(crew.at) > Date.parse(mine.entry.at);
      // Sent after the crew's list was read: that list does not know it yet.
      const unread = Date.parse(mine.entry.at) > readAt + serverNow() - Date.now();
      if (!newer && (mine.state === 'on this phone' || unread || mine.entry.done === (crew !== undefined)))
        return { done: mine.entry.done, by: crew?.by ?? '', waiting: mine.state === 'on this phone', refused: '' };
    }
    return { done: crew !== undefined, by: crew?.by ?? '', waiting: false, refused: mine?.state === 'refused' ? mine.message : '' };
  };

  const setTick = useCallback(
    async (key: string, done: boolean) => {
      setUnder((u) => ({ ...u, [key]: done }));
      try {
        await keepEntry(tripId, { kind: 'tick', entryId: v7(), at: new Date(serverNow()).toISOString(), key, done });
        await refresh();
      } catch {
        toast('This phone cannot keep it: its storage is full or shut. Make room, then tick it again.');
        return;
      } finally {
        setUnder(({ [key]: _, ...rest }) => rest);
      }
      tellEntries();
      void askToSend().catch(() => undefined);
      const sent = await sendWaiting();
      if (sent === 'all') onSent();
    },
    [tripId, onSent, refresh],
  );
  return { tickOf, setTick };
}

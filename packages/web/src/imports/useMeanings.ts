import type { OutfitView } from '@bluffwind/contract/outfit';
import type { PastRow } from '@bluffwind/core/formats/pastTrips';
import { useMemo, useState } from 'react';
import { matchName } from './matchNames';
import type { Meanings } from './pastTripsToSend';

type What = keyof Meanings;
export type Named = { readonly id: string; readonly name: string };

/** The names in a file's lines, how often each stands there, and what it stands for: what was chosen, else what is spelt most like it. */
export function useMeanings(outfit: OutfitView, spots: readonly Named[], rows: readonly PastRow[]) {
  const [picked, setPicked] = useState<ReadonlyMap<string, string>>(new Map());
  const lists: Readonly<Record<What, readonly Named[]>> = useMemo(
    () => ({ spot: spots, bait: outfit.presentations, species: outfit.species }),
    [spots, outfit],
  );
  const names = useMemo(() => {
    const count = (of: (r: PastRow) => string) => {
      const times = new Map<string, number>();
      for (const r of rows) times.set(of(r), (times.get(of(r)) ?? 0) + 1);
      return times;
    };
    const species = count((r) => r.species);
    // A line without fish needs no species.
    if (!rows.some((r) => r.species === '' && r.fish > 0)) species.delete('');
    return { spot: count((r) => r.spot), bait: count((r) => r.bait), species };
  }, [rows]);
  const means = useMemo(() => {
    const known = new Map<string, string>();
    const of = (what: What, name: string): string => {
      const key = `${what} ${name}`;
      const kept = picked.get(key) ?? known.get(key);
      if (kept !== undefined) return kept;
      const found = matchName(name, lists[what]) ?? '';
      known.set(key, found);
      return found;
    };
    return { spot: (n: string) => of('spot', n), bait: (n: string) => of('bait', n), species: (n: string) => of('species', n) };
  }, [picked, lists]);

  return {
    names,
    means,
    pick: (what: What) => (name: string, id: string) => setPicked(new Map(picked).set(`${what} ${name}`, id)),
    forget: () => setPicked(new Map()),
  };
}

// Bait that lasts for fewer trips than want it: who goes without is who loses least by it.
import { entryOf } from '../units/indexed';

/** A boat's want of baits. */
export interface BaitBoat {
  readonly id: string;
  /** Baits aboard. */
  readonly aboard: readonly string[];
  /** Fish of its best day without some baits. */
  readonly fishWithout: (baits: readonly string[]) => number;
}

/** What a boat gives up for want of a bait. */
export interface GoesWithout {
  readonly boat: string;
  readonly bait: string;
  /** Fish lost by it, >= 0. */
  readonly fish: number;
}

/**
 * Shares out baits that last for so many trips: as long as more trips have one than it lasts for, the boat that loses least
 * fish by it goes without (the first by id where two lose the same). For one short bait this is the best sharing there is, as
 * boats do not meet here; for several it is greedy.
 * @param lasts - Trips that each short bait lasts for, by bait id. Throws RangeError for a number below 0.
 */
export function shareBaits(boats: readonly BaitBoat[], lasts: Readonly<Record<string, number>>): GoesWithout[] {
  const without = new Map<string, string[]>(boats.map((b) => [b.id, []]));
  const given: GoesWithout[] = [];
  for (const [bait, most] of Object.entries(lasts).sort(([a], [b]) => (a < b ? -1 : 1))) {
    if (!(most >= 0)) throw new RangeError(`lasts.${bait}: expected >= 0, got ${most}`);
    const wanting = boats
      .filter((b) => b.aboard.includes(bait))
      .map((b) => {
        const so = entryOf(without, b.id);
        return { b, fish: Math.max(0, b.fishWithout(so) - b.fishWithout([...so, bait])) };
      })
      .sort((x, y) => x.fish - y.fish || (x.b.id < y.b.id ? -1 : 1));
    for (const { b, fish } of wanting.slice(0, Math.max(0, wanting.length - most))) {
      without.get(b.id)?.push(bait);
      given.push({ boat: b.id, bait, fish });
    }
  }
  return given;
}

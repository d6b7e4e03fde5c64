// A rest of the day that was laid anew on deck and taken: it stays on this phone over a reload, beside the plan that the crew has.
import type { DeckPack } from '@bluffwind/contract/deck';

export type TakenLeg = Omit<DeckPack['legs'][number], 'table' | 'secondId'>;
const keyOf = (tripId: string) => `rest of ${tripId}`;

export function keepRest(tripId: string, legs: readonly TakenLeg[]): void {
  try {
    localStorage.setItem(keyOf(tripId), JSON.stringify(legs));
  } catch {
    // A private page keeps nothing: it holds until the page is closed.
  }
}

export function keptRest(tripId: string): readonly TakenLeg[] | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(tripId)) ?? 'null');
    return Array.isArray(kept) && kept.every((l) => typeof l?.spotId === 'string' && typeof l?.startAt === 'string') ? kept : null;
  } catch {
    return null;
  }
}

export function dropRest(tripId: string): void {
  localStorage.removeItem(keyOf(tripId));
}

/** The stops of a trip as they hold now: those that were fished, then the rest that was taken. */
export function withRest(pack: DeckPack, rest: readonly TakenLeg[] | null, fished: ReadonlySet<string>): DeckPack {
  if (!rest) return pack;
  const second = (spotId: string) => pack.legs.find((l) => l.spotId === spotId)?.secondId ?? null;
  return {
    ...pack,
    legs: [
      ...pack.legs.filter((l) => fished.has(l.spotId) && !rest.some((r) => r.spotId === l.spotId)),
      ...rest.map((l) => ({ ...l, secondId: second(l.spotId), table: null })),
    ],
  };
}

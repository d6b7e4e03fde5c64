// A rest of the day that was laid anew on deck and taken, in the place of the stops that are left of the plan.
import type { DeckPack, TakenLeg } from '@bluffwind/contract/deck';

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

import type { DeckPack } from '@bluffwind/contract/deck';
import { beliefAt } from '@bluffwind/core/stay/beliefAt';
import { aheadOf } from '@bluffwind/core/stay/exposure';
import { alternativesFrom } from '@bluffwind/core/stay/stayOrMove';
import { stayTable } from '@bluffwind/core/stay/stayTable';

/** The decision table of a leg: from its start to the end of the trip, against every spot that was not fished before it. */
export function legTable(
  spots: DeckPack['spots'],
  legs: readonly { spotId: string; startAt: string }[],
  i: number,
  endMs: number,
): DeckPack['legs'][number]['table'] {
  const leg = legs[i];
  const here = spots.find((s) => s.id === leg?.spotId);
  if (!leg || !here) return null;
  const before = new Set(legs.slice(0, i + 1).map((l) => l.spotId));
  const minutes = (endMs - Date.parse(leg.startAt)) / 60_000;
  const { value, stepMin, leastToStay, to } = stayTable(
    beliefAt(here, Date.parse(leg.startAt)),
    here.fadePerHour,
    minutes,
    alternativesFrom(spots, here.id, before, Date.parse(leg.startAt)),
    aheadOf(here, Date.parse(leg.startAt), minutes),
  );
  return { stepMin, leastToStay: [...leastToStay], to: [...to], value };
}

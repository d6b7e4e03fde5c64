import type { DeckPack } from '@bluffwind/contract/deck';
import { beliefAt } from '@bluffwind/core/stay/beliefAt';
import { aheadOf } from '@bluffwind/core/stay/exposure';
import { alternativesFrom } from '@bluffwind/core/stay/stayOrMove';
import { type StayTable, stayTable } from '@bluffwind/core/stay/stayTable';

/** Minutes by which a leg may begin off its plan and still be decided by the table that came with it. */
const TABLE_SLACK_MIN = 15;

/** Decision table of a stop: the plan's, or one made on the phone where the stop is off the plan. */
export function stopTable(pack: DeckPack, spotId: string, startedMs: number, visited: ReadonlySet<string>): StayTable | undefined {
  const spot = pack.spots.find((s) => s.id === spotId);
  const leg = pack.legs.find((l) => l.spotId === spotId);
  if (leg && Math.abs(Date.parse(leg.startAt) - startedMs) <= TABLE_SLACK_MIN * 60_000 && leg.table) return leg.table;
  if (!spot) return undefined;
  const minutes = Math.max(0, (Date.parse(pack.trip.endsAt) - startedMs) / 60_000);
  return stayTable(
    beliefAt(spot, startedMs),
    spot.fadePerHour,
    minutes,
    alternativesFrom(pack.spots, spotId, visited, startedMs),
    aheadOf(spot, startedMs, minutes),
  );
}

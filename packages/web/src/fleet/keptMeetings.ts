import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripView } from '@bluffwind/contract/trips';
import { clock } from '../ui/format';
import { spotName } from '../plan/spotName';

/** Kept plans in which two boats lie at one spot at once, in words. */
export function keptMeetings(all: readonly { readonly trip: TripView; readonly desk: PlanDesk }[]): string[] {
  const stays = all.flatMap(({ trip, desk }) =>
    (desk.saved?.legs ?? []).map((l) => ({
      boat: trip.boat.name,
      trip: trip.id,
      spotId: l.spotId,
      spot: spotName(desk, l.spotId),
      from: Date.parse(l.arriveAt),
      to: Date.parse(l.departAt),
      zone: desk.zone,
    })),
  );
  return stays.flatMap((a, i) =>
    stays
      .slice(i + 1)
      .filter((b) => a.trip !== b.trip && a.spotId === b.spotId && a.from < b.to && b.from < a.to)
      .map(
        (b) =>
          `${a.boat} and ${b.boat} meet at ${a.spot} from ${clock(Math.max(a.from, b.from), a.zone)} to ${clock(Math.min(a.to, b.to), a.zone)} in the plans that are kept.`,
      ),
  );
}

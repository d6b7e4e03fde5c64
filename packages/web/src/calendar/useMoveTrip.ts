import type { TripView } from '@bluffwind/contract/trips';
import { toast } from 'sonner';
import { clockWords } from '@bluffwind/core/units/measure';
import { post } from '../data/api';
import { myUnits } from '../data/units';
import { useSave } from '../data/useSave';
import { TRIP_KEYS } from '../trips/queries';
import { draftOf, type TripDraft, tripOf } from '../trips/tripDraft';
import { dateName } from '../ui/format';

/** What a trip that is dragged gets: another day, other hours, another boat or captain. */
export type MovedTo = Partial<Pick<TripDraft, 'date' | 'from' | 'to' | 'boatId' | 'captainId'>>;

interface Move {
  readonly trip: TripView;
  readonly moved: MovedTo;
  /** Said with a way back; nothing for the way back itself. */
  readonly back?: boolean;
}

/** Moves a trip; it can be put back at once. */
export function useMoveTrip(zone: string) {
  const saving = useSave<Move>({
    send: ({ trip, moved }) => post(`/trips/${trip.id}`, tripOf({ ...draftOf(trip, zone), ...moved }, zone)),
    touches: TRIP_KEYS,
    onStored: (_, { trip, moved, back }) => {
      const before = draftOf(trip, zone);
      toast(
        back ? 'It is back where it was.' : saysOf(trip, moved, before),
        back
          ? {}
          : {
              duration: 12_000,
              action: { label: 'Undo', onClick: () => saving.save({ trip, moved: backTo(before, moved), back: true }) },
            },
      );
    },
  });
  return { to: (trip: TripView, moved: MovedTo) => saving.save({ trip, moved }), error: saving.error };
}

function saysOf(trip: TripView, moved: MovedTo, before: TripDraft): string {
  if (moved.date !== undefined && moved.date !== before.date) return `${trip.boat.name}’s trip is on ${dateName(moved.date)} now.`;
  if (moved.from !== undefined)
    return `${trip.boat.name}’s trip is from ${clockWords(moved.from, myUnits())} to ${clockWords(moved.to ?? before.to, myUnits())} now.`;
  return 'The trip is moved.';
}

/** The same fields as they were. */
const backTo = (before: TripDraft, moved: MovedTo): MovedTo =>
  Object.fromEntries((Object.keys(moved) as (keyof MovedTo)[]).map((k) => [k, before[k]]));

import type { TripView } from '@bluffwind/contract/trips';
import { toast } from 'sonner';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { TRIP_KEYS } from '../trips/queries';
import { draftOf, tripOf } from '../trips/tripDraft';
import { dateName } from '../ui/format';

interface Move {
  readonly trip: TripView;
  readonly date: string;
  readonly boatId: string;
  /** Said with a way back; nothing for the way back itself. */
  readonly back?: boolean;
}

/** Moves a trip to another day or boat at the same hours; it can be put back at once. */
export function useMoveTrip(zone: string) {
  const saving = useSave<Move>({
    send: ({ trip, date, boatId }) => post(`/trips/${trip.id}`, tripOf({ ...draftOf(trip, zone), date, boatId }, zone)),
    touches: TRIP_KEYS,
    onStored: (_, { trip, date, back }) => {
      const before = draftOf(trip, zone);
      toast(
        back ? 'It is back where it was.' : `${trip.boat.name}’s trip is on ${dateName(date)} now.`,
        back
          ? {}
          : {
              duration: 12_000,
              action: { label: 'Undo', onClick: () => saving.save({ trip, date: before.date, boatId: before.boatId, back: true }) },
            },
      );
    },
  });
  return { to: (trip: TripView, date: string, boatId: string) => saving.save({ trip, date, boatId }), error: saving.error };
}

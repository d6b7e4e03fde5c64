import type { TripView } from '@bluffwind/contract/trips';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { TRIP_KEYS } from '../trips/queries';
import { Entry } from '../ui/form/Entry';
import { TextField } from '../ui/form/fields';
import { clock, dayName } from '../ui/format';
import { Sheet } from '../ui/Sheet';

/** Calls a trip off, with the reason that the crew will want to know. */
export function CancelDialog({ trip, zone, onClose }: { trip: TripView | null; zone: string; onClose: () => void }) {
  const saving = useSave<{ readonly reason: string }>({
    send: ({ reason }) => post(`/trips/${trip?.id}/cancel`, { reason }),
    touches: TRIP_KEYS,
    told: 'The trip is called off. Its boat and captain are free then.',
    onStored: onClose,
  });
  return (
    <Sheet
      open={trip !== null}
      title={trip ? `Call off ${trip.boat.name}, ${dayName(trip.startsAt, zone)} ${clock(trip.startsAt, zone)}?` : ''}
      note="It stays in the calendar, struck through, with this reason. It cannot be taken back; make the trip anew instead."
      onClose={onClose}
    >
      <Entry values={{ reason: '' }} saving={saving} onSave={saving.save} onLeave={onClose} store="Call it off">
        <TextField name="reason" label="Why" required maxLength={200} placeholder="gale warning" />
      </Entry>
    </Sheet>
  );
}

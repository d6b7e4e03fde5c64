import type { TripView } from '@bluffwind/contract/trips';
import { useQuery } from '@tanstack/react-query';
import { post } from '../data/api';
import { outfitQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { Fault } from '../ui/parts';

/** The mates of a trip: they see where its boat goes and log what it catches. */
export function MatesAboard({ trip, mayEdit }: { trip: Pick<TripView, 'id' | 'mates'>; mayEdit: boolean }) {
  const { data: outfit } = useQuery(outfitQuery);
  const naming = useSave<readonly string[]>({
    send: (personIds) => post(`/trips/${trip.id}/mates`, { personIds }),
    touches: [['trip'], ['board'], ['fleet']],
  });
  const mates = outfit?.crew.filter((p) => p.role === 'mate') ?? [];
  // Shown as asked for until the server has answered.
  const aboard = naming.sent ?? trip.mates.map((m) => m.id);
  if (mates.length === 0) return null;
  return (
    <fieldset className="mt-3 text-[0.93rem]" data-mates>
      <legend className="font-semibold">Mates aboard</legend>
      {mates.map((m) => (
        <label key={m.id} className="mt-1 flex items-center gap-2">
          <input
            type="checkbox"
            checked={aboard.includes(m.id)}
            disabled={!mayEdit || naming.busy}
            onChange={(e) => naming.save(e.target.checked ? [...aboard, m.id] : aboard.filter((id) => id !== m.id))}
          />
          {m.name}
        </label>
      ))}
      {naming.error !== null && <Fault error={naming.error} />}
      <p className="mt-1 text-[0.87rem] text-ink-2">They see where the boat goes, captains’ spots of this trip too, and log its day.</p>
    </fieldset>
  );
}

import type { TripView } from '@bluffwind/contract/trips';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { post } from '../data/api';
import { outfitQuery } from '../data/queries';

/** The mates of a trip: they see where its boat goes and log what it catches. */
export function MatesAboard({ trip, mayEdit }: { trip: Pick<TripView, 'id' | 'mates'>; mayEdit: boolean }) {
  const { data: outfit } = useQuery(outfitQuery);
  const queries = useQueryClient();
  const name = useMutation({
    mutationFn: (personIds: readonly string[]) => post(`/trips/${trip.id}/mates`, { personIds }),
    onSuccess: () => Promise.all(['trip', 'board', 'fleet'].map((key) => queries.invalidateQueries({ queryKey: [key] }))),
    onError: (error) => toast(error.message),
  });
  const mates = outfit?.crew.filter((p) => p.role === 'mate') ?? [];
  // Shown as asked for until the server has answered.
  const aboard = name.isPending ? name.variables : trip.mates.map((m) => m.id);
  if (mates.length === 0) return null;
  return (
    <fieldset className="mt-3 text-[0.93rem]" data-mates>
      <legend className="font-semibold">Mates aboard</legend>
      {mates.map((m) => (
        <label key={m.id} className="mt-1 flex items-center gap-2">
          <input
            type="checkbox"
            checked={aboard.includes(m.id)}
            disabled={!mayEdit || name.isPending}
            onChange={(e) => name.mutate(e.target.checked ? [...aboard, m.id] : aboard.filter((id) => id !== m.id))}
          />
          {m.name}
        </label>
      ))}
      <p className="mt-1 text-[0.87rem] text-ink-2">They see where the boat goes, captains’ spots of this trip too, and log its day.</p>
    </fieldset>
  );
}

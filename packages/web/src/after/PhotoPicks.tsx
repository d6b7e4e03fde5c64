import { useQuery } from '@tanstack/react-query';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { clock } from '../ui/format';
import { Fault } from '../ui/parts';
import { photoQuery, photosQuery } from './queries';

interface PicksProps {
  readonly tripId: string;
  readonly zone: string;
  /** Photos that go on the guests' page. */
  readonly picked: readonly string[];
  readonly onPick: (picked: readonly string[]) => void;
}

/** The photos of a trip: which of them the guests get, and a way to take one away. */
export function PhotoPicks({ tripId, zone, picked, onPick }: PicksProps) {
  const photos = useQuery(photosQuery(tripId));
  const [ask, question] = useAsk();
  const removing = useSave<string>({
    send: (photoId) => post(`/photos/${photoId}/remove`),
    touches: [
      ['photos', tripId],
      ['report', tripId],
    ],
    told: 'The photo is gone.',
    onStored: (_, photoId) => onPick(picked.filter((x) => x !== photoId)),
  });
  return (
    <fieldset className="mt-2">
      <legend>Photos</legend>
      {photos.data?.photos.length === 0 && <p className="text-ink-2">None was taken. On deck, tap a fish in the list and take one.</p>}
      {photos.isError && <Fault error={photos.error} retry={() => photos.refetch()} />}
      <ul className="grid grid-cols-3 gap-2 lg:grid-cols-4">
        {photos.data?.photos.map((p, i) => (
          <li key={p.id}>
            <label className="block cursor-pointer">
              <Photo id={p.id} name={`Photo ${i + 1}, ${clock(p.at, zone)}`} />
              <span className="flex min-h-8 items-center gap-1.5 text-[0.87rem]">
                <input
                  type="checkbox"
                  className="h-6 w-6 accent-kelp"
                  checked={picked.includes(p.id)}
                  onChange={() => onPick(picked.includes(p.id) ? picked.filter((x) => x !== p.id) : [...picked, p.id])}
                />
                {clock(p.at, zone)}
              </span>
            </label>
            <button
              type="button"
              className="min-h-7 cursor-pointer text-[0.87rem] underline underline-offset-2 max-md:min-h-11"
              aria-label={`Take away photo ${i + 1}`}
              onClick={() =>
                ask({
                  title: `Take photo ${i + 1} away?`,
                  text: 'It leaves the log and the guests’ page, and does not come back.',
                  yes: 'Take it away',
                  act: () => removing.save(p.id),
                })
              }
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
      {removing.error !== null && <Fault error={removing.error} />}
      {question}
    </fieldset>
  );
}

function Photo({ id, name }: { id: string; name: string }) {
  const { data } = useQuery(photoQuery(id));
  return data ? (
    <img src={`data:image/jpeg;base64,${data.data}`} alt={name} className="aspect-square w-full rounded object-cover" />
  ) : (
    <span className="block aspect-square w-full rounded bg-sand" />
  );
}

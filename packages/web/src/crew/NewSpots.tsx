import type { OutfitSettings } from '@bluffwind/contract/crew';
import { useQuery } from '@tanstack/react-query';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Choice } from '../ui/Choice';
import { Fault } from '../ui/parts';
import { settingsQuery } from './queries';

const SEEN_BY = [
  { value: 'crew', name: 'the crew' },
  { value: 'captain', name: 'captains only' },
] as const;

/** To whom a new spot is known at first. */
export function NewSpots() {
  const { data } = useQuery(settingsQuery);
  const saving = useSave<OutfitSettings>({
    send: (wanted) => post('/outfit/settings', wanted),
    touches: [['settings'], ['outfit']],
    told: (_, wanted) => `New spots are known to ${SEEN_BY.find((s) => s.value === wanted.newSpots)?.name} at first.`,
  });
  if (!data) return null;
  return (
    <section>
      <h2 className="mb-1 font-bold">New spots</h2>
      <Choice
        label="A new spot is known to"
        labelled="beside"
        value={saving.sent?.newSpots ?? data.newSpots}
        options={[...SEEN_BY]}
        onPick={(newSpots) => saving.save({ ...data, newSpots })}
      />
      {saving.error !== null && <Fault error={saving.error} />}
      <p className="my-2 text-[0.9rem] text-ink-2">Whoever sets a spot, or brings spots in from a file, can say otherwise there.</p>
    </section>
  );
}

import type { Beginnings } from '@bluffwind/contract/outfit';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { Button, Fault } from '../ui/parts';

/** A sample water touches every screen. */
const EVERYTHING = [[]] as const;

/** Offers a sample water to look at, or tells that there is one and takes it out again. */
export function Sample({ sample, mayEdit }: { sample: Beginnings['sample']; mayEdit: boolean }) {
  const [ask, question] = useAsk();
  const there = sample === 'none' ? null : sample;
  const add = useSave<null>({
    send: () => post('/sample'),
    touches: EVERYTHING,
    told: 'The sample lake is there, with a season of trips and one that waits for a plan.',
  });
  const remove = useSave<null>({
    send: () => post('/sample/remove'),
    touches: EVERYTHING,
    told: 'The sample is gone, and nothing of it is left.',
  });
  if (sample === null || sample === undefined || !mayEdit) return null;
  const { busy, error } = there ? remove : add;
  return (
    <section aria-label="The sample" className="mb-5 max-w-[640px] border-t border-line py-2.5" data-sample>
      {question}
      {error !== null && <Fault error={error} />}
      {there ? (
        <p>
          {there.water} is here to look at, with its season of trips and {there.boat}. Until you take it out the ranking learns from its
          baits and fish as well.
        </p>
      ) : (
        <p>Or look at it first with a sample lake: its spots, a season of trips, the weather and a trip that waits for a plan.</p>
      )}
      <p className="mt-1">
        <Button
          disabled={busy}
          onClick={() =>
            there
              ? ask({
                  title: 'Take the sample out?',
                  text: `${there.water} and ${there.boat} go, with all trips, plans and fish on that lake, yours among them. Your own waters stay as they are. There is no way back.`,
                  yes: 'Take it out',
                  act: () => remove.save(null),
                })
              : add.save(null)
          }
        >
          {busy ? 'A moment' : there ? 'Take the sample out' : 'Add the sample lake'}
        </Button>
      </p>
    </section>
  );
}

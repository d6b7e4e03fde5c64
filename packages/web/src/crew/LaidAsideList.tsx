import { useQuery } from '@tanstack/react-query';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { clock, dayName } from '../ui/format';
import { Button, Fault, Waiting } from '../ui/parts';
import { laidAsideQuery } from './queries';

/** Work of the server that failed for good: what it was, why, and another try. */
export function LaidAsideList({ zone }: { zone: string }) {
  const list = useQuery(laidAsideQuery);
  const again = useSave<string>({
    send: (id) => post('/laid-aside/try', { id }),
    touches: [['laid-aside']],
    told: 'It is tried again.',
  });
  return (
    <section>
      <h2 className="mb-1 font-bold">Work that was laid aside</h2>
      {list.isPending && <Waiting what="Asking the server" />}
      {list.error && <Fault error={list.error} retry={() => void list.refetch()} />}
      {again.error !== null && <Fault error={again.error} />}
      {list.data?.length === 0 && (
        <p className="border-t border-line py-1.5 text-ink-2">Nothing: all that was to be worked out is worked out.</p>
      )}
      <ul>
        {list.data?.map((j) => (
          <li key={j.id} className="flex items-start justify-between gap-3 border-t border-line py-1.5" data-laid-aside={j.what}>
            <span>
              {j.what}
              <span className="block text-[0.87rem] text-ink-2">
                {dayName(j.at, zone)} {clock(j.at, zone)}: {j.reason}
              </span>
            </span>
            <Button onClick={() => again.save(j.id)} disabled={again.busy}>
              Try again
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

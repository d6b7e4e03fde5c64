import type { PushView } from '@bluffwind/contract/push';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { v7 } from 'uuid';
import { deviceWords } from '../crew/deviceWords';
import { get, post } from '../data/api';
import { useSave } from '../data/useSave';
import { pushAddress, pushHere, subscribeHere, unsubscribeHere } from '../offline/pushHere';
import { dateName } from '../ui/format';
import { Button, Fault } from '../ui/parts';
import { NoticeKinds } from './NoticeKinds';

const noticesQuery = queryOptions({ queryKey: ['me', 'push'], queryFn: () => get<PushView>('/me/push'), staleTime: 60_000 });
const hereQuery = queryOptions({ queryKey: ['push here'], queryFn: pushAddress, staleTime: 0 });
const TOUCHES = [['me', 'push'], ['push here']] as const;

/** Phones and laptops of this person that are told though no page of ours is open. */
export function Notices() {
  const { data, error, refetch } = useQuery(noticesQuery);
  const { data: address } = useQuery(hereQuery);
  const add = useSave<string>({
    send: async (publicKey) => post('/me/push', { id: v7(), ...(await subscribeHere(publicKey)) }),
    touches: TOUCHES,
    told: 'This device shows the crew’s notices from now on.',
  });
  const remove = useSave<{ id: string; endpoint: string }>({
    send: async ({ id, endpoint }) => {
      await post(`/me/push/${id}/remove`);
      if (endpoint === address) await unsubscribeHere();
    },
    touches: TOUCHES,
    told: 'It shows no more notices.',
  });
  const tryOut = useSave<string>({ send: (id) => post(`/me/push/${id}/try`), touches: [], told: 'A notice is on its way to it.' });
  const here = data?.devices.some((d) => d.endpoint === address) ?? false;
  const can = pushHere();
  return (
    <section aria-label="Notices on this device">
      <h2 className="mb-1 font-bold">On your devices</h2>
      <p className="text-ink-2">An alarm of the crew comes up there though Bluffwind is not open. It needs a network.</p>
      {error && <Fault error={error} retry={() => void refetch()} />}
      {[add, remove, tryOut].map((s, i) => s.error !== null && <Fault key={KEYS[i]} error={s.error} />)}
      <ul>
        {data?.devices.map((d) => (
          <li key={d.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-1.5">
            <span className="min-w-0 flex-1 break-words">
              {deviceWords(d.device)} {d.endpoint === address && <b className="text-kelp">this one</b>}{' '}
              <span className="text-ink-2">since {dateName(d.madeAt.slice(0, 10))}</span>
            </span>
            <Button aria-label={`Try it: ${deviceWords(d.device)}`} disabled={tryOut.busy} onClick={() => tryOut.save(d.id)}>
              Try it
            </Button>
            <Button aria-label={`Take away ${deviceWords(d.device)}`} disabled={remove.busy} onClick={() => remove.save(d)}>
              Take away
            </Button>
          </li>
        ))}
      </ul>
      {data && !here && can === 'yes' && (
        <Button className="mt-1" disabled={add.busy} onClick={() => add.save(data.publicKey)}>
          Show notices on this device
        </Button>
      )}
      {can === 'refused' && (
        <p className="text-ink-2">This browser was told to show no notices from here. Allow them in its settings for this page first.</p>
      )}
      {can === 'no' && <p className="text-ink-2">This browser cannot show notices. On a phone, put Bluffwind on the home screen first.</p>}
      {data && data.devices.length > 0 && <NoticeKinds channel="push" />}
    </section>
  );
}

const KEYS = ['add', 'remove', 'try'] as const;

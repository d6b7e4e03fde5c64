import type { CalendarAddress, CalendarMade } from '@bluffwind/contract/auth';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { Copy } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { get, post } from '../data/api';
import { useSave } from '../data/useSave';
import { FIELD } from '../ui/form/fields';
import { dateName } from '../ui/format';
import { Button, Fault } from '../ui/parts';

const addressQuery = queryOptions({ queryKey: ['me', 'calendar'], queryFn: () => get<CalendarAddress>('/me/calendar'), staleTime: 60_000 });

/** A private address that the calendar of a phone can follow; shown once. */
export function PhoneCalendar() {
  const { data } = useQuery(addressQuery);
  const [address, setAddress] = useState('');
  const making = useSave<null, CalendarMade>({
    send: () => post<CalendarMade>('/me/calendar'),
    touches: [['me', 'calendar']],
    onStored: ({ path }) => setAddress(window.location.origin + path),
  });
  const ending = useSave<null>({
    send: () => post('/me/calendar/end'),
    touches: [['me', 'calendar']],
    told: 'The address answers no more.',
    onStored: () => setAddress(''),
  });
  const copy = () =>
    navigator.clipboard.writeText(address).then(
      () => toast('The address is copied.'),
      () => toast('It could not be copied; mark it and copy it by hand.'),
    );
  return (
    <section>
      <h2 className="mb-1 font-bold">Your trips in your phone’s calendar</h2>
      <p className="text-ink-2">
        Give the address to your calendar as one to follow. It holds your trips with boat, party and meeting place, and no spots. Whoever
        has it reads them: keep it to yourself, and make a new one if it got about.
      </p>
      {address !== '' && (
        <p className="mt-2 flex gap-2">
          <input
            readOnly
            aria-label="Address of your calendar"
            value={address}
            onFocus={(e) => e.target.select()}
            className={`flex-1 ${FIELD}`}
          />
          <Button onClick={() => void copy()}>
            <Copy size={15} aria-hidden="true" /> Copy
          </Button>
        </p>
      )}
      {address !== '' && <p className="text-[0.87rem] text-ink-2">It is shown only now.</p>}
      {address === '' && data?.madeAt && (
        <p className="text-[0.87rem] text-ink-2">One was made on {dateName(data.madeAt.slice(0, 10))}; a new one ends it.</p>
      )}
      <p className="mt-2 flex flex-wrap gap-2">
        <Button disabled={making.busy} onClick={() => making.save(null)}>
          {data?.madeAt ? 'Make a new address' : 'Make an address'}
        </Button>
        {data?.madeAt && (
          <Button disabled={ending.busy} onClick={() => ending.save(null)}>
            End it
          </Button>
        )}
      </p>
      {making.error !== null && <Fault error={making.error} />}
      {ending.error !== null && <Fault error={ending.error} />}
    </section>
  );
}

import type { ClientView } from '@bluffwind/contract/outfit';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { useAddress } from '../data/useAddress';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { dayName } from '../ui/format';
import { FIELD } from '../ui/form/fields';
import { Button, Fault, Waiting } from '../ui/parts';
import { ClientDialog } from './ClientDialog';
import { clientsQuery } from './queries';

const blank = (): ClientView => ({
  id: v7(),
  name: '',
  contact: '',
  experience: 2,
  child: false,
  swims: null,
  hand: null,
  wishes: '',
  note: '',
  medicalNote: '',
  trips: 0,
  fish: 0,
  lastTripAt: null,
});

/** Clients with what they caught and what to remember of them. */
export function Clients({ zone }: { zone: string }) {
  const clients = useQuery(clientsQuery);
  const [find, setFind] = useAddress('find', '');
  const [edited, setEdited] = useState<{ readonly client: ClientView; readonly isNew: boolean } | null>(null);
  const [ask, question] = useAsk();
  const retire = useSave<ClientView>({
    send: (k) => post(`/clients/${k.id}/retire`),
    touches: [['clients'], ['outfit']],
    told: (_, k) => `${k.name} is off the list.`,
  });
  if (clients.isPending) return <Waiting what="Asking the server" />;
  if (!clients.data) return <Fault error={clients.error} retry={() => void clients.refetch()} />;
  const shown = clients.data.filter((k) => `${k.name} ${k.contact} ${k.wishes} ${k.note}`.toLowerCase().includes(find.toLowerCase()));
  return (
    <div className="max-w-[760px]">
      {question}
      <div className="mb-3 flex flex-wrap gap-2">
        <Button strong onClick={() => setEdited({ client: blank(), isNew: true })}>
          Add a client
        </Button>
        <input
          data-search
          aria-label="Search clients"
          placeholder="/ search"
          value={find}
          onChange={(e) => setFind(e.target.value)}
          className={FIELD}
        />
      </div>
      {retire.error !== null && <Fault error={retire.error} />}
      {clients.data.length === 0 && (
        <p className="text-ink-2">Nobody yet. Guests can be added while a trip is made, by their names alone.</p>
      )}
      <ul>
        {shown.map((k) => (
          <li key={k.id} data-client={k.name} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2">
            <span className="min-w-[min(100%,14rem)] flex-1 break-words">
              <b>{k.name}</b>
              {k.child ? ' · child' : ''}
              {k.swims === false ? ' · does not swim' : ''}
              <span className="block text-[0.87rem] text-ink-2">
                {k.trips === 0
                  ? 'no trip yet'
                  : `${k.trips} ${k.trips === 1 ? 'trip' : 'trips'}, ${k.fish} fish, last ${k.lastTripAt ? dayName(k.lastTripAt, zone) : ''}`}
                {k.wishes ? ` · ${k.wishes}` : ''}
              </span>
            </span>
            <Button onClick={() => setEdited({ client: k, isNew: false })} aria-label={`Change ${k.name}`}>
              Change
            </Button>
            <Button
              aria-label={`Take ${k.name} off the list`}
              disabled={retire.busy}
              onClick={() =>
                ask({
                  title: `Take ${k.name} off the list?`,
                  text: 'Notes, health and contact are wiped and cannot be brought back. What was caught stays in the log.',
                  yes: 'Take off and wipe',
                  act: () => retire.save(k),
                })
              }
            >
              Off the list
            </Button>
          </li>
        ))}
      </ul>
      <ClientDialog edited={edited} onClose={() => setEdited(null)} />
    </div>
  );
}

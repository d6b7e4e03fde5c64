import { useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { useSendKey } from '../data/useSendKey';
import { FIELD } from '../ui/form/fields';
import { Button } from '../ui/parts';
import type { TripDraft } from './tripDraft';

/** A guest who is not on the list yet: the name is enough. */
export function AddClient() {
  const [name, setName] = useState('');
  const { getValues, setValue } = useFormContext<TripDraft>();
  const key = useSendKey();
  const adding = useSave<{ readonly id: string; readonly name: string }>({
    send: (client) =>
      post('/clients', { ...client, contact: '', experience: 2, child: false, swims: null, hand: null, wishes: '', note: '' }),
    touches: [['outfit'], ['clients']],
    onStored: () => {
      key.stored();
      setName('');
    },
    onRead: (_, client) => setValue('clientIds', [...getValues('clientIds'), client.id]),
  });
  const add = () => name.trim() !== '' && adding.save({ id: key.of(name.trim()), name: name.trim() });
  return (
    <div className="mt-1 flex flex-wrap items-center gap-2">
      <input
        aria-label="Name of a new guest"
        placeholder="a new guest"
        value={name}
        maxLength={80}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={(e) => {
          if (e.key !== 'Enter') return;
          e.preventDefault();
          add();
        }}
        className={`w-44 ${FIELD}`}
      />
      <Button className="py-0.5" onClick={add} disabled={name.trim() === '' || adding.busy}>
        Add guest
      </Button>
      {adding.error !== null && (
        <span role="alert" className="text-[0.87rem] text-rust">
          {adding.fault('name') ?? (adding.error as Error).message}
        </span>
      )}
    </div>
  );
}

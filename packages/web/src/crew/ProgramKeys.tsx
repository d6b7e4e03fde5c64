import type { NewKey } from '@bluffwind/contract/keys';
import { KEY_SCOPES, type KeyScope } from '@bluffwind/contract/keyScopes';
import { useQuery } from '@tanstack/react-query';
import { Copy } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { useAsk } from '../ui/Ask';
import { dayName } from '../ui/format';
import { Entry } from '../ui/form/Entry';
import { CheckField, FIELD, TextField } from '../ui/form/fields';
import { Button, Fault, Waiting } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { keysQuery } from './queries';

type Typed = { readonly name: string } & Record<KeyScope, boolean>;
const SCOPES = Object.entries(KEY_SCOPES) as [KeyScope, string][];

/** Keys with which programs of the outfit read or write: a logger on the pier, a spreadsheet that fetches the log. */
export function ProgramKeys({ zone }: { zone: string }) {
  const keys = useQuery(keysQuery);
  const [making, setMaking] = useState(false);
  const [key, setKey] = useState('');
  const [ask, question] = useAsk();
  const id = useRef(v7());
  const saving = useSave<NewKey, { key: string }>({
    send: (asked) => post('/keys', asked),
    touches: [['keys']],
    onStored: (made) => {
      id.current = v7();
      setMaking(false);
      setKey(made.key);
    },
  });
  const ending = useSave<string>({
    send: (which) => post(`/keys/${which}/end`),
    touches: [['keys']],
    told: 'The key opens nothing any more.',
  });
  const close = () => {
    saving.clear();
    setMaking(false);
  };
  const copy = () =>
    navigator.clipboard.writeText(key).then(
      () => toast('The key is copied.'),
      () => toast('It could not be copied; mark it and copy it by hand.'),
    );
  return (
    <section aria-label="Keys for programs">
      {question}
      <h2 className="mb-1 font-bold">Keys for programs</h2>
      <p className="text-ink-2">
        A logger on the pier that stores what it measures, a spreadsheet that fetches the log. Each key is for what you tick.
      </p>
      {keys.isPending && <Waiting what="Asking the server" />}
      {keys.error && <Fault error={keys.error} retry={() => void keys.refetch()} />}
      {ending.error !== null && <Fault error={ending.error} />}
      <ul>
        {keys.data?.map((k) => (
          <li key={k.id} className="flex items-center justify-between gap-3 border-t border-line py-1.5" data-key={k.name}>
            <span>
              {k.name}: {k.scopes.map((s) => KEY_SCOPES[s]).join('; ')}
              <span className="block text-[0.87rem] text-ink-2">
                made {dayName(k.madeAt, zone)} by {k.madeBy}, {k.lastUsedAt ? `last used ${dayName(k.lastUsedAt, zone)}` : 'not used yet'}
              </span>
            </span>
            <Button
              disabled={ending.busy}
              aria-label={`End the key ${k.name}`}
              onClick={() =>
                ask({
                  title: `End the key ${k.name}?`,
                  text: 'The program that has it is refused from then on. It cannot be brought back; a new one can be made.',
                  yes: 'End it',
                  act: () => ending.save(k.id),
                })
              }
            >
              End it
            </Button>
          </li>
        ))}
      </ul>
      <Button className="mt-2" onClick={() => setMaking(true)}>
        Make a key
      </Button>
      <Sheet open={making} title="A key for a program" note="It acts for the outfit, for what you tick and nothing else." onClose={close}>
        <Entry<Typed>
          values={{ name: '', log: false, conditions: false, trips: false, readings: false }}
          saving={saving}
          onSave={({ name, ...ticked }) => saving.save({ id: id.current, name, scopes: SCOPES.flatMap(([s]) => (ticked[s] ? [s] : [])) })}
          onLeave={close}
          store="Make it"
        >
          <TextField name="name" label="What has it" required maxLength={60} placeholder="Logger on the pier" />
          <fieldset className="flex flex-col gap-1">
            <legend className="mb-1">It may</legend>
            {SCOPES.map(([scope, words]) => (
              <CheckField key={scope} name={scope} label={words} />
            ))}
          </fieldset>
        </Entry>
      </Sheet>
      <Sheet
        open={key !== ''}
        title="The key"
        note="It is shown only now. Whoever has it can do what it is for: keep it where the program runs and nowhere else."
        onClose={() => setKey('')}
      >
        <input readOnly aria-label="Key" value={key} onFocus={(e) => e.target.select()} className={`w-full font-mono ${FIELD}`} />
        <div className="mt-3 flex justify-end gap-2">
          <Button onClick={() => void copy()}>
            <Copy size={15} aria-hidden="true" /> Copy
          </Button>
          <Button strong onClick={() => setKey('')}>
            I have it
          </Button>
        </div>
      </Sheet>
    </section>
  );
}

import type { NewPasskey, PasskeyAsked, PasskeyView } from '@bluffwind/contract/passkeys';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { PasswordField } from '../begin/PasswordField';
import { get, post } from '../data/api';
import { passkeysHere } from '../data/passkeysHere';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { TextField } from '../ui/form/fields';
import { dateName } from '../ui/format';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';

const passkeysQuery = queryOptions({ queryKey: ['me', 'passkeys'], queryFn: () => get<PasskeyView[]>('/me/passkeys'), staleTime: 60_000 });
const TOUCHES = [['me', 'passkeys']] as const;

interface Typed {
  readonly name: string;
  readonly password: string;
}

/** Signing in by what the phone or laptop holds: a finger, a face, its own code. */
export function Passkeys() {
  const { data, error, refetch } = useQuery(passkeysQuery);
  const [adding, setAdding] = useState(false);
  const [going, setGoing] = useState<PasskeyView | null>(null);
  const making = useSave<Typed, PasskeyView>({
    send: async ({ name, password }) => {
      const { options } = await post<PasskeyAsked>('/me/passkeys/begin', { password });
      const { startRegistration } = await import('@simplewebauthn/browser');
      const answer = (await startRegistration({ optionsJSON: options as never })) as unknown as NewPasskey['answer'];
      return post<PasskeyView>('/me/passkeys', { id: v7(), name, answer } satisfies NewPasskey);
    },
    touches: TOUCHES,
    told: (k) => `You can sign in by ${k.name} from now on.`,
    onStored: () => setAdding(false),
  });
  const removing = useSave<{ password: string }>({
    send: ({ password }) => post(`/me/passkeys/${going?.id}/remove`, { password }),
    touches: TOUCHES,
    told: 'It opens nothing more here.',
    onStored: () => setGoing(null),
  });
  const here = passkeysHere();
  return (
    <section aria-label="Passkeys">
      <h2 className="mb-1 font-bold">Passkeys</h2>
      <p className="text-ink-2">
        Sign in with a finger, your face or the code of this phone or laptop, without password or code. Each device has its own.
      </p>
      {error && <Fault error={error} retry={() => void refetch()} />}
      <ul>
        {data?.map((k) => (
          <li key={k.id} className="flex items-center gap-3 border-t border-line py-1.5">
            <span className="min-w-0 flex-1 break-words">
              {k.name}{' '}
              <span className="text-ink-2">
                {k.lastUsedAt
                  ? `last used ${dateName(k.lastUsedAt.slice(0, 10))}`
                  : `since ${dateName(k.madeAt.slice(0, 10))}, not used yet`}
              </span>
            </span>
            <Button aria-label={`Take away the passkey ${k.name}`} onClick={() => setGoing(k)}>
              Take away
            </Button>
          </li>
        ))}
      </ul>
      {here === 'yes' ? (
        <Button className="mt-2" onClick={() => setAdding(true)}>
          Add this device
        </Button>
      ) : (
        <p className="mt-1">{here}</p>
      )}
      <Sheet
        open={adding}
        title="A passkey on this device"
        note="Your password first; then the browser asks you to unlock the device."
        onClose={() => {
          making.clear();
          setAdding(false);
        }}
      >
        <Entry<Typed>
          values={{ name: '', password: '' }}
          saving={making}
          onSave={making.save}
          onLeave={() => {
            making.clear();
            setAdding(false);
          }}
          store="Go on"
        >
          <TextField name="name" label="What you call this device" placeholder="my phone" required maxLength={60} />
          <PasswordField name="password" label="Your password" own />
        </Entry>
      </Sheet>
      <Sheet
        open={going !== null}
        title={`Take ${going?.name ?? ''} away`}
        note="Whoever holds that device cannot sign in by it any more; password and code stay as they are."
        onClose={() => {
          removing.clear();
          setGoing(null);
        }}
      >
        <Entry<{ password: string }>
          values={{ password: '' }}
          saving={removing}
          onSave={removing.save}
          onLeave={() => {
            removing.clear();
            setGoing(null);
          }}
          store="Take it away"
        >
          <PasswordField name="password" label="Your password" own />
        </Entry>
      </Sheet>
    </section>
  );
}

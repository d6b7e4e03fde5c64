import type { AuthenticatorMade, SecondFactor as Asked } from '@bluffwind/contract/auth';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { PasswordField } from '../begin/PasswordField';
import { get, post } from '../data/api';
import { useSave } from '../data/useSave';
import { dateName } from '../ui/format';
import { Entry } from '../ui/form/Entry';
import { Button, Fault, Waiting } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { WrittenCodes } from './WrittenCodes';

const Scan = lazy(() => import('./Scan').then((m) => ({ default: m.Scan })));
const askedQuery = queryOptions({ queryKey: ['me', 'second-factor'], queryFn: () => get<Asked>('/me/second-factor'), staleTime: 60_000 });
const TOUCHES = [['me', 'second-factor'], ['people']] as const;

/** Being asked for a code at sign-in, from an authenticator on the phone or from paper. */
export function SecondFactor() {
  const { data, error, refetch } = useQuery(askedQuery);
  const [step, setStep] = useState<'begin' | 'end' | null>(null);
  const [made, setMade] = useState<AuthenticatorMade | null>(null);
  const [codes, setCodes] = useState<readonly string[]>([]);
  const beginning = useSave<{ password: string }, AuthenticatorMade>({
    send: (typed) => post('/me/second-factor/begin', typed),
    touches: [],
    onStored: (answer) => {
      setStep(null);
      setMade(answer);
    },
  });
  const confirming = useSave<{ code: string }, { codes: string[] }>({
    send: (typed) => post('/me/second-factor/confirm', typed),
    touches: TOUCHES,
    told: 'From now on you are asked for a code at sign-in.',
    onStored: (answer) => {
      setMade(null);
      setCodes(answer.codes);
    },
  });
  const ending = useSave<{ password: string }>({
    send: (typed) => post('/me/second-factor/end', typed),
    touches: TOUCHES,
    told: 'You are not asked for a code any more.',
    onStored: () => setStep(null),
  });
  const leave = () => {
    beginning.clear();
    ending.clear();
    setStep(null);
  };
  const saving = step === 'end' ? ending : beginning;
  return (
    <section aria-label="A code at sign-in">
      <h2 className="mb-1 font-bold">A code at sign-in</h2>
      <p className="text-ink-2">
        Beside the password you type six figures from an authenticator on your phone. Who knows your password alone does not get in.
      </p>
      {error && <Fault error={error} retry={() => void refetch()} />}
      {data?.onSince && (
        <p className="mt-1">
          You are asked for it since {dateName(data.onSince.slice(0, 10))}. Of the codes on paper{' '}
          {data.codesLeft === 1 ? 'one is' : `${data.codesLeft} are`} left
          {data.codesLeft < 3 ? '; end it and begin again for new ones' : ''}.
        </p>
      )}
      {data && (
        <Button className="mt-2" onClick={() => setStep(data.onSince ? 'end' : 'begin')}>
          {data.onSince ? 'Ask me for none' : 'Ask me for a code'}
        </Button>
      )}
      <Sheet
        open={step !== null}
        title={step === 'end' ? 'No code any more' : 'A code at sign-in'}
        note="First your password, so that nobody does this who finds your phone open."
        onClose={leave}
      >
        <Entry<{ password: string }> values={{ password: '' }} saving={saving} onSave={saving.save} onLeave={leave} store="Go on">
          <PasswordField name="password" label="Your password" own />
        </Entry>
      </Sheet>
      <Sheet
        open={made !== null}
        title="Your authenticator"
        note="Scan the square with the authenticator on your phone, or type the letters into it. Then type the six figures that it shows."
        onClose={() => setMade(null)}
      >
        {made && (
          <Suspense fallback={<Waiting what="Drawing" />}>
            <Scan made={made} saving={confirming} onLeave={() => setMade(null)} />
          </Suspense>
        )}
      </Sheet>
      <WrittenCodes codes={codes} onClose={() => setCodes([])} />
    </section>
  );
}

import type { NewOutfit } from '@bluffwind/contract/begin';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { HOME, ZONES } from '../data/zones';
import { Entry } from '../ui/form/Entry';
import { ChoiceField, TextField } from '../ui/form/fields';
import { Fault, Waiting } from '../ui/parts';
import { LookRound } from './LookRound';
import { PasswordField } from './PasswordField';
import { beginQuery } from './queries';

type Typed = Omit<NewOutfit, 'id' | 'personId'>;

const AFTER = [
  ['A water', 'its shore drawn, or from a file; or nothing yet'],
  ['A boat', 'with the wind and waves that you turn back at'],
  ['Your places', 'from the waypoints on your phone or your plotter'],
  ['What you know', 'soundings, tide, readings, and the trips of past years'],
  ['A trip', 'and the day is laid: where to start, with what, when to move'],
] as const;

/** The first step: an outfit and the person who owns it. */
export function Begin() {
  const begin = useQuery(beginQuery);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [ids] = useState(() => ({ id: v7(), personId: v7() }));
  const saving = useSave<Typed>({
    send: (typed) => post('/begin', { ...typed, ...ids }),
    touches: [],
    onStored: () => {
      queries.clear();
      navigate('/', { replace: true });
    },
  });
  if (begin.isPending) return <Waiting what="Asking the server" />;
  if (!begin.data) return <Fault error={begin.error} retry={() => void begin.refetch()} />;
  return (
    <main className="mx-auto grid min-h-dvh max-w-[920px] content-center gap-x-16 gap-y-8 px-6 py-10 md:grid-cols-[1.1fr_1fr]">
      <div className="min-w-0">
        <h1 className="text-[1.7rem] leading-tight font-bold">An outfit of your own</h1>
        {begin.data.open ? (
          <>
            <p className="mt-1 mb-5 max-w-[46ch] text-ink-2">
              Your crew, boats and waters. What you write down here is seen by the people whom you ask in, and by nobody else.
            </p>
            <Entry<Typed>
              values={{
                name: '',
                zone: HOME,
                units: /^(en-US|en-LR|my)/.test(navigator.language) ? 'us' : 'metric',
                personName: '',
                email: '',
                password: '',
              }}
              saving={saving}
              onSave={saving.save}
              onLeave={() => navigate('/sign-in')}
              store="Make the outfit"
              className="grid gap-x-4 gap-y-3 sm:grid-cols-2"
            >
              <TextField name="name" label="Name of the outfit" required maxLength={80} className="sm:col-span-2" />
              <ChoiceField name="zone" label="Time zone of your waters" options={ZONES} />
              <ChoiceField
                name="units"
                label="Units"
                options={[
                  { value: 'metric', name: 'metres, kilograms, °C' },
                  { value: 'us', name: 'feet, pounds, °F' },
                ]}
              />
              <TextField name="personName" label="Your name" autoComplete="name" required maxLength={80} />
              <TextField
                name="email"
                autoComplete="username"
                label="Your e-mail"
                required
                maxLength={200}
                pattern={{ value: /^\S+@\S+\.\S+$/, message: 'An e-mail address.' }}
              />
              <PasswordField name="password" label="Password" className="sm:col-span-2" />
            </Entry>
          </>
        ) : (
          <p className="mt-2 max-w-[46ch]">
            On this server outfits are made by invitation only. Ask whoever runs it, or{' '}
            <Link to="/sign-in" className="underline underline-offset-2">
              sign in
            </Link>
            .
          </p>
        )}
      </div>
      <section aria-label="What comes next" className="self-center border-line md:border-l md:pl-8">
        <h2 className="font-bold">The first evening</h2>
        <p className="mb-2 text-ink-2">
          Five things, in this order or any other. Each helps by itself; what is missing is said where it matters.
        </p>
        <ol>
          {AFTER.map(([what, gives], i) => (
            <li key={what} className="flex gap-3 border-t border-line py-2">
              <span className="num text-ink-2">{i + 1}</span>
              <span>
                <b>{what}</b> <span className="text-ink-2">{gives}</span>
              </span>
            </li>
          ))}
        </ol>
        {begin.data.demo && <LookRound at={begin.data.demo} />}
      </section>
    </main>
  );
}

import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, Navigate } from 'react-router';
import { LookRound } from '../begin/LookRound';
import { beginQuery } from '../begin/queries';
import { passkeysHere } from '../data/passkeysHere';
import { Button, Fault } from '../ui/parts';
import { CodeField } from './CodeField';
import { DemoSignIns } from './DemoSignIns';
import { Forgotten } from './Forgotten';
import { demoQuery } from './queries';
import { useSignIn } from './useSignIn';

// Plain fields: what checks and keeps a form elsewhere would be most of what a phone loads before it is signed in.
export function SignIn() {
  const { data: demo } = useQuery(demoQuery);
  const { data: begin } = useQuery(beginQuery);
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const { error, busy, code, setCode, byPassword, byPasskey } = useSignIn();
  if (begin?.open && begin.empty) return <Navigate to="/begin" replace />;
  return (
    <main className="mx-auto grid min-h-dvh max-w-[880px] content-center gap-x-16 gap-y-8 px-6 py-10 md:grid-cols-[1fr_1.1fr]">
      <div>
        <img src="/icon.svg" alt="" className="mb-4 h-14 w-14" />
        <h1 className="text-[1.9rem] leading-tight font-bold">Bluffwind</h1>
        <p className="mt-2 max-w-[34ch] text-ink-2">
          Tomorrow's spots, baits and hours, from the water and from what your crew has caught, the empty hours counted.
        </p>
        <form
          onSubmit={(e) => {
            e.preventDefault();
            void byPassword(email, password);
          }}
          className="mt-6 flex max-w-[320px] flex-col gap-3"
        >
          <label className="flex flex-col gap-1">
            E-mail
            <input
              type="email"
              required
              autoComplete="username"
              value={email}
              onChange={(e) => setEmail(e.target.value)}
              className="rounded border border-ink-3 bg-paper px-3 py-2"
            />
          </label>
          <label className="flex flex-col gap-1">
            Password
            <input
              type="password"
              required
              autoComplete="current-password"
              value={password}
              onChange={(e) => setPassword(e.target.value)}
              className="rounded border border-ink-3 bg-paper px-3 py-2"
            />
          </label>
          {code !== null && <CodeField code={code} onCode={setCode} />}
          <Button strong type="submit" disabled={busy} className="justify-center py-2">
            Sign in
          </Button>
          {passkeysHere() === 'yes' && (
            <Button disabled={busy} className="justify-center py-2" onClick={() => void byPasskey()}>
              Sign in with a passkey
            </Button>
          )}
        </form>
        {error !== null && <Fault error={error} />}
        {begin?.mail && <Forgotten email={email} />}
        {begin?.open && (
          <p className="mt-5 text-ink-2">
            New here?{' '}
            <Link to="/begin" className="text-ink underline underline-offset-2">
              Make an outfit of your own
            </Link>
          </p>
        )}
      </div>
      {begin?.demo && !demo && (
        <div className="self-center">
          <LookRound at={begin.demo} />
        </div>
      )}
      {demo && (
        <DemoSignIns
          demo={demo}
          onChoose={(who, word) => {
            setEmail(who);
            setPassword(word);
          }}
        />
      )}
    </main>
  );
}

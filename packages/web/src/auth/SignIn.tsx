import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { Link, Navigate, useLocation, useNavigate } from 'react-router';
import { LookRound } from '../begin/LookRound';
import { beginQuery } from '../begin/queries';
import type { PasskeyAsked } from '@bluffwind/contract/passkeys';
import { ApiProblem, post } from '../data/api';
import { passkeysHere } from '../data/passkeysHere';
import { Button, Fault } from '../ui/parts';
import { Forgotten } from './Forgotten';
import { demoQuery } from './queries';

export function SignIn() {
  const { data: demo } = useQuery(demoQuery);
  const { data: begin } = useQuery(beginQuery);
  const navigate = useNavigate();
  const location = useLocation();
  const queries = useQueryClient();
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [error, setError] = useState<unknown>(null);
  const [busy, setBusy] = useState(false);
  /** Null until a code is asked for. */
  const [code, setCode] = useState<string | null>(null);

  async function submit(e: FormEvent) {
    e.preventDefault();
    setBusy(true);
    setError(null);
    try {
      await post('/sign-in', { email, password, ...(code === null ? {} : { code }) });
      queries.clear();
      navigate((location.state as { from?: string } | null)?.from ?? '/', { replace: true });
    } catch (problem) {
      const asked = problem instanceof ApiProblem && problem.body.code === 'code_needed';
      if (asked && code === null) setCode('');
      else setError(problem);
    } finally {
      setBusy(false);
    }
  }

  async function byPasskey() {
    setBusy(true);
    setError(null);
    try {
      const { options } = await post<PasskeyAsked>('/sign-in/passkey/begin');
      const { startAuthentication } = await import('@simplewebauthn/browser');
      let answer: unknown;
      try {
        answer = await startAuthentication({ optionsJSON: options as never });
      } catch {
        // Left or not unlocked: the password is still there to be typed.
        return;
      }
      await post('/sign-in/passkey', { answer });
      queries.clear();
      navigate((location.state as { from?: string } | null)?.from ?? '/', { replace: true });
    } catch (problem) {
      setError(problem);
    } finally {
      setBusy(false);
    }
  }

  if (begin?.open && begin.empty) return <Navigate to="/begin" replace />;
  return (
    <main className="mx-auto grid min-h-dvh max-w-[880px] content-center gap-x-16 gap-y-8 px-6 py-10 md:grid-cols-[1fr_1.1fr]">
      <div>
        <img src="/icon.svg" alt="" className="mb-4 h-14 w-14" />
        <h1 className="text-[1.9rem] leading-tight font-bold">Bluffwind</h1>
        <p className="mt-2 max-w-[34ch] text-ink-2">
          Tomorrow's spots, baits and hours, from the water and from what your crew has caught, the empty hours counted.
        </p>
        <form onSubmit={submit} className="mt-6 flex max-w-[320px] flex-col gap-3">
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
          {code !== null && (
            <div className="flex flex-col gap-1">
              <label htmlFor="code">Code</label>
              <input
                id="code"
                required
                // It is what is asked for now: the form has just been sent with all that stands above it.
                // biome-ignore lint/a11y/noAutofocus: the one field that came up
                autoFocus
                autoComplete="one-time-code"
                maxLength={40}
                value={code}
                onChange={(e) => setCode(e.target.value)}
                className="rounded border border-ink-3 bg-paper px-3 py-2 font-mono tracking-widest"
                aria-describedby="code-help"
              />
              <span id="code-help" className="text-[0.87rem] text-ink-2">
                The six figures that your authenticator shows now, or one of the codes that you wrote down.
              </span>
            </div>
          )}
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
        <section className="self-center border-l border-line pl-8" aria-label="Demo sign-ins">
          <h2 className="font-bold">This is the demo</h2>
          <p className="mb-3 text-ink-2">An invented crew on an invented water. Choose who to be; the password is filled in.</p>
          <ul>
            {demo.signIns.map((s) => (
              <li key={s.email} className="border-t border-line">
                <button
                  type="button"
                  className="flex w-full cursor-pointer justify-between gap-4 py-2 text-left hover:text-kelp"
                  onClick={() => {
                    setEmail(s.email);
                    setPassword(demo.password);
                  }}
                >
                  <span>
                    <b>{s.name}</b>
                    <br />
                    <span className="text-ink-2">{s.outfit}</span>
                  </span>
                  <span className="text-ink-2">{s.role}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </main>
  );
}

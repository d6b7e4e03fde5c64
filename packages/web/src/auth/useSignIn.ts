import type { PasskeyAsked } from '@bluffwind/contract/passkeys';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { ApiProblem, post } from '../data/api';

/** What somebody who left the browser's own question, or did not unlock, has answered. */
const LEFT = Symbol('left');

/** Signs in by password, with a code where one is asked for, or by passkey, and goes on to where the person was going. */
export function useSignIn() {
  const navigate = useNavigate();
  const location = useLocation();
  const queries = useQueryClient();
  const [error, setError] = useState<unknown>(null);
  const [busy, setBusy] = useState(false);
  /** Null until a code is asked for. */
  const [code, setCode] = useState<string | null>(null);

  async function enter(send: () => Promise<unknown>) {
    setBusy(true);
    setError(null);
    try {
      if ((await send()) === LEFT) return;
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

  const byPassword = (email: string, password: string) =>
    enter(() => post('/sign-in', { email, password, ...(code === null ? {} : { code }) }));

  const byPasskey = () =>
    enter(async () => {
      const { options } = await post<PasskeyAsked>('/sign-in/passkey/begin');
      const { startAuthentication } = await import('@simplewebauthn/browser');
      // Left or not unlocked: the password is still there to be typed.
      const answer = await startAuthentication({ optionsJSON: options as never }).catch(() => LEFT);
      return answer === LEFT ? LEFT : post('/sign-in/passkey', { answer });
    });

  return { error, busy, code, setCode, byPassword, byPasskey };
}

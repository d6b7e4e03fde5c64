import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Fault } from '../ui/parts';

/** A way to a new password for who has forgotten his: a letter, if there is such an account. Nobody learns here whether there is. */
export function Forgotten({ email }: { email: string }) {
  const saving = useSave<string>({ send: (address) => post('/password/forgotten', { email: address }), touches: [] });
  const sent = saving.sentOnce;
  if (sent)
    return (
      <p role="status" className="mt-3 border-l-4 border-kelp bg-kelp-pale px-3 py-2">
        If there is an account with {sent}, a letter with a link is on its way. The link holds for an hour.
      </p>
    );
  return (
    <>
      <button
        type="button"
        className="mt-3 min-h-7 cursor-pointer underline underline-offset-2 disabled:cursor-default disabled:text-ink-2 max-md:min-h-11"
        disabled={saving.busy || !email.includes('@')}
        onClick={() => saving.save(email)}
      >
        {email.includes('@') ? 'Send me a link to a new password' : 'Forgotten it? Type your e-mail above'}
      </button>
      {saving.error !== null && <Fault error={saving.error} />}
    </>
  );
}

import type { InvitationView } from '@bluffwind/contract/begin';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { TextField } from '../ui/form/fields';
import { Fault, Waiting } from '../ui/parts';
import { PasswordField } from './PasswordField';

interface Typed {
  readonly name: string;
  readonly password: string;
}

/** Whom an invitation asks in; its key stands behind the # of the address, which no server and no other page is told. */
export function ComeIn() {
  const token = window.location.hash.slice(1);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const invitation = useQuery({
    queryKey: ['invitation', token],
    queryFn: () => post<InvitationView>('/invitation/look', { token }),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const saving = useSave<Typed, { signedIn: boolean }>({
    send: (typed) => post('/invitation/take', { token, ...typed }),
    touches: [],
    onStored: ({ signedIn }) => {
      queries.clear();
      // Who is asked for a code signs in with it.
      navigate(signedIn ? '/' : '/sign-in', { replace: true });
    },
  });
  const i = invitation.data;
  return (
    <main className="mx-auto grid min-h-dvh max-w-[420px] content-center px-6 py-10">
      {invitation.isPending && <Waiting what="Reading the invitation" />}
      {invitation.error && (
        <>
          <h1 className="text-[1.7rem] leading-tight font-bold">An invitation</h1>
          <Fault error={invitation.error} />
        </>
      )}
      {i && (
        <>
          <h1 className="text-[1.7rem] leading-tight font-bold">{i.again ? 'A new password' : `Come aboard ${i.outfit}`}</h1>
          <p className="mt-1 mb-4 text-ink-2">
            {i.again
              ? `For ${i.name}, ${i.email}, of ${i.outfit}. Wherever you were signed in you are signed out.`
              : `You are asked in as ${i.role === 'owner' ? 'an owner' : `a ${i.role}`}. You sign in with ${i.email}.`}
          </p>
          <Entry<Typed>
            values={{ name: i.name, password: '' }}
            saving={saving}
            onSave={saving.save}
            onLeave={() => navigate('/sign-in')}
            store="Come in"
          >
            <TextField name="name" label="Your name" required maxLength={80} />
            <PasswordField name="password" label={i.again ? 'New password' : 'Password'} />
          </Entry>
        </>
      )}
    </main>
  );
}

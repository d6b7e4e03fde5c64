import type { PersonView } from '@bluffwind/contract/people';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { useSendKey } from '../data/useSendKey';
import { useAsk } from '../ui/Ask';
import { Button, Fault } from '../ui/parts';
import type { Invited } from './InviteDialog';

interface RowProps {
  readonly person: PersonView;
  readonly isMe: boolean;
  readonly onChange: () => void;
  readonly onPapers: () => void;
  /** A link was made that gives a new password. */
  readonly onLink: (link: Invited) => void;
}

/** A person as the owner sees one, with what the owner may do. */
export function PersonRow({ person: p, isMe, onChange, onPapers, onLink }: RowProps) {
  const [ask, question] = useAsk();
  const key = useSendKey();
  const again = useSave<PersonView, { token: string }>({
    send: (p) => post('/invitations', { id: key.of(p.id), personId: p.id, name: p.name, email: p.email, role: p.role }),
    touches: [['invitations']],
    onStored: ({ token }, p) => {
      key.stored();
      onLink({ name: p.name, token, again: true });
    },
  });
  const codeOff = useSave<PersonView>({
    send: (p) => post(`/people/${p.id}/second-factor/end`),
    touches: [['people']],
    told: (_, p) => `${p.name} is asked for no code any more.`,
  });
  return (
    <li
      data-person={p.name}
      className={`flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2 ${p.active ? '' : 'text-ink-2'}`}
    >
      <span className="min-w-[min(100%,14rem)] flex-1 break-words">
        <b>{p.name}</b> · {p.active ? p.role : 'left'}
        <span className="block truncate text-[0.87rem] text-ink-2">
          {p.email}
          {p.tripsAhead > 0 ? ` · ${p.tripsAhead} ${p.tripsAhead === 1 ? 'trip' : 'trips'} ahead` : ''}
          {p.asksForCode ? ' · signs in with a code' : ''}
        </span>
      </span>
      <span className="flex flex-wrap gap-2">
        {p.active && (
          <Button onClick={onPapers} aria-label={`Papers and days away of ${p.name}`}>
            Papers
          </Button>
        )}
        <Button onClick={onChange} aria-label={`Change ${p.name}`}>
          Change
        </Button>
        {p.asksForCode && !isMe && (
          <Button
            disabled={codeOff.busy}
            aria-label={`No code for ${p.name}`}
            onClick={() =>
              ask({
                title: `Ask ${p.name} for no code?`,
                text: `For a phone that is lost. The password alone lets ${p.name} in until another authenticator is set up.`,
                yes: 'Ask for none',
                act: () => codeOff.save(p),
              })
            }
          >
            No code
          </Button>
        )}
        {p.active && (
          <Button
            disabled={again.busy}
            aria-label={`New password for ${p.name}`}
            onClick={() =>
              ask({
                title: `A new password for ${p.name}?`,
                text: `You are given a link to hand over. Whoever opens it sets a new password, and ${p.name} is signed out everywhere.`,
                yes: 'Make the link',
                act: () => again.save(p),
              })
            }
          >
            New password
          </Button>
        )}
      </span>
      {question}
      {again.error !== null && <Fault error={again.error} />}
      {codeOff.error !== null && <Fault error={codeOff.error} />}
    </li>
  );
}

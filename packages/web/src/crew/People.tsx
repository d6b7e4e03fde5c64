import type { PersonView } from '@bluffwind/contract/people';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { post } from '../data/api';
import { meQuery, outfitQuery } from '../data/queries';
import { useSave } from '../data/useSave';
import { useSendKey } from '../data/useSendKey';
import { dayName } from '../ui/format';
import { Button, Fault, Waiting } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { useAsk } from '../ui/Ask';
import { InviteDialog, type Invited } from './InviteDialog';
import { LinkOnce } from './LinkOnce';
import { PersonDialog } from './PersonDialog';
import { invitationsQuery, peopleQuery } from './queries';

const Papers = lazy(() => import('./Papers').then((m) => ({ default: m.Papers })));

/** Who the crew is. The owner asks people in, changes what they may do, and gives a way to a new password. */
export function People({ zone }: { zone: string }) {
  const { data: me } = useQuery(meQuery);
  if (me?.role === 'owner') return <OwnersList zone={zone} />;
  return <PlainList />;
}

function PlainList() {
  const { data: outfit } = useQuery(outfitQuery);
  return (
    <ul className="max-w-[560px]">
      {outfit?.crew.map((p) => (
        <li key={p.id} className="flex justify-between gap-3 border-t border-line py-1.5">
          <span>{p.name}</span>
          <span className="text-ink-2">{p.role}</span>
        </li>
      ))}
    </ul>
  );
}

function OwnersList({ zone }: { zone: string }) {
  const { data: me } = useQuery(meQuery);
  const people = useQuery(peopleQuery);
  const invitations = useQuery(invitationsQuery);
  const [inviting, setInviting] = useState(false);
  const [person, setPerson] = useState<PersonView | null>(null);
  const [papers, setPapers] = useState<PersonView | null>(null);
  const [link, setLink] = useState<Invited | null>(null);
  const [ask, question] = useAsk();
  const withdraw = useSave<string>({
    send: (id) => post(`/invitations/${id}/withdraw`),
    touches: [['invitations']],
    told: 'The invitation does not hold any more.',
  });
  const key = useSendKey();
  const again = useSave<PersonView, { token: string }>({
    send: (p) => post('/invitations', { id: key.of(p.id), personId: p.id, name: p.name, email: p.email, role: p.role }),
    touches: [['invitations']],
    onStored: ({ token }, p) => {
      key.stored();
      setLink({ name: p.name, token, again: true });
    },
  });
  const codeOff = useSave<PersonView>({
    send: (p) => post(`/people/${p.id}/second-factor/end`),
    touches: [['people']],
    told: (_, p) => `${p.name} is asked for no code any more.`,
  });
  if (people.isPending) return <Waiting what="Asking the server" />;
  if (!people.data) return <Fault error={people.error} retry={() => void people.refetch()} />;
  return (
    <div className="max-w-[760px]">
      {question}
      <Button strong onClick={() => setInviting(true)} className="mb-3">
        Ask somebody in
      </Button>
      {again.error !== null && <Fault error={again.error} />}
      {codeOff.error !== null && <Fault error={codeOff.error} />}
      <ul>
        {people.data.map((p) => (
          <li
            key={p.id}
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
                <Button onClick={() => setPapers(p)} aria-label={`Papers and days away of ${p.name}`}>
                  Papers
                </Button>
              )}
              <Button onClick={() => setPerson(p)} aria-label={`Change ${p.name}`}>
                Change
              </Button>
              {p.asksForCode && p.id !== me?.id && (
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
          </li>
        ))}
      </ul>
      {(invitations.data?.length ?? 0) > 0 && (
        <>
          <h2 className="mt-5 font-bold">Asked in, not here yet</h2>
          <ul>
            {invitations.data?.map((i) => (
              <li key={i.id} className="flex flex-wrap items-center gap-x-4 border-t border-line py-2">
                <span className="min-w-[min(100%,14rem)] flex-1 break-words">
                  {i.name}, {i.again ? 'for a new password' : `as ${i.role}`}
                  <span className="block truncate text-[0.87rem] text-ink-2">
                    {i.email} · holds until {dayName(i.expiresAt, zone)}
                  </span>
                </span>
                <Button onClick={() => withdraw.save(i.id)} disabled={withdraw.busy} aria-label={`Withdraw the invitation of ${i.name}`}>
                  Withdraw
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
      <InviteDialog open={inviting} onClose={() => setInviting(false)} onMade={setLink} />
      <Sheet
        open={papers !== null}
        title={papers?.name ?? ''}
        note="What ends some day is told two months before, on the Board. Who is away is down for no trip on those days."
        onClose={() => setPapers(null)}
      >
        {papers && (
          <Suspense fallback={<Waiting what="Opening" />}>
            <Papers personId={papers.id} />
          </Suspense>
        )}
      </Sheet>
      <PersonDialog person={person} onClose={() => setPerson(null)} />
      <LinkOnce invited={link} onClose={() => setLink(null)} />
    </div>
  );
}

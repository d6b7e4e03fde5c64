import type { PersonView } from '@bluffwind/contract/people';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { meQuery, outfitQuery } from '../data/queries';
import { Button, Fault, Waiting } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { InviteDialog, type Invited } from './InviteDialog';
import { InvitationList } from './InvitationList';
import { LinkOnce } from './LinkOnce';
import { PersonDialog } from './PersonDialog';
import { PersonRow } from './PersonRow';
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
  if (people.isPending) return <Waiting what="Asking the server" />;
  if (!people.data) return <Fault error={people.error} retry={() => void people.refetch()} />;
  return (
    <div className="max-w-[760px]">
      <Button strong onClick={() => setInviting(true)} className="mb-3">
        Ask somebody in
      </Button>
      <ul>
        {people.data.map((p) => (
          <PersonRow
            key={p.id}
            person={p}
            isMe={p.id === me?.id}
            onChange={() => setPerson(p)}
            onPapers={() => setPapers(p)}
            onLink={setLink}
          />
        ))}
      </ul>
      {(invitations.data?.length ?? 0) > 0 && (
        <>
          <h2 className="mt-5 font-bold">Asked in, not here yet</h2>
          <InvitationList invitations={invitations.data ?? []} zone={zone} />
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

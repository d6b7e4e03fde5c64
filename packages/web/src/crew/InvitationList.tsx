import type { InvitationRow } from '@bluffwind/contract/people';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { dayName } from '../ui/format';
import { Button, Fault } from '../ui/parts';

/** Who was asked in and is not here yet; an invitation can be taken back. */
export function InvitationList({ invitations, zone }: { invitations: readonly InvitationRow[]; zone: string }) {
  const withdraw = useSave<string>({
    send: (id) => post(`/invitations/${id}/withdraw`),
    touches: [['invitations']],
    told: 'The invitation does not hold any more.',
  });
  return (
    <>
      <ul>
        {invitations.map((i) => (
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
      {withdraw.error !== null && <Fault error={withdraw.error} />}
    </>
  );
}

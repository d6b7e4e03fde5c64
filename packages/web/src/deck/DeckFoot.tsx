import type { ReactNode } from 'react';
import type { StoredEntry } from '../offline/store';

/** The bottom of the phone's page: what was refused, the buttons, and what is still only on this phone. */
export function DeckFoot({ entries, online, children }: { entries: readonly StoredEntry[]; online: boolean; children?: ReactNode }) {
  const waiting = entries.filter((e) => e.state === 'on this phone').length;
  const refused = entries.filter((e) => e.state === 'refused');
  return (
    <div className="mt-auto flex flex-col gap-2.5 pt-3">
      {refused.length > 0 && (
        <div role="alert" className="border-l-4 border-rust bg-rust-pale px-3 py-2 text-[0.87rem]">
          {refused.map((r) => (
            <p key={r.entryId}>Not taken, kept on this phone: {r.message.replace(/^at: /, '')}.</p>
          ))}
        </div>
      )}
      {children}
      <p className="flex items-center gap-2 text-[0.83rem] text-ink-2" role="status">
        <span
          aria-hidden="true"
          className={`inline-block h-3 w-3 rounded-full border-2 ${online ? 'border-kelp' : 'border-rust'} ${waiting === 0 && online ? 'bg-kelp' : ''}`}
        />
        {sending(entries.length - waiting - refused.length, waiting, online)}
      </p>
    </div>
  );
}

function sending(sent: number, waiting: number, online: boolean): string {
  if (!online) return `No signal. ${waiting} ${waiting === 1 ? 'entry' : 'entries'} on this phone, safe.`;
  if (waiting > 0) return `Sending ${waiting}.`;
  if (sent === 0) return 'On line. Nothing to send.';
  return sent === 1 ? 'One entry is with the crew.' : `All ${sent} entries are with the crew.`;
}

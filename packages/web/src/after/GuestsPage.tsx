import type { NewReport, ReportDraft } from '@bluffwind/contract/report';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { post } from '../data/api';
import { failedOf } from '../data/failedOf';
import { useSave } from '../data/useSave';
import { useTyped } from '../data/useTyped';
import { FIELD } from '../ui/form/fields';
import { clock, dayName } from '../ui/format';
import { Button, Fault, Waiting } from '../ui/parts';
import { PhotoPicks } from './PhotoPicks';
import { reportQuery } from './queries';

const SPANS = [
  [14, 'two weeks'],
  [60, 'two months'],
  [365, 'a year'],
] as const;

/** What the guests get: text, photos, and an address that can be ended. */
export function GuestsPage({ tripId, zone }: { tripId: string; zone: string }) {
  const draft = useQuery(reportQuery(tripId));
  if (failedOf(draft)) return <Fault error={draft.error} retry={() => draft.refetch()} />;
  if (!draft.data) return <Waiting what="Drafting the page" />;
  return <Writing tripId={tripId} draft={draft.data} zone={zone} />;
}

function Writing({ tripId, draft, zone }: { tripId: string; draft: ReportDraft; zone: string }) {
  const [written, setWritten, drop] = useTyped(`guests page ${tripId}`, {
    text: draft.body.text,
    learned: draft.body.learned,
    picked: draft.body.photos as readonly string[],
  });
  const { text, learned, picked } = written;
  const write = (more: Partial<typeof written>) => setWritten({ ...written, ...more });
  const [days, setDays] = useState<number>(60);
  const [address, setAddress] = useState<string | null>(null);
  const sending = useSave<NewReport, { path: string }>({
    send: (body) => post(`/trips/${tripId}/report`, body),
    touches: [['report', tripId]],
    onStored: ({ path }) => setAddress(`${location.origin}${path}`),
    onRead: drop,
  });
  const ending = useSave<null>({
    send: () => post(`/trips/${tripId}/report/end`),
    touches: [['report', tripId]],
    told: 'The address opens nothing more.',
    onStored: () => setAddress(null),
  });
  const { sent } = draft;
  return (
    <>
      <p className="text-ink-2">
        Tally, sizes, the tide’s line and the weather are put in by themselves. Nothing on it says where: no spot, no position, no bearing,
        and photos carry none.
      </p>
      <label className="mt-2 block">
        To the party
        <textarea
          className={`${FIELD} block w-full`}
          rows={9}
          maxLength={3000}
          value={text}
          aria-invalid={sending.fault('text') !== undefined}
          onChange={(e) => write({ text: e.target.value })}
        />
      </label>
      {sending.fault('text') && (
        <p role="alert" className="text-[0.87rem] text-rust">
          Say it {sending.fault('text')}.
        </p>
      )}
      <label className="mt-2 block">
        What they learned
        <textarea
          className={`${FIELD} block w-full`}
          rows={2}
          maxLength={1000}
          value={learned}
          aria-invalid={sending.fault('learned') !== undefined}
          onChange={(e) => write({ learned: e.target.value })}
        />
      </label>
      <PhotoPicks tripId={tripId} zone={zone} picked={picked} onPick={(next) => write({ picked: next })} />
      <fieldset className="mt-2 flex flex-wrap items-center gap-x-4">
        <legend className="float-left mr-3">Opens for</legend>
        {SPANS.map(([n, word]) => (
          <label key={n} className="flex cursor-pointer items-center gap-1.5 max-md:min-h-11">
            <input type="radio" name="days" className="h-5 w-5 accent-kelp" checked={days === n} onChange={() => setDays(n)} /> {word}
          </label>
        ))}
      </fieldset>
      {sending.error !== null && sending.fault('text') === undefined && <Fault error={sending.error} />}
      {ending.error !== null && <Fault error={ending.error} />}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button
          strong
          disabled={sending.busy || text.trim() === ''}
          onClick={() => sending.save({ id: v7(), text, learned, photoIds: [...picked], days })}
        >
          {sent ? 'Make it anew' : 'Make the page'}
        </Button>
        {sent && (
          <Button disabled={ending.busy} onClick={() => ending.save(null)}>
            End its address
          </Button>
        )}
      </div>
      {address && (
        <p role="status" data-address className="mt-2 border-l-4 border-kelp bg-kelp-pale px-3 py-2 break-all">
          Send this to the party; it is shown once:{' '}
          <a href={address} target="_blank" rel="noreferrer">
            {address}
          </a>
          <Button className="mt-1 block" onClick={() => void navigator.clipboard?.writeText(address)}>
            Copy it
          </Button>
        </p>
      )}
      {sent && !address && (
        <p className="mt-2 text-ink-2">
          A page is out since {dayName(sent.at, zone)} {clock(sent.at, zone)}, {sent.opened ? 'and was opened' : 'not opened yet'}; it ends
          on {dayName(sent.expiresAt, zone)}. Made anew, it gets a new address and the old one ends.
        </p>
      )}
    </>
  );
}

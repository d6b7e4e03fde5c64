import type { BriefWords } from '@bluffwind/contract/brief';
import { useId } from 'react';
import { post } from '../data/api';
import { useSave } from '../data/useSave';
import { useTyped } from '../data/useTyped';
import { Button, Fault } from '../ui/parts';

/** What a captain adds to the brief: to everybody, or to one boat. Others read it. */
export function Words({
  date,
  tripId,
  text,
  name,
  may,
}: {
  date: string;
  tripId: string | null;
  text: string | undefined;
  name: string;
  may: boolean;
}) {
  const id = useId();
  const [typed, setTyped, drop] = useTyped<string | null>(`words ${date} ${tripId ?? 'all'}`, null);
  const saving = useSave<BriefWords>({
    send: (words) => post(`/brief/${date}/words`, words),
    touches: [['brief', date]],
    told: (_, { text: sent }) => (sent === '' ? 'Taken away.' : 'Added to the brief.'),
    onRead: drop,
  });
  const stands = text ?? '';
  if (typed === null)
    return (
      <div className="flex items-start gap-2 py-1" data-words={name}>
        {stands !== '' && <p className="border-l-4 border-kelp px-3 whitespace-pre-line">{stands}</p>}
        {may && (
          <button
            type="button"
            className="no-print min-h-7 cursor-pointer text-[0.9rem] whitespace-nowrap underline underline-offset-2 max-md:min-h-11"
            onClick={() => setTyped(stands)}
          >
            {stands === '' ? `Write ${name.replace(/^To/, 'to')}` : 'Change'}
          </button>
        )}
      </div>
    );
  return (
    <form
      className="my-2"
      onSubmit={(e) => {
        e.preventDefault();
        saving.save({ tripId, text: typed.trim() });
      }}
    >
      <label htmlFor={id} className="block text-[0.9rem] font-semibold">
        {name}
      </label>
      <textarea
        id={id}
        // biome-ignore lint/a11y/noAutofocus: the button that opened it is gone, and the focus with it
        autoFocus
        rows={3}
        maxLength={2000}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        className="w-full rounded border border-ink-2 bg-paper p-2"
      />
      {saving.error !== null && <Fault error={saving.error} />}
      <div className="flex gap-2">
        <Button strong type="submit" disabled={saving.busy}>
          {saving.busy ? 'Saving' : 'Save'}
        </Button>
        <Button onClick={drop}>Leave it</Button>
      </div>
    </form>
  );
}

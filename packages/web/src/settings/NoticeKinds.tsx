import { useState } from 'react';
import { mySettings } from '../data/settings';
import { Fault } from '../ui/parts';
import { useOwnSettings } from './useOwnSettings';

const KINDS = [
  { kind: 'overdue', words: 'A boat is overdue, and when it is back' },
  { kind: 'brief', words: 'The brief, when it goes out for a day on which I go out' },
] as const;

/** What this person is told of, by mail or on his devices. */
export function NoticeKinds({ channel }: { channel: 'mail' | 'push' }) {
  const saving = useOwnSettings();
  const [wanted, setWanted] = useState(mySettings()[channel]);
  const on = saving.error === null ? wanted : mySettings()[channel];
  return (
    <>
      {KINDS.map(({ kind, words }) => (
        <label key={kind} className="flex min-h-7 items-center gap-2 max-md:min-h-11">
          <input
            type="checkbox"
            checked={on[kind]}
            onChange={(e) => {
              const next = { ...wanted, [kind]: e.target.checked };
              setWanted(next);
              saving.save({ [channel]: next });
            }}
          />{' '}
          {words}
        </label>
      ))}
      {saving.error !== null && <Fault error={saving.error} />}
    </>
  );
}

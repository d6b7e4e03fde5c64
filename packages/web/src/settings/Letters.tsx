import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { meQuery } from '../data/queries';
import { mySettings } from '../data/settings';
import { Fault } from '../ui/parts';
import { useOwnSettings } from './useOwnSettings';

const KINDS = [
  { kind: 'overdue', words: 'A boat is overdue, and when it is back' },
  { kind: 'brief', words: 'The brief, when it goes out for a day on which I go out' },
] as const;

/** What is written to this person by mail; nothing is shown where no mail is sent. */
export function Letters() {
  const { data: me } = useQuery(meQuery);
  const saving = useOwnSettings();
  const [wanted, setWanted] = useState(mySettings().mail);
  const on = saving.error === null ? wanted : mySettings().mail;
  if (!me?.mail) return null;
  return (
    <section>
      <h2 className="mb-1 font-bold">By mail</h2>
      {KINDS.map(({ kind, words }) => (
        <label key={kind} className="flex min-h-7 items-center gap-2 max-md:min-h-11">
          <input
            type="checkbox"
            checked={on[kind]}
            onChange={(e) => {
              const mail = { ...wanted, [kind]: e.target.checked };
              setWanted(mail);
              saving.save({ mail });
            }}
          />{' '}
          {words}
        </label>
      ))}
      {saving.error !== null && <Fault error={saving.error} />}
    </section>
  );
}

import type { DebriefEdit } from '@bluffwind/contract/debrief';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { FIELD } from '../ui/form/fields';
import { Button } from '../ui/parts';

interface LostProps {
  readonly lost: DebriefEdit['lost'];
  /** Names in the boxes and of baits, offered while one is typed. */
  readonly tackle: readonly string[];
  /** Nothing can be changed any more. */
  readonly shut: boolean;
  readonly onChange: (lost: DebriefEdit['lost']) => void;
}

/** What was lost on the day, counted by name. */
export function GearLost({ lost, tackle, shut, onChange }: LostProps) {
  const [what, setWhat] = useState('');
  const add = () => {
    const name = what.trim();
    if (name === '') return;
    onChange([...lost.filter((l) => l.what !== name), { what: name, number: (lost.find((l) => l.what === name)?.number ?? 0) + 1 }]);
    setWhat('');
  };
  return (
    <div className="mt-3">
      <span>Gear lost</span>{' '}
      <span className="text-[0.9rem] text-ink-2">
        by its name in the boxes, so that the stock follows when the day is signed off; a bait by its name, so that its spares do
      </span>
      <ul className="flex flex-wrap gap-2">
        {lost.map((l) => (
          <li key={l.what} className="flex items-center gap-1 rounded bg-sand px-2 py-0.5">
            <span className="num">{l.number}</span> {l.what}
            {!shut && (
              <button
                type="button"
                aria-label={`Take ${l.what} off the list`}
                className="cursor-pointer p-1"
                onClick={() => onChange(lost.filter((x) => x.what !== l.what))}
              >
                <X size={14} aria-hidden="true" />
              </button>
            )}
          </li>
        ))}
      </ul>
      {!shut && (
        <form
          className="mt-1 flex gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            add();
          }}
        >
          <input
            aria-label="What was lost"
            className={`${FIELD} flex-1`}
            maxLength={60}
            placeholder="28 g jig head"
            list="tackle"
            value={what}
            onChange={(e) => setWhat(e.target.value)}
          />
          <datalist id="tackle">
            {tackle.map((name) => (
              <option key={name} value={name} />
            ))}
          </datalist>
          <Button onClick={add} disabled={what.trim() === ''}>
            <Plus size={16} aria-hidden="true" /> One
          </Button>
        </form>
      )}
    </div>
  );
}

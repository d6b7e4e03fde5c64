import { useMemo } from 'react';
import { amount, words } from '../data/units';
import { clock, fish } from '../ui/format';
import { BIG } from './deckParts';
import { triggersNow } from './triggersNow';
import type { DeckTrip } from './useDeckTrip';

interface TriggersProps {
  readonly trip: DeckTrip;
  readonly now: number;
  /** Only what has come true. */
  readonly crossedOnly?: boolean;
  readonly onLay: () => void;
}

/** What would change the day, each with its sentence; what has come true offers the rest of the day, and forces nothing. */
export function Triggers({ trip: { pack, takenRest }, now, crossedOnly = false, onLay }: TriggersProps) {
  // The wind of an hour does not change from one second to the next.
  const minute = Math.floor(now / 60_000) * 60_000;
  const all = useMemo(() => triggersNow(pack, minute), [pack, minute]);
  // A rest that was taken is laid for what has come true.
  const crossed = takenRest ? [] : all.filter((t) => t.crossed !== null);
  return (
    <>
      {crossed.map((t) => (
        <div key={t.sentence} role="status" data-crossed className="mt-2 border-l-4 border-rust bg-rust-pale px-3 py-2">
          <b>
            Wind {amount(t.crossed?.mps ?? 0, 'wind', 1)} at {clock(t.crossed?.atMs ?? 0, pack.zone)}.
          </b>{' '}
          {words(t.sentence)} Worth about {fish(t.worth)} fish.
          <button type="button" className={`${BIG} mt-2 block w-full border-ink font-normal`} onClick={onLay}>
            See the rest of the day laid anew
          </button>
        </div>
      ))}
      {!crossedOnly && all.length > crossed.length && (
        <div className="mt-2 text-[0.93rem]" data-watched>
          <p className="text-ink-2">What would change the day:</p>
          <ul>
            {all
              .filter((t) => !crossed.includes(t))
              .map((t) => (
                <li key={t.sentence}>{words(t.sentence)}</li>
              ))}
          </ul>
        </div>
      )}
    </>
  );
}

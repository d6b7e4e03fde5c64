import { faultOfArms, MOST_ARMS, TRIED, type Tried } from '@bluffwind/contract/trialKinds';
import { useState } from 'react';
import { armTyped, leaderKept } from '../data/armWords';
import { myUnit } from '../data/units';
import { Segments } from '../ui/Segments';
import { BIG } from './deckParts';
import { DeckSheet } from './DeckSheet';
import type { DeckTrip } from './useDeckTrip';

const NAMES: Record<Tried, string> = { leader: 'Leaders', hook: 'Hooks', lure: 'Lures' };

/** What is compared on this trip: the rods of a bait are divided among it whenever lines go in. */
export default function TrialSheet({ trip, onClose }: { trip: DeckTrip; onClose: () => void }) {
  const running = trip.state.trial;
  const [what, setWhat] = useState<Tried>(running?.what ?? 'leader');
  const [arms, setArms] = useState<readonly string[]>(running ? running.arms.map(armTyped) : ['', '']);
  const [fault, setFault] = useState('');
  const { rods } = trip.pack.trip;
  const begin = () => {
    const named = arms.filter((a) => a.trim() !== '').map((a) => (what === 'leader' ? leaderKept(a) : a.trim()));
    const wrong = faultOfArms(named);
    if (wrong !== '') return setFault(`${wrong.replace(/^./, (c) => c.toUpperCase())}.`);
    if (rods < named.length) return setFault(`${named.length} of them want as many rods; this trip fishes ${rods}.`);
    trip.record({ kind: 'trial', trial: { what, arms: named } });
    onClose();
  };
  return (
    <DeckSheet
      title="Compare on the rods"
      note="From the next lines in, the rods of a bait are divided among these. Tap the rods that had the bite before you log it, misses too: the Log says which lands more, and how sure that is."
      close="Close"
      onClose={onClose}
    >
      <div className="my-3 [&_button]:min-h-[56px]">
        <Segments label="What is compared" value={what} options={TRIED.map((value) => ({ value, name: NAMES[value] }))} onPick={setWhat} />
      </div>
      {arms.map((arm, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the fields have no other name than their place
        <label key={i} className="mb-2 flex items-center gap-2">
          <span className="w-16">{i + 1}</span>
          <input
            value={arm}
            inputMode={what === 'leader' ? 'decimal' : 'text'}
            aria-label={`Number ${i + 1}`}
            onChange={(e) => {
              setArms(arms.map((a, k) => (k === i ? e.target.value : a)));
              setFault('');
            }}
            className="min-h-[56px] min-w-0 flex-1 rounded border border-ink bg-paper px-3"
          />
          {what === 'leader' && <span className="w-8">{myUnit('weight')}</span>}
        </label>
      ))}
      {fault !== '' && (
        <p role="alert" className="my-2 border-l-4 border-rust bg-rust-pale px-3 py-1.5">
          {fault}
        </p>
      )}
      <div className="mt-3 grid grid-cols-2 gap-2">
        {running ? (
          <button
            type="button"
            className={`${BIG} border-ink font-normal`}
            onClick={() => {
              trip.record({ kind: 'trial', trial: null });
              onClose();
            }}
          >
            End the trial
          </button>
        ) : (
          <button
            type="button"
            disabled={arms.length >= MOST_ARMS}
            className={`${BIG} border-dashed border-ink font-normal disabled:opacity-40`}
            onClick={() => setArms([...arms, ''])}
          >
            One more
          </button>
        )}
        <button type="button" className={`${BIG} border-kelp bg-kelp text-on-kelp`} onClick={begin}>
          {running ? 'Compare these' : 'Begin'}
        </button>
      </div>
    </DeckSheet>
  );
}

import { shortName } from '@bluffwind/core/fish/shortName';
import { BIG } from './deckParts';
import type { Sheet } from './FishSheets';

interface FishKeysProps {
  /** The two that are caught most here. */
  readonly species: readonly { readonly id: string; readonly name: string }[];
  readonly onSheet: (sheet: Sheet) => void;
  readonly onLog: (outcome: 'missed' | 'lost') => void;
  readonly onLeave: () => void;
}

/** What one tap says while the lines are in. */
export function FishKeys({ species, onSheet, onLog, onLeave }: FishKeysProps) {
  return (
    <>
      <p className="text-[0.87rem] text-ink-2">Fish on the boat</p>
      <div className="grid grid-cols-3 gap-2">
        {species.map((s) => (
          <button
            key={s.id}
            type="button"
            className={`${BIG} border-ink bg-paper`}
            onClick={() => onSheet({ kind: 'fish', speciesId: s.id })}
          >
            {shortName(s.name)}
          </button>
        ))}
        <button type="button" className={`${BIG} border-ink bg-paper`} onClick={() => onSheet({ kind: 'other' })}>
          Other
        </button>
        <button type="button" className={`${BIG} border-dashed border-ink font-normal`} onClick={() => onLog('missed')}>
          Missed
        </button>
        <button type="button" className={`${BIG} border-dashed border-ink font-normal`} onClick={() => onLog('lost')}>
          Lost
        </button>
        <button type="button" className={`${BIG} border-dashed border-ink font-normal`} onClick={() => onSheet({ kind: 'sign' })}>
          Saw sign
        </button>
      </div>
      <div className="grid grid-cols-3 gap-2">
        <button type="button" className={`${BIG} border-ink`} onClick={() => onSheet({ kind: 'switch' })}>
          Switch bait
        </button>
        <button type="button" className={`${BIG} border-ink`} onClick={() => onSheet({ kind: 'out' })}>
          Lines out
        </button>
        <button type="button" className={`${BIG} border-kelp bg-kelp text-on-kelp`} onClick={onLeave}>
          Leave spot
        </button>
      </div>
    </>
  );
}

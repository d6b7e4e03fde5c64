import { myUnit } from '../data/units';
import { BIG } from './deckParts';
import { LengthDial } from './LengthDial';

/** Shorter than this no fish is logged, mm. */
const LEAST_MM = 50;
const CHOSEN = 'border-ink bg-ink text-chalk';

interface LengthProps {
  /** Lengths that have a key of their own, in this person's unit. */
  readonly keys: readonly number[];
  readonly lengthMm: number | null;
  /** A length was chosen, or that there is none. */
  readonly measured: boolean;
  readonly onChoose: (lengthMm: number | null) => void;
}

/** How long a fish is: by a key, by the dial, a step up or down; or not measured. */
export function FishLength({ keys, lengthMm, measured, onChoose }: LengthProps) {
  const inches = myUnit('fish') === 'in';
  const unitMm = inches ? 25.4 : 10;
  const [step, stepMm, unitWord] = inches ? ['½', 12.7, 'inch'] : ['1', 10, 'centimetre'];
  return (
    <>
      <div className="grid grid-cols-4 gap-2">
        {keys.map((k) => (
          <button
            key={k}
            type="button"
            aria-pressed={lengthMm === Math.round(k * unitMm)}
            onClick={() => onChoose(Math.round(k * unitMm))}
            className={`${BIG} num ${lengthMm === Math.round(k * unitMm) ? CHOSEN : 'border-ink bg-paper'}`}
          >
            {k}
          </button>
        ))}
      </div>
      <LengthDial
        keys={keys}
        value={lengthMm === null ? null : Math.round(lengthMm / unitMm)}
        onTurn={(v) => onChoose(Math.round(v * unitMm))}
      />
      <div className="mt-2 grid grid-cols-[1fr_1fr_2fr] gap-2">
        <button
          type="button"
          disabled={lengthMm === null}
          onClick={() => onChoose(Math.max(LEAST_MM, Math.round((lengthMm ?? 0) - stepMm)))}
          className={`${BIG} border-ink disabled:opacity-40`}
          aria-label={`−${step} ${unitWord}`}
        >
          −{step}
        </button>
        <button
          type="button"
          disabled={lengthMm === null}
          onClick={() => onChoose(Math.round((lengthMm ?? 0) + stepMm))}
          className={`${BIG} border-ink disabled:opacity-40`}
          aria-label={`+${step} ${unitWord}`}
        >
          +{step}
        </button>
        <button
          type="button"
          aria-pressed={measured && lengthMm === null}
          onClick={() => onChoose(null)}
          className={`${BIG} ${measured && lengthMm === null ? CHOSEN : 'border-dashed border-ink'}`}
        >
          not measured
        </button>
      </div>
    </>
  );
}

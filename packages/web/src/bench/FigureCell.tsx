import type { Measure } from '@bluffwind/core/units/measure';
import { useState } from 'react';
import { fromMine, inMine } from '../data/units';
import { FIELD } from '../ui/form/fields';

interface CellProps {
  readonly label: string;
  /** SI, or a plain number without a measure. */
  readonly value: number;
  readonly measure?: Measure | undefined;
  readonly onChange: (value: number) => void;
}

/** A figure in a row of a sum's table, typed in this person's unit; what is no number is said so, and the figure before it stays. */
export function FigureCell({ label, value, measure, onChange }: CellProps) {
  const [typed, setTyped] = useState(() => String(Number((measure ? inMine(value, measure) : value).toPrecision(4))));
  const [bad, setBad] = useState(false);
  return (
    <>
      <input
        aria-label={label}
        aria-invalid={bad}
        inputMode="decimal"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          const n = Number(e.target.value.replace(',', '.'));
          const isFigure = e.target.value.trim() !== '' && Number.isFinite(n);
          setBad(!isFigure);
          if (isFigure) onChange(measure ? fromMine(n, measure) : n);
        }}
        className={`${FIELD} num w-full text-right text-ink`}
      />
      {bad && (
        <span role="alert" className="block text-[0.87rem] text-rust">
          A number, such as 1.5.
        </span>
      )}
    </>
  );
}

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

/** A figure in a row of a sum's table, typed in this person's unit. */
export function FigureCell({ label, value, measure, onChange }: CellProps) {
  const [typed, setTyped] = useState(() => String(Number((measure ? inMine(value, measure) : value).toPrecision(4))));
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      value={typed}
      onChange={(e) => {
        setTyped(e.target.value);
        const n = Number(e.target.value.replace(',', '.')) || 0;
        onChange(measure ? fromMine(n, measure) : n);
      }}
      className={`${FIELD} num w-full text-right text-ink`}
    />
  );
}

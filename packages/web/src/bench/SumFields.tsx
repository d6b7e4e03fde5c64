import { Slider } from 'radix-ui';
import { useEffect, useId, useState } from 'react';
import { fromMine, inMine, myUnit } from '../data/units';
import { FIELD } from '../ui/form/fields';
import type { SumField } from './sum';

interface SumFieldsProps {
  readonly fields: readonly SumField[];
  readonly values: Readonly<Record<string, number>>;
  readonly onChange: (name: string, value: number) => void;
}

/** Inputs of a sum: typed, or by a slider. */
export function SumFields({ fields, values, onChange }: SumFieldsProps) {
  return (
    <ul>
      {fields.map((f) => (
        <OneField key={f.name} field={f} value={values[f.name] ?? f.usual} onChange={(v) => onChange(f.name, v)} />
      ))}
    </ul>
  );
}

function OneField({ field, value, onChange }: { field: SumField; value: number; onChange: (v: number) => void }) {
  const id = useId();
  const shown = (v: number) => String(Number((field.measure ? inMine(v, field.measure) : v).toPrecision(4)));
  const [typed, setTyped] = useState(shown(value));
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is typed follows the value, not the other way
  useEffect(() => setTyped((old) => (Number(old.replace(',', '.')) === Number(shown(value)) ? old : shown(value))), [value]);
  const unit = field.measure ? myUnit(field.measure) : (field.of ?? '');
  const read = Number(typed.replace(',', '.'));
  const si = field.measure ? fromMine(read, field.measure) : read;
  const bad = typed.trim() === '' || !Number.isFinite(si) || si < field.least - 1e-9 || si > field.most + 1e-9;
  const edge = (v: number) => `${shown(v)}${unit === '' ? '' : ` ${unit}`}`;
  return (
    <li className="border-t border-line py-2 first:border-t-0">
      <div className="flex items-center gap-2">
        <label htmlFor={id} className="min-w-0 flex-1">
          {field.label}
        </label>
        <input
          id={id}
          inputMode="decimal"
          value={typed}
          aria-invalid={bad}
          onChange={(e) => {
            setTyped(e.target.value);
            const next = Number(e.target.value.replace(',', '.'));
            const v = field.measure ? fromMine(next, field.measure) : next;
            if (e.target.value.trim() !== '' && Number.isFinite(v) && v >= field.least - 1e-9 && v <= field.most + 1e-9) onChange(v);
          }}
          className={`${FIELD} num w-20 text-right`}
        />
        <span className="w-9 text-[0.87rem] text-ink-2">{unit}</span>
      </div>
      {bad && (
        <p role="alert" className="text-[0.87rem] text-rust">
          From {edge(field.least)} to {edge(field.most)}.
        </p>
      )}
      <Slider.Root
        value={[Math.min(field.most, Math.max(field.least, value))]}
        min={field.least}
        max={field.most}
        step={field.step}
        onValueChange={([v]) => v !== undefined && onChange(v)}
        className="relative mt-1 flex h-6 touch-none items-center"
      >
        <Slider.Track className="relative h-1 flex-1 rounded bg-line">
          <Slider.Range className="absolute h-1 rounded bg-kelp" />
        </Slider.Track>
        <Slider.Thumb aria-label={field.label} className="block h-6 w-6 cursor-pointer rounded-full border-2 border-kelp bg-paper" />
      </Slider.Root>
    </li>
  );
}

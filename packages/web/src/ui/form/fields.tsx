import type { Measure } from '@bluffwind/core/units/measure';
import { type ReactNode, useId, useState } from 'react';
import { get, useController, useFormContext } from 'react-hook-form';
import { fromMine, inMine, myUnit } from '../../data/units';
import { Choice, type Option } from '../Choice';

/** Look of what is typed into. */
export const FIELD = 'min-w-0 rounded border border-ink-3 bg-chalk px-2 py-1 max-md:min-h-11 aria-[invalid=true]:border-rust';

interface Base {
  readonly name: string;
  readonly label: string;
  readonly hint?: string;
  readonly className?: string;
}

/** A label over its field, and below it what is wrong with it or a word of help. */
function Row({
  id,
  label,
  hint,
  fault,
  className = '',
  children,
}: {
  id: string;
  label: string;
  hint?: string | undefined;
  fault: string | undefined;
  className?: string | undefined;
  children: ReactNode;
}) {
  return (
    <div className={`flex min-w-0 flex-col gap-0.5 ${className}`}>
      <label htmlFor={id}>{label}</label>
      {children}
      {fault ? (
        <p id={`${id}-says`} role="alert" className="text-[0.87rem] text-rust">
          {fault}
        </p>
      ) : hint ? (
        <p id={`${id}-says`} className="text-[0.87rem] text-ink-2">
          {hint}
        </p>
      ) : null}
    </div>
  );
}

const NEEDED = 'This is needed.';

interface TextProps extends Base {
  readonly required?: boolean;
  readonly maxLength?: number;
  readonly pattern?: { readonly value: RegExp; readonly message: string };
  readonly lines?: number;
  readonly placeholder?: string;
  /** What a browser may fill in, such as username (HTML, autofill). */
  readonly autoComplete?: string;
  readonly taken?: (text: string) => string | undefined;
}

/** Words. */
export function TextField({
  name,
  label,
  hint,
  className,
  required,
  maxLength = 500,
  pattern,
  lines,
  placeholder,
  autoComplete,
  taken,
}: TextProps) {
  const id = useId();
  const { register, formState } = useFormContext();
  const fault = (get(formState.errors, name) as { message?: string } | undefined)?.message;
  const own = {
    id,
    placeholder,
    autoComplete,
    'aria-invalid': fault !== undefined,
    'aria-describedby': fault || hint ? `${id}-says` : undefined,
    className: FIELD,
    ...register(name, {
      setValueAs: (v: string) => v.trim(),
      validate: (v: string) => (required && v.trim() === '' ? NEEDED : (taken?.(v.trim()) ?? true)),
      ...(pattern ? { pattern } : {}),
      maxLength: { value: maxLength, message: `At most ${maxLength} letters.` },
    }),
  };
  return (
    <Row id={id} label={label} hint={hint} fault={fault} className={className}>
      {lines ? <textarea rows={lines} {...own} /> : <input {...own} />}
    </Row>
  );
}

interface FigureProps extends Base {
  /** What it is a figure of; it is typed in this person's unit, and kept in SI. A plain number when left out. */
  readonly measure?: Measure;
  /** Said after the unit, such as "at datum"; or in place of one for a plain number. */
  readonly of?: string;
  readonly min?: number;
  readonly max?: number;
  readonly whole?: boolean;
  readonly required?: boolean;
  readonly placeholder?: string;
  /** An amount in the outfit's own money. */
  readonly money?: boolean;
}

/** A figure, or null while it is left open. A comma serves as well as a point. */
export function FigureField({ name, label, hint, className, measure, of, min, max, whole, required, placeholder, money }: FigureProps) {
  const id = useId();
  const show = (si: number) => (measure ? inMine(si, measure) : si);
  const tidy = (v: number) => String(measure && show(1) !== 1 ? Number(v.toFixed(2)) : Number(v.toPrecision(12)));
  const { field, fieldState } = useController({
    name,
    rules: {
      validate: (v: number | null) => {
        if (v === null) return required ? NEEDED : true;
        if (Number.isNaN(v))
          return money
            ? 'The amount alone, such as 4.50, in your own money: change another currency into it first.'
            : 'A number, such as 1.5.';
        if (whole && !Number.isInteger(v)) return 'A whole number.';
        // A hair of rounding between units is no fault.
        const slack = 1e-4 * Math.max(1, Math.abs(v));
        if ((min !== undefined && v < min - slack) || (max !== undefined && v > max + slack)) return rangeWords(min, max);
        return true;
      },
    },
  });
  const rangeWords = (lo?: number, hi?: number) => {
    const unit = measure ? ` ${myUnit(measure)}` : '';
    if (lo === undefined) return `At most ${tidy(show(hi as number))}${unit}.`;
    return hi === undefined ? `At least ${tidy(show(lo))}${unit}.` : `From ${tidy(show(lo))} to ${tidy(show(hi))}${unit}.`;
  };
  const [typed, setTyped] = useState<string | null>(null);
  const value = field.value as number | null;
  const text = typed ?? (value === null || value === undefined ? '' : tidy(show(value)));
  const fault = fieldState.error?.message;
  const unit = [measure ? myUnit(measure) : '', of ?? ''].filter((x) => x !== '').join(' ');
  return (
    <Row id={id} label={unit ? `${label}, ${unit}` : label} hint={hint} fault={fault} className={className}>
      <input
        id={id}
        ref={field.ref}
        name={name}
        inputMode="decimal"
        autoComplete="off"
        placeholder={placeholder}
        value={text}
        aria-invalid={fault !== undefined}
        aria-describedby={fault || hint ? `${id}-says` : undefined}
        onChange={(e) => {
          setTyped(e.target.value);
          const clean = e.target.value.trim().replace(',', '.');
          const shown = clean === '' ? null : Number(clean);
          field.onChange(shown === null || Number.isNaN(shown) || !measure ? shown : fromMine(shown, measure));
        }}
        onBlur={field.onBlur}
        className={`num ${FIELD}`}
      />
    </Row>
  );
}

/** One of a list. */
export function ChoiceField({ name, label, hint, className, options }: Base & { readonly options: readonly Option[] }) {
  const id = useId();
  const { field, fieldState } = useController({ name });
  const fault = fieldState.error?.message;
  return (
    <Row id={id} label={label} hint={hint} fault={fault} className={className}>
      <Choice
        id={id}
        label={label}
        labelled="hidden"
        value={String(field.value ?? '')}
        options={options}
        invalid={fault !== undefined}
        describedBy={fault || hint ? `${id}-says` : undefined}
        onPick={field.onChange}
      />
    </Row>
  );
}

/** Yes or no. */
export function CheckField({ name, label, className = '' }: Base) {
  const { register } = useFormContext();
  return (
    <label className={`flex items-center gap-2 ${className}`}>
      <input type="checkbox" className="h-5 w-5 md:h-4 md:w-4" {...register(name)} /> {label}
    </label>
  );
}

/** Several of a few, kept as numbers. */
export function ManyField({
  name,
  label,
  className,
  words,
  from = 0,
}: Base & { readonly words: readonly string[]; readonly from?: number }) {
  const { field } = useController({ name });
  const chosen = field.value as readonly number[];
  return (
    <fieldset className={className}>
      <legend>{label}</legend>
      <div className="flex flex-wrap gap-x-3">
        {words.map((w, i) => (
          <label key={w} className="flex items-center gap-1 text-[0.9rem] max-md:min-h-10">
            <input
              type="checkbox"
              checked={chosen.includes(i + from)}
              onChange={(e) => field.onChange(e.target.checked ? [...chosen, i + from] : chosen.filter((v) => v !== i + from))}
            />{' '}
            {w}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

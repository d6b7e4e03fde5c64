import { type ReactNode, useId } from 'react';
import { useController } from 'react-hook-form';
import type { Option } from '../Choice';
import { DayPick } from '../DayPick';

/** Several of a list, kept as their keys. */
export function SeveralField({
  name,
  label,
  options,
  none,
  also,
  className = '',
  atLeast,
}: {
  readonly name: string;
  readonly label: string;
  readonly options: readonly Option[];
  /** Said when there is nothing to choose from. */
  readonly none: string;
  /** More that can be done, such as adding one to the list. */
  readonly also?: ReactNode;
  readonly className?: string;
  /** Said when nothing is chosen; nothing need be when left out. */
  readonly atLeast?: string;
}) {
  const { field, fieldState } = useController({
    name,
    rules: { validate: (v: readonly string[]) => (atLeast !== undefined && v.length === 0 ? atLeast : true) },
  });
  const chosen = field.value as readonly string[];
  const fault = fieldState.error?.message;
  return (
    <fieldset className={`min-w-0 ${className}`}>
      <legend>{label}</legend>
      {options.length === 0 && <p className="text-[0.9rem] text-ink-2">{none}</p>}
      <div className="flex max-h-40 flex-wrap gap-x-4 overflow-auto">
        {options.map((o, i) => (
          <label key={o.value} className="flex min-h-8 items-center gap-1.5 max-md:min-h-10">
            <input
              ref={i === 0 ? field.ref : undefined}
              type="checkbox"
              className="h-4 w-4 max-md:h-5 max-md:w-5"
              checked={chosen.includes(o.value)}
              onChange={(e) => field.onChange(e.target.checked ? [...chosen, o.value] : chosen.filter((v) => v !== o.value))}
            />
            {o.name}
          </label>
        ))}
      </div>
      {also}
      {fault && (
        <p role="alert" className="text-[0.87rem] text-rust">
          {fault}
        </p>
      )}
    </fieldset>
  );
}

/** A calendar date. */
export function DayField({
  name,
  label,
  none,
  className = '',
}: {
  readonly name: string;
  readonly label: string;
  /** What is shown where the day is left open; one that must be chosen has none. */
  readonly none?: string;
  readonly className?: string;
}) {
  const id = useId();
  const { field, fieldState } = useController({ name });
  return (
    <div className={`flex min-w-0 flex-col gap-0.5 ${className}`}>
      <label htmlFor={id}>{label}</label>
      <DayPick id={id} label={label} value={field.value as string} onPick={field.onChange} {...(none === undefined ? {} : { none })} />
      {fieldState.error?.message && (
        <p role="alert" className="text-[0.87rem] text-rust">
          {fieldState.error.message}
        </p>
      )}
    </div>
  );
}

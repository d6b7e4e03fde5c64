import { useId, useState } from 'react';
import { get, useFormContext } from 'react-hook-form';
import { FIELD } from '../ui/form/fields';

const LEAST = 10;

/** A new password, or with `own` the one that he has; it can be looked at while it is typed. */
export function PasswordField({
  name,
  label,
  own = false,
  className = '',
}: {
  readonly name: string;
  readonly label: string;
  readonly own?: boolean;
  readonly className?: string;
}) {
  const id = useId();
  const { register, formState } = useFormContext();
  const [shown, setShown] = useState(false);
  const fault = (get(formState.errors, name) as { message?: string } | undefined)?.message;
  return (
    <div className={`flex min-w-0 flex-col gap-0.5 ${className}`}>
      <label htmlFor={id}>{label}</label>
      <div className="flex gap-2">
        <input
          id={id}
          type={shown ? 'text' : 'password'}
          autoComplete={own ? 'current-password' : 'new-password'}
          aria-invalid={fault !== undefined}
          aria-describedby={own && !fault ? undefined : `${id}-says`}
          className={`flex-1 ${FIELD}`}
          {...register(name, {
            validate: (v: string) => (own ? v !== '' || 'This is needed.' : v.length >= LEAST || `At least ${LEAST} letters or figures.`),
          })}
        />
        <button
          type="button"
          aria-pressed={shown}
          onClick={() => setShown(!shown)}
          className="min-h-9 cursor-pointer px-1 underline underline-offset-2"
        >
          {shown ? 'Hide' : 'Show'}
        </button>
      </div>
      {(fault !== undefined || !own) && (
        <p id={`${id}-says`} role={fault ? 'alert' : undefined} className={`text-[0.87rem] ${fault ? 'text-rust' : 'text-ink-2'}`}>
          {fault ?? 'Ten letters or more; some words in a row are good.'}
        </p>
      )}
    </div>
  );
}

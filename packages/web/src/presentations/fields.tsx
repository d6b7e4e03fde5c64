import type { ReactNode } from 'react';

export const FIELD = 'rounded border border-ink-3 bg-chalk px-2 py-1';

/** A labelled field of a form. */
export function Labelled({ label, children }: { label: string; children: ReactNode }) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is the child
    <label className="flex min-w-0 flex-col gap-0.5 text-[0.93rem]">
      {label}
      {children}
    </label>
  );
}

/** A number that may be left open. */
export function NumberField({
  name,
  label,
  value,
  min,
  max,
  step = 'any',
}: {
  name: string;
  label: string;
  value: number | null;
  min: number;
  max: number;
  step?: number | 'any';
}) {
  return (
    <Labelled label={label}>
      <input name={name} type="number" min={min} max={max} step={step} defaultValue={value ?? ''} className={`num ${FIELD}`} />
    </Labelled>
  );
}

/** Reads a form's fields. */
export function reader(form: HTMLFormElement) {
  const data = new FormData(form);
  const text = (name: string) => String(data.get(name) ?? '').trim();
  return {
    text,
    number: (name: string) => Number(text(name)),
    maybe: (name: string) => (text(name) === '' ? null : Number(text(name))),
    list: (name: string) =>
      text(name)
        .split(',')
        .map((x) => x.trim())
        .filter((x) => x !== ''),
    picked: (name: string) => data.getAll(name).map(Number),
  };
}

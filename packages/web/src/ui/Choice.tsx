import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { type ReactNode, useId } from 'react';
import { pastTheList } from '../data/useKeys';

export interface Option<V extends string = string> {
  readonly value: V;
  readonly name: string;
}

interface ChoiceProps<V extends string> {
  readonly label: string;
  readonly value: V;
  readonly options: readonly Option<V>[];
  readonly onPick: (value: V) => void;
  /** Where the label stands; nowhere when the screen says it already. */
  readonly labelled?: 'above' | 'beside' | 'hidden';
  readonly disabled?: boolean;
  readonly className?: string;
  /** Says more of it, such as what is wrong. */
  readonly describedBy?: string | undefined;
  readonly invalid?: boolean;
  readonly id?: string;
}

// A list's value must not be empty to Radix, but "any" is an empty value to many.
const KEY = 'v';

/** One of several things, from a list that opens. */
export function Choice<V extends string>({
  label,
  value,
  options,
  onPick,
  labelled = 'above',
  disabled,
  className = '',
  describedBy,
  invalid,
  id,
}: ChoiceProps<V>) {
  const own = useId();
  const field = (
    <Select.Root value={KEY + value} onValueChange={(v) => onPick(v.slice(KEY.length) as V)} disabled={disabled ?? false}>
      <Select.Trigger
        id={id ?? own}
        onKeyDown={pastTheList}
        aria-label={labelled === 'hidden' ? label : undefined}
        aria-describedby={describedBy}
        aria-invalid={invalid}
        className={`flex min-w-0 cursor-pointer items-center justify-between gap-1 rounded border border-ink-3 bg-chalk px-2 py-1 text-left text-ink disabled:cursor-default disabled:opacity-60 max-md:min-h-11 ${className}`}
      >
        <span className="truncate">
          <Select.Value />
        </span>
        <Select.Icon asChild>
          <ChevronDown size={15} aria-hidden="true" className="shrink-0 text-ink-2" />
        </Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={3}
          className="z-[60] max-h-(--radix-select-content-available-height) max-w-[92vw] min-w-(--radix-select-trigger-width) overflow-hidden rounded border border-ink bg-paper text-ink shadow-lg"
        >
          <Select.Viewport className="p-1">
            {options.map((o) => (
              <Select.Item
                key={o.value}
                value={KEY + o.value}
                className="flex min-h-11 cursor-pointer items-center justify-between gap-3 rounded px-2 outline-none data-[highlighted]:bg-kelp-pale md:min-h-8"
              >
                <Select.ItemText>{o.name}</Select.ItemText>
                <Select.ItemIndicator>
                  <Check size={15} aria-hidden="true" />
                </Select.ItemIndicator>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
  if (labelled === 'hidden') return field;
  return (
    <span className={labelled === 'beside' ? 'flex items-center gap-2' : 'flex min-w-0 flex-col gap-0.5'}>
      <label htmlFor={id ?? own}>{label}</label>
      {field}
    </span>
  );
}

/** Options of plain words that are their own values. */
export const plainOptions = <V extends string>(values: readonly V[]): Option<V>[] => values.map((value) => ({ value, name: value }));

/** A choice among named things in a screen's header. */
export function Pick({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: string;
  options: readonly { readonly id: string; readonly name: string }[];
  onPick: (id: string) => void;
}): ReactNode {
  return (
    <Choice
      label={label}
      labelled="hidden"
      value={value}
      options={options.map((o) => ({ value: o.id, name: o.name }))}
      onPick={onPick}
      className="border-ink! py-1.5 max-md:min-h-10 max-md:w-[116px]"
    />
  );
}

import { CalendarDays } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { DayPicker } from 'react-day-picker';
import { serverNow } from '../data/clock';
import { myUnits } from '../data/units';
import { dateName } from './format';

interface DayPickProps {
  readonly label: string;
  /** YYYY-MM-DD, or empty for none. */
  readonly value: string;
  readonly onPick: (date: string) => void;
  /** What is shown where no day is chosen; one that must be chosen has none. */
  readonly none?: string;
  readonly id?: string;
  readonly className?: string;
}

/** A calendar date from a month's leaf. */
export function DayPick({ label, value, onPick, none, id, className = '' }: DayPickProps) {
  const [open, setOpen] = useState(false);
  const chosen = /^\d{4}-\d{2}-\d{2}$/.test(value) ? new Date(`${value}T12:00:00`) : undefined;
  const pick = (day: Date | undefined) => {
    if (!day && none === undefined) return;
    onPick(day ? isoOf(day) : '');
    setOpen(false);
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        id={id}
        aria-label={`${label}: ${chosen ? `${dateName(value)} ${value.slice(0, 4)}` : (none ?? '')}`}
        className={`flex cursor-pointer items-center justify-between gap-2 rounded border border-ink-3 bg-chalk px-2 py-1 text-ink max-md:min-h-11 ${className}`}
      >
        <span className="truncate">{chosen ? `${dateName(value)} ${value.slice(0, 4)}` : none}</span>
        <CalendarDays size={15} aria-hidden="true" className="text-ink-2" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content sideOffset={4} aria-label={label} className="z-[60] rounded border border-ink bg-paper p-2 shadow-lg">
          <DayPicker
            mode="single"
            labels={{
              labelDayButton: (day, { selected, today }) =>
                `${dateName(isoOf(day))} ${day.getFullYear()}${today ? ', today' : ''}${selected ? ', chosen' : ''}`,
            }}
            required={false}
            selected={chosen}
            today={new Date(serverNow())}
            defaultMonth={chosen ?? new Date(serverNow())}
            onSelect={pick}
            weekStartsOn={myUnits().dates === 'month first' ? 0 : 1}
            classNames={{
              months: 'relative',
              month_caption: 'flex h-9 items-center justify-center font-bold',
              nav: 'absolute inset-x-0 top-0 flex h-9 items-center justify-between',
              button_previous: 'flex h-9 w-9 cursor-pointer items-center justify-center',
              button_next: 'flex h-9 w-9 cursor-pointer items-center justify-center',
              chevron: 'h-4 w-4 fill-ink-2',
              weekday: 'h-8 w-10 text-[0.8rem] font-normal text-ink-2',
              day: 'p-0 text-center',
              day_button: 'num h-10 w-10 cursor-pointer rounded hover:bg-kelp-pale',
              selected: '[&>button]:bg-ink [&>button]:text-chalk',
              today: 'font-bold',
              outside: 'text-ink-3',
            }}
          />
          {none !== undefined && chosen && (
            <button type="button" className="mt-1 min-h-9 cursor-pointer underline underline-offset-2" onClick={() => pick(undefined)}>
              {none}
            </button>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** A day of the leaf as YYYY-MM-DD. */
function isoOf(day: Date): string {
  const two = (n: number) => String(n).padStart(2, '0');
  return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;
}

import type { OutfitView } from '@bluffwind/contract/outfit';
import type { SpotView } from '@bluffwind/contract/grounds';
import { SlidersHorizontal, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { usePocket } from '../ui/usePocket';
import { Choice } from '../ui/Choice';
import { DayPick } from '../ui/DayPick';
import { dateName } from '../ui/format';

export const FILTERS = ['waterId', 'spotId', 'presentationId', 'speciesId', 'from', 'to', 'boatId', 'tide', 'wind', 'gave'] as const;
const OTHERS = {
  tide: [
    { id: 'in', name: 'run-in' },
    { id: 'out', name: 'run-out' },
  ],
  wind: [
    { id: 'light', name: 'light, to Beaufort 2' },
    { id: 'breeze', name: 'Beaufort 3 and 4' },
    { id: 'strong', name: 'Beaufort 5 and over' },
  ],
  gave: [
    { id: 'fish', name: 'fish' },
    { id: 'nothing', name: 'nothing' },
  ],
} as const satisfies Record<'tide' | 'wind' | 'gave', readonly { readonly id: string; readonly name: string }[]>;
export type FilterName = (typeof FILTERS)[number];

interface LogFiltersProps {
  readonly params: URLSearchParams;
  readonly outfit: OutfitView | undefined;
  readonly spots: readonly SpotView[];
  readonly onChoose: (name: FilterName, value: string) => void;
}

/** What the log is narrowed to; in the pocket on a sheet, with what is chosen in sight. */
export function LogFilters(props: LogFiltersProps) {
  const [open, setOpen] = useState(false);
  const chosen = FILTERS.filter((f) => props.params.get(f));
  if (!usePocket())
    return (
      <div className="flex flex-wrap items-end gap-3 border-b border-line px-[18px] py-2">
        <Fields {...props} />
      </div>
    );
  return (
    <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-2">
      <Button onClick={() => setOpen(true)}>
        <SlidersHorizontal size={16} aria-hidden="true" /> Filter
      </Button>
      {chosen.map((f) => (
        <button
          key={f}
          type="button"
          onClick={() => props.onChoose(f, '')}
          className="flex min-h-10 cursor-pointer items-center gap-1 rounded bg-kelp-pale px-2 text-[0.9rem]"
          aria-label={`${wordOf(f, props)}: take this filter away`}
        >
          {wordOf(f, props)} <X size={14} aria-hidden="true" />
        </button>
      ))}
      <Sheet open={open} title="Filter the log" note="Whatever is chosen narrows the list and its figures." onClose={() => setOpen(false)}>
        <div className="grid gap-3">
          <Fields {...props} />
          <Button strong onClick={() => setOpen(false)} className="justify-center">
            Show
          </Button>
        </div>
      </Sheet>
    </div>
  );
}

function wordOf(filter: FilterName, { params, outfit, spots }: LogFiltersProps): string {
  const value = params.get(filter) ?? '';
  const named = {
    waterId: outfit?.waters,
    spotId: spots,
    presentationId: outfit?.presentations,
    speciesId: outfit?.species,
    boatId: outfit?.boats,
  };
  if (filter === 'tide' || filter === 'wind' || filter === 'gave') return OTHERS[filter].find((o) => o.id === value)?.name ?? value;
  if (filter === 'from' || filter === 'to') return `${filter} ${dateName(value)}`;
  return named[filter]?.find((x) => x.id === value)?.name ?? 'one that is gone';
}

function Fields({ params, outfit, spots, onChoose }: LogFiltersProps) {
  const waterId = params.get('waterId') ?? '';
  const choice = (name: FilterName, label: string, options: readonly { id: string; name: string }[], empty = 'any') => (
    <div className="text-[0.83rem] text-ink-2">
      <Choice
        label={label}
        value={params.get(name) ?? ''}
        options={[{ value: '', name: empty }, ...options.map((o) => ({ value: o.id, name: o.name }))]}
        onPick={(v) => onChoose(name, v)}
        className="md:max-w-[210px]"
      />
    </div>
  );
  const day = (name: 'from' | 'to', label: string) => (
    <div className="flex flex-col gap-0.5 text-[0.83rem] text-ink-2">
      <span>{label}</span>
      <DayPick label={label} value={params.get(name) ?? ''} onPick={(v) => onChoose(name, v)} none="any day" />
    </div>
  );
  return (
    <>
      {choice('waterId', 'Water', outfit?.waters ?? [])}
      {choice('spotId', 'Spot', waterId ? spots : [], waterId ? 'any' : 'choose a water')}
      {choice('presentationId', 'Bait', outfit?.presentations ?? [])}
      {choice('speciesId', 'Species', outfit?.species ?? [])}
      {day('from', 'From')}
      {day('to', 'To')}
      {choice('boatId', 'Boat', outfit?.boats ?? [])}
      {choice('tide', 'Tide', OTHERS.tide)}
      {choice('wind', 'Wind', OTHERS.wind)}
      {choice('gave', 'It gave', OTHERS.gave)}
    </>
  );
}

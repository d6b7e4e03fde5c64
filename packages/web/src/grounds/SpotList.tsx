import type { SpotView } from '@bluffwind/contract/grounds';
import { type Shelter, shelterOf } from '@bluffwind/core/conditions/shelter';
import type { SpotConditions } from '@bluffwind/core/conditions/spotConditions';
import { useMemo, useState } from 'react';
import { depth } from '../ui/format';
import { amount } from '../data/units';
import { Choice } from '../ui/Choice';

const ORDERS = {
  name: 'by name',
  shelter: 'most sheltered first',
  warm: 'warmest first',
  deep: 'deepest first',
  near: 'nearest by run first',
} as const;
type Order = keyof typeof ORDERS;

const SHELTER_RANK: Record<Shelter, number> = { sheltered: 0, lee: 1, calm: 2, 'wind across': 3, windblown: 4, open: 5, unknown: 6 };

interface Props {
  readonly spots: readonly SpotView[];
  readonly conditions: ReadonlyMap<string, SpotConditions>;
  readonly runs: ReadonlyMap<string, number> | null;
  readonly selected: string | null;
  readonly onSelect: (id: string) => void;
}

/** Spots at the cursor's time: depth, shelter, warmth, run. */
export function SpotList({ spots, conditions, runs, selected, onSelect }: Props) {
  const [search, setSearch] = useState('');
  const [order, setOrder] = useState<Order>('name');
  const list = useMemo(() => {
    const found = spots.filter((s) => s.name.toLowerCase().includes(search.toLowerCase()));
    const of = (s: SpotView) => conditions.get(s.id);
    const by: Record<Order, (s: SpotView) => number> = {
      name: () => 0,
      shelter: (s) => {
        const c = of(s);
        return c ? SHELTER_RANK[shelterOf(c)] * 1e6 + (c.waveM ?? 0) * 1000 + (c.fetchM ?? 0) / 1e4 : 9e9;
      },
      warm: (s) => -(of(s)?.waterTempC ?? -99),
      deep: (s) => -(of(s)?.depthM ?? -99),
      near: (s) => runs?.get(s.id) ?? Number.POSITIVE_INFINITY,
    };
    return [...found].sort((a, b) => by[order](a) - by[order](b) || a.name.localeCompare(b.name));
  }, [spots, search, order, conditions, runs]);
  return (
    <>
      <div className="flex gap-2 p-2">
        <input
          data-search
          aria-label="Search spots"
          placeholder="/ search"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
          className="min-w-0 flex-1 rounded border border-ink-3 bg-paper px-2 py-1"
        />
        <Choice
          label="Order"
          labelled="hidden"
          value={order}
          options={Object.entries(ORDERS).map(([value, name]) => ({ value: value as Order, name }))}
          onPick={setOrder}
          className="w-[188px]"
        />
      </div>
      <ul className="min-h-0 flex-1 overflow-auto" tabIndex={0} aria-label="Spots">
        {list.map((s) => {
          const c = conditions.get(s.id);
          const dry = c !== undefined && c.depthM <= 0;
          const seconds = runs?.get(s.id);
          return (
            <li
              key={s.id}
              className={`border-t border-line border-l-4 ${s.id === selected ? 'border-l-kelp bg-paper' : 'border-l-transparent'}`}
            >
              <button
                type="button"
                data-spot={s.name}
                className="block w-full cursor-pointer px-3 py-1.5 text-left"
                onClick={() => onSelect(s.id)}
              >
                <span className="flex justify-between gap-2">
                  <b className={`truncate ${s.writtenOff ? 'text-ink-2' : ''}`}>{s.name}</b>
                  <span className={`num shrink-0 ${dry ? 'text-rust' : ''}`}>{c ? (dry ? 'dry' : depth(c.depthM)) : ''}</span>
                </span>
                <span className="flex justify-between gap-2 text-[0.87rem] text-ink-2">
                  <span className="truncate">
                    {s.structure}, {c ? shelterOf(c) : ''}
                    {s.keeperId !== null ? ' · kept' : s.privacy === 'captain' ? ' · captains' : ''}
                    {s.writtenOff ? ' · written off' : ''}
                  </span>
                  <span className="num shrink-0">
                    {c?.waterTempC != null ? amount(c.waterTempC, 'temp', 1) : ''}
                    {seconds === undefined ? '' : Number.isFinite(seconds) ? ` · ${(seconds / 60).toFixed(0)} min` : ' · no way'}
                  </span>
                </span>
              </button>
            </li>
          );
        })}
        {list.length === 0 && (
          <li className="px-3 py-2 text-ink-2">
            {spots.length === 0 ? 'No spot yet: press N and set one on the chart, or import a file.' : 'No spot of that name.'}
          </li>
        )}
      </ul>
    </>
  );
}

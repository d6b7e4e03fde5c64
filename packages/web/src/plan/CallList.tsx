import type { PlanDesk } from '@bluffwind/contract/plan';
import type { Call, ShutSpot } from '@bluffwind/core/plan/rankTrip';
import { filterCalls } from '@bluffwind/core/plan/whyNot';
import { useState } from 'react';
import { CallFilters, NO_FILTER } from './CallFilters';
import { OneCall } from './OneCall';
import { presentationName } from './presentationName';
import { spotName } from './spotName';
import { words } from '../data/units';
import { Term } from '../ui/Term';

interface CallListProps {
  readonly desk: PlanDesk;
  readonly calls: readonly Call[];
  readonly shut: readonly ShutSpot[];
  readonly selected: string | null;
  readonly inPlan: readonly string[];
  readonly bans: readonly string[];
  readonly onSelect: (spotId: string) => void;
  readonly onBan: (spotId: string) => void;
  readonly onPin: (spotId: string) => void;
  readonly pinned: readonly string[];
  /** Why the selected spot is not in the plan, once it has been asked. */
  readonly whyNot: string | null;
  readonly sets: number;
}

/** Ranked calls: spot + presentation + when, each with its evidence in one line. */
export function CallList({ desk, calls, shut, selected, inPlan, bans, onSelect, onBan, onPin, pinned, whyNot, sets }: CallListProps) {
  const [search, setSearch] = useState('');
  const max = Math.max(1, ...calls.map((c) => c.hi80));
  const [filter, setFilter] = useState(NO_FILTER);
  const found = filterCalls(desk, calls, filter).filter((c) =>
    `${spotName(desk, c.spotId)} ${presentationName(desk, c.presentationId)}`.toLowerCase().includes(search.toLowerCase()),
  );
  // What it could be against what it is: little effort and a wide range come first.
  const shown = filter.order === 'rate' ? found : [...found].sort((a, b) => b.hi80 - b.ratePerRodHour - (a.hi80 - a.ratePerRodHour));
  return (
    <section aria-label="Calls" className="flex h-full flex-col">
      <div className="flex items-baseline gap-3 px-[18px] pt-1.5 pb-0.5">
        <h2 className="sr-only">Calls</h2>
        <span className="text-[0.87rem] text-ink-2">
          {calls.length} spots · fish per rod-hour <Term name="rod-hour" />
        </span>
        <input
          data-search
          aria-label="Search calls"
          placeholder="/ search"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
          className="ml-auto w-[96px] rounded border border-ink-3 bg-paper px-2 py-0.5 text-[0.87rem]"
        />
      </div>
      <CallFilters desk={desk} filter={filter} onChange={setFilter} />
      {desk.marksLeftOut > 0 && (
        <p className="border-b border-line px-[18px] py-1.5 text-[0.87rem] text-ink-2">
          {desk.marksLeftOut} {desk.marksLeftOut === 1 ? 'mark' : 'marks'} out of files left out: say in Grounds what kind of place one is,
          and it is planned for.
        </p>
      )}
      {sets === 0 && (
        <p className="border-b border-line bg-rust-pale px-[18px] py-1.5 text-[0.9rem]">
          Nothing is logged on this water yet: these rates come from the rules of the trade alone.
        </p>
      )}
      <ol className="min-h-0 flex-1 overflow-auto">
        {shown.map((c) => (
          <OneCall
            key={c.spotId}
            {...{ desk, max, whyNot }}
            call={c}
            open={c.spotId === selected}
            planned={inPlan.includes(c.spotId)}
            banned={bans.includes(c.spotId)}
            pinned={pinned.includes(c.spotId)}
            onSelect={() => onSelect(c.spotId)}
            onBan={() => onBan(c.spotId)}
            onPin={() => onPin(c.spotId)}
          />
        ))}
        {shut.map((s) => (
          <li key={s.spotId} className="border-b border-line px-[18px] py-2 text-[0.9rem]">
            <b>{spotName(desk, s.spotId)}</b> <span className="text-rust">shut: {words(s.why)}</span>
          </li>
        ))}
        {shown.length === 0 && <li className="px-[18px] py-3 text-ink-2">No call passes; widen the filters or the search.</li>}
      </ol>
    </section>
  );
}

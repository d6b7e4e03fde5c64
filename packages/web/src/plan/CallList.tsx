import type { PlanDesk } from '@bluffwind/contract/plan';
import type { Call, ShutSpot } from '@bluffwind/core/plan/rankTrip';
import { riskLines } from '@bluffwind/core/plan/legRisk';
import { liftWords } from '@bluffwind/core/plan/reasons';
import { filterCalls } from '@bluffwind/core/plan/whyNot';
import { useState } from 'react';
import { RiskLines } from '../risk/RiskLines';
import { clock, rate } from '../ui/format';
import { RangeBar } from '../ui/parts';
import { CallEvidence } from './CallEvidence';
import { CallFilters, NO_FILTER } from './CallFilters';
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
  const presentationName = (id: string) => desk.presentations.find((p) => p.id === id)?.name ?? '';
  const [filter, setFilter] = useState(NO_FILTER);
  const found = filterCalls(desk, calls, filter).filter((c) =>
    `${spotName(desk, c.spotId)} ${presentationName(c.presentationId)}`.toLowerCase().includes(search.toLowerCase()),
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
        {shown.map((c) => {
          const open = c.spotId === selected;
          const banned = bans.includes(c.spotId);
          const planned = inPlan.includes(c.spotId);
          const name = spotName(desk, c.spotId);
          const pro = c.reasons.filter((r) => r.sign === '+').slice(0, 2);
          const contra = c.reasons.filter((r) => r.sign === '-').slice(0, 1);
          return (
            <li
              key={c.spotId}
              className={`border-b border-line border-l-4 ${planned ? 'border-l-kelp bg-paper' : 'border-l-transparent'}`}
              data-call={name}
            >
              <div className="relative px-[14px] py-2.5">
                <button
                  type="button"
                  className="block w-full cursor-pointer text-left"
                  aria-expanded={open}
                  onClick={() => onSelect(c.spotId)}
                >
                  <span className="flex items-baseline justify-between gap-3">
                    <b className={`truncate text-[1.03rem] ${banned ? 'text-rust line-through' : ''}`}>{name}</b>
                    <span className="num shrink-0 text-[0.83rem] text-ink-2">
                      {clock(c.fromMs, desk.zone)} to {clock(c.toMs, desk.zone)}
                    </span>
                  </span>
                  <span className="block truncate text-[0.9rem] text-ink-2" data-bait>
                    {presentationName(c.presentationId)}
                  </span>
                  <span className="mt-1 flex items-center gap-3">
                    <span className="w-[74px] shrink-0">
                      <b className="num text-[1.2rem]" data-rate>
                        {rate(c.ratePerRodHour)}
                      </b>
                      <span className="text-[0.8rem] text-ink-3"> /rod-h</span>
                    </span>
                    <RangeBar
                      lo={c.lo80}
                      mid={c.ratePerRodHour}
                      hi={c.hi80}
                      max={max}
                      width={138}
                      label={`80 % range ${rate(c.lo80)} to ${rate(c.hi80)} fish per rod-hour`}
                    />
                  </span>
                  <span className="mt-0.5 block text-[0.87rem] text-ink-2" data-lift>
                    {words(liftWords(c))}
                  </span>
                </button>
                <RiskLines lines={riskLines(c.risk, desk.zone)} className="mt-0.5 text-[0.87rem]" />
                <ul className="mt-1 text-[0.87rem]">
                  {pro.map((r) => (
                    <li key={r.text} className="flex gap-2.5">
                      <span aria-hidden="true" className="w-3 font-bold text-kelp">
                        +
                      </span>
                      <span>
                        <span className="sr-only">for: </span>
                        {words(r.text)} <span className="num text-ink-2">×{r.multiplier.toFixed(2)}</span>
                      </span>
                    </li>
                  ))}
                  {contra.map((r) => (
                    <li key={r.text} className="flex gap-2.5">
                      <span aria-hidden="true" className="w-3 font-bold text-rust">
                        −
                      </span>
                      <span>
                        <span className="sr-only">against: </span>
                        {words(r.text)} <span className="num text-ink-2">×{r.multiplier.toFixed(2)}</span>
                      </span>
                    </li>
                  ))}
                </ul>
                {open && (
                  <div className="mt-2">
                    <button
                      type="button"
                      onClick={() => onPin(c.spotId)}
                      className="mr-2 cursor-pointer rounded border border-ink px-2 py-0.5 text-[0.87rem]"
                    >
                      {pinned.includes(c.spotId) ? 'Unpin' : planned ? 'Pin as it is' : 'Pin into the plan'} <kbd className="num">p</kbd>
                    </button>
                    <button
                      type="button"
                      onClick={() => onBan(c.spotId)}
                      className="cursor-pointer rounded border border-rust px-2 py-0.5 text-[0.87rem] text-rust"
                    >
                      {banned ? 'Allow again' : 'Ban from this trip'} <kbd className="num">x</kbd>
                    </button>
                    {whyNot && (
                      <p className="mt-2 border-l-4 border-sand-2 pl-3 text-[0.9rem]" data-why-not>
                        {whyNot}
                      </p>
                    )}
                    <CallEvidence call={c} desk={desk} />
                  </div>
                )}
              </div>
            </li>
          );
        })}
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

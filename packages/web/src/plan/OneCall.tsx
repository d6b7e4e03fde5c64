import type { PlanDesk } from '@bluffwind/contract/plan';
import type { Call } from '@bluffwind/core/plan/rankTrip';
import { riskLines } from '@bluffwind/core/plan/legRisk';
import { liftWords } from '@bluffwind/core/plan/reasons';
import { words } from '../data/units';
import { RiskLines } from '../risk/RiskLines';
import { clock, rate } from '../ui/format';
import { RangeBar } from '../ui/parts';
import { CallEvidence } from './CallEvidence';
import { presentationName } from './presentationName';
import { spotName } from './spotName';

/** Reasons that are shown before a call is opened. */
const FOR = 2;
const AGAINST = 1;

interface OneProps {
  readonly desk: PlanDesk;
  readonly call: Call;
  /** The end of the widest range in the list, fish per rod-hour. */
  readonly max: number;
  readonly open: boolean;
  readonly planned: boolean;
  readonly banned: boolean;
  readonly pinned: boolean;
  readonly whyNot: string | null;
  readonly onSelect: () => void;
  readonly onBan: () => void;
  readonly onPin: () => void;
}

/** A call: spot, bait and when, with what speaks for it and against it; opened, all that it rests on. */
export function OneCall({ desk, call: c, max, open, planned, banned, pinned, whyNot, onSelect, onBan, onPin }: OneProps) {
  const name = spotName(desk, c.spotId);
  return (
    <li className={`border-b border-line border-l-4 ${planned ? 'border-l-kelp bg-paper' : 'border-l-transparent'}`} data-call={name}>
      <div className="relative px-[14px] py-2.5">
        <button type="button" className="block w-full cursor-pointer text-left" aria-expanded={open} onClick={onSelect}>
          <span className="flex items-baseline justify-between gap-3">
            <b className={`truncate text-[1.03rem] ${banned ? 'text-rust line-through' : ''}`}>{name}</b>
            <span className="num shrink-0 text-[0.83rem] text-ink-2">
              {clock(c.fromMs, desk.zone)} to {clock(c.toMs, desk.zone)}
            </span>
          </span>
          <span className="block truncate text-[0.9rem] text-ink-2" data-bait>
            {presentationName(desk, c.presentationId)}
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
        <Reasons call={c} />
        {open && (
          <div className="mt-2">
            <button type="button" onClick={onPin} className="mr-2 cursor-pointer rounded border border-ink px-2 py-0.5 text-[0.87rem]">
              {pinned ? 'Unpin' : planned ? 'Pin as it is' : 'Pin into the plan'} <kbd className="num">p</kbd>
            </button>
            <button
              type="button"
              onClick={onBan}
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
}

/** What speaks most for a call, and most against it. */
function Reasons({ call }: { call: Call }) {
  const some = (sign: '+' | '-', most: number) => call.reasons.filter((r) => r.sign === sign).slice(0, most);
  return (
    <ul className="mt-1 text-[0.87rem]">
      {[...some('+', FOR), ...some('-', AGAINST)].map((r) => (
        <li key={r.text} className="flex gap-2.5">
          <span aria-hidden="true" className={`w-3 font-bold ${r.sign === '+' ? 'text-kelp' : 'text-rust'}`}>
            {r.sign === '+' ? '+' : '−'}
          </span>
          <span>
            <span className="sr-only">{r.sign === '+' ? 'for: ' : 'against: '}</span>
            {words(r.text)} <span className="num text-ink-2">×{r.multiplier.toFixed(2)}</span>
          </span>
        </li>
      ))}
    </ul>
  );
}

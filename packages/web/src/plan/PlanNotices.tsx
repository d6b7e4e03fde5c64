import { laidWithout, quantityList } from '@bluffwind/core/risk/findingWords';
import type { Quantity } from '@bluffwind/core/risk/judge';
import { useState } from 'react';
import { fish } from '../ui/format';
import { Button } from '../ui/parts';
import { usePocket } from '../ui/usePocket';
import type { PlanDoing } from './usePlan';
import { words } from '../data/units';

interface NoticesProps {
  readonly plan: PlanDoing;
  readonly hiddenLegs: number;
  /** What nobody has said of the trip, and whether the captain has seen so. */
  readonly notKnown: readonly Quantity[];
  readonly seen: boolean;
  readonly mayEdit: boolean;
  readonly onSeen: () => void;
  /** The plan in its sentences. */
  readonly sentences: readonly string[];
  readonly worst: { readonly over: number; readonly near: number } | null;
}

/** The day in three sentences, what is not known of it, what was refused, and a better day on offer: nothing jumps. */
export function PlanNotices({ plan, hiddenLegs, notKnown, seen, mayEdit, onSeen, sentences, worst }: NoticesProps) {
  return (
    <>
      {notKnown.length > 0 && (
        <p
          role={seen ? undefined : 'alert'}
          className={`border-b px-[18px] py-1.5 ${seen ? 'border-line text-rust' : 'border-rust bg-rust-pale'}`}
          data-not-known={notKnown.join()}
        >
          {seen || !mayEdit ? (
            laidWithout(notKnown)
          ) : (
            <>
              Nobody has said what these do on this trip: <b>{quantityList(notKnown)}</b>. A plan would be laid without them.{' '}
              <Button className="ml-2 py-0.5" onClick={onSeen}>
                I have seen it, plan without
              </Button>
            </>
          )}
        </p>
      )}
      {sentences.length > 0 && <DayInSentences sentences={sentences} worst={worst} />}
      {hiddenLegs > 0 && (
        <p className="no-print border-b border-line px-[18px] py-1.5 text-ink-2" data-hidden-legs>
          This plan goes to a spot that one captain keeps; that captain or the owner can change it.
        </p>
      )}
      {plan.refused && (
        <p role="alert" className="border-b border-rust bg-rust-pale px-[18px] py-1.5">
          {words(plan.refused)}{' '}
          <button type="button" className="cursor-pointer underline underline-offset-2" onClick={plan.clear}>
            Close
          </button>
        </p>
      )}
      {plan.offer && (
        <p role="status" className="no-print border-b border-kelp bg-kelp-pale px-[18px] py-1.5" data-offer>
          On what is known now another day is worth <b className="num">{fish(plan.offer.expected)}</b> fish, this one{' '}
          <b className="num">{fish(plan.shown?.expected ?? 0)}</b> when it was kept.{' '}
          <button type="button" className="cursor-pointer font-semibold underline underline-offset-2" onClick={plan.take}>
            Show it
          </button>{' '}
          <button type="button" className="cursor-pointer underline underline-offset-2" onClick={plan.decline}>
            Keep mine
          </button>
        </p>
      )}
    </>
  );
}

/** The day in its sentences; in the pocket two lines of them until they are tapped. */
function DayInSentences({ sentences, worst }: Pick<NoticesProps, 'sentences' | 'worst'>) {
  const pocket = usePocket();
  const [whole, setWhole] = useState(false);
  const warning = worst && worst.over + worst.near > 0 && (
    <span className="text-rust">
      {' '}
      {worst.over > 0
        ? `${worst.over} ${worst.over === 1 ? 'thing is' : 'things are'} over a limit: see Stops.`
        : `${worst.near} ${worst.near === 1 ? 'thing comes' : 'things come'} near a limit: see Stops.`}
    </span>
  );
  if (!pocket)
    return (
      <p className="no-print border-b border-line px-[18px] py-1.5" data-day>
        {sentences.join(' ')}
        {warning}
      </p>
    );
  return (
    <button
      type="button"
      aria-expanded={whole}
      onClick={() => setWhole((w) => !w)}
      className="cursor-pointer border-b border-line px-3 py-1.5 text-left text-[0.93rem]"
      data-day
    >
      <span className={whole ? '' : 'line-clamp-2'}>{sentences.join(' ')}</span>
      {warning}
    </button>
  );
}

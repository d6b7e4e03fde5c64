import { fish } from '../ui/format';
import type { PlanDoing } from './usePlan';

/** What was refused, and a better day on offer: nothing jumps while the worker improves. */
export function PlanNotices({ plan, hiddenLegs }: { plan: PlanDoing; hiddenLegs: number }) {
  return (
    <>
      {hiddenLegs > 0 && (
        <p className="no-print border-b border-line px-[18px] py-1.5 text-ink-2" data-hidden-legs>
          This plan goes to a spot that its captain keeps to himself; he or the owner can change it.
        </p>
      )}
      {plan.refused && (
        <p role="alert" className="border-b border-rust bg-rust-pale px-[18px] py-1.5">
          {plan.refused}{' '}
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

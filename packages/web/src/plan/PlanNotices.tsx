import { fish } from '../ui/format';
import type { PlanDoing } from './usePlan';

/** What was refused, and a better day on offer: nothing jumps while the worker improves. */
export function PlanNotices({ plan }: { plan: PlanDoing }) {
  return (
    <>
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

import type { ItineraryProblem, PinnedStay } from './problem';
import { keepsTerms, timeOrder } from './relaxation';
import { stayValues } from './stayValues';

/** Worth of the best day by trying every order of every subset of the spots, timed at its best, as far as it keeps the terms. For tests. */
export function bruteForce(p: ItineraryProblem, pins: readonly PinnedStay[] = []): number {
  const v = stayValues(p, pins);
  let best = 0;
  const go = (order: readonly number[]) => {
    if (order.length > 0) {
      const timed = timeOrder(p, v, order);
      if (!timed) return;
      if (keepsTerms(p, timed.visits)) best = Math.max(best, timed.value);
    }
    for (let s = 0; s < p.spots.length; s++) if (!order.includes(s)) go([...order, s]);
  };
  go([]);
  return best;
}

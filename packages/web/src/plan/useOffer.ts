import type { PlanDesk } from '@bluffwind/contract/plan';
import type { Remote } from 'comlink';
import { useCallback, useEffect, useState } from 'react';
import type { PlanWorker } from '../workers/plan.worker';
import { pinsOf, type Working } from './planState';

/** Fish by which a plan must be better to be offered. */
const WORTH_OFFERING = 0.3;

/**
 * Newer water may hold a better day than the one that was kept: it is offered, nothing jumps.
 * @returns The plan that is offered, or null, and what takes the offer away.
 */
export function useOffer(
  desk: PlanDesk | undefined,
  worker: Remote<PlanWorker> | null,
  opened: boolean,
  shown: Working | null,
): [offer: Working | null, close: () => void] {
  const [offer, setOffer] = useState<Working | null>(null);
  useEffect(() => {
    const saved = desk?.saved;
    // A plan with a leg that is hidden cannot be weighed against another.
    if (!worker || !opened || !saved || !shown || shown.saved !== saved.version || desk.hiddenLegs > 0) return;
    let current = true;
    void (async () => {
      const pins = pinsOf(shown);
      const [best, now] = [
        await worker.lay({ pins, bans: shown.bans, again: shown.again }),
        await worker.score(shown.legs.map((l) => ({ spotId: l.spotId, startMs: l.startMs, departMs: l.departMs }))),
      ];
      if (!current || 'refused' in best) return;
      const worth = 'refused' in now ? 0 : now.plan.expected;
      if (best.plan.expected > worth + WORTH_OFFERING)
        setOffer({ ...shown, ...best.plan, saved: null, ms: best.ms, by: 'the better plan that was offered' });
    })();
    return () => {
      current = false;
    };
  }, [worker, opened, desk, shown]);
  const close = useCallback(() => setOffer(null), []);
  return [offer, close];
}

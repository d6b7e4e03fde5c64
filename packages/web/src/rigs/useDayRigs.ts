import type { PlanDesk } from '@bluffwind/contract/plan';
import type { TripRigs } from '@bluffwind/contract/rigs';
import { useEffect, useState } from 'react';
import type { DayRigs } from '@bluffwind/core/tackle/dayRigs';
import { usePlanWorker } from '../workers/usePlanWorker';

/** Every rig of a trip's kept plan; null until they are there. */
export function useDayRigs(desk: PlanDesk | undefined, extra: TripRigs | undefined) {
  const { worker, opened, failed, again } = usePlanWorker(desk?.saved ? desk : undefined);
  const [rigs, setRigs] = useState<DayRigs | null>(null);
  const [broken, setBroken] = useState<Error | null>(null);
  useEffect(() => {
    if (!worker || !opened || !extra) return;
    let current = true;
    worker.rigs(extra).then(
      (r) => current && setRigs(r),
      (e: Error) => current && setBroken(e),
    );
    return () => {
      current = false;
    };
  }, [worker, opened, extra]);
  return { rigs, failed: failed ?? broken, again };
}

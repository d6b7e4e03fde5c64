import type { PlanDesk } from '@bluffwind/contract/plan';
import { type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { PlanWorker } from '../workers/plan.worker';

type Opened = Awaited<ReturnType<Remote<PlanWorker>['open']>>;

/** The planning worker of a trip, opened with its desk. */
export function usePlanWorker(desk: PlanDesk | undefined): { worker: Remote<PlanWorker> | null; opened: Opened | null } {
  const ref = useRef<Remote<PlanWorker> | null>(null);
  const [opened, setOpened] = useState<Opened | null>(null);
  useEffect(() => {
    const thread = new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' });
    ref.current = wrap<PlanWorker>(thread);
    return () => {
      ref.current = null;
      thread.terminate();
    };
  }, []);
  useEffect(() => {
    let current = true;
    if (desk && ref.current) void ref.current.open(desk).then((o) => current && setOpened(o));
    return () => {
      current = false;
    };
  }, [desk]);
  return { worker: ref.current, opened };
}

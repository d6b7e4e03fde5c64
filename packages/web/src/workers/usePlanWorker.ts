import type { PlanDesk } from '@bluffwind/contract/plan';
import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { PlanWorker } from './plan.worker';

/** What a planning worker says once it knows the trip. */
export type Opened = Awaited<ReturnType<Remote<PlanWorker>['open']>>;

interface PlanThread {
  readonly worker: Remote<PlanWorker> | null;
  /** The ranking of the desk's spots; null until it is there. */
  readonly opened: Opened | null;
  /** Why there is none; null while all is well. */
  readonly failed: Error | null;
  /** Begins anew with another worker. */
  readonly again: () => void;
}

/** The planning worker of a trip, opened with its desk. */
export function usePlanWorker(desk: PlanDesk | undefined): PlanThread {
  const ref = useRef<Remote<PlanWorker> | null>(null);
  const [attempt, setAttempt] = useState(0);
  const [opened, setOpened] = useState<Opened | null>(null);
  const [failed, setFailed] = useState<Error | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another attempt takes another worker
  useEffect(() => {
    const thread = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
    // Its file did not come, or it ran out of memory: nothing would ever answer.
    thread.onerror = () => setFailed(new Error('The spots could not be ranked on this device.'));
    ref.current = wrap<PlanWorker>(thread);
    return () => {
      ref.current = null;
      thread.terminate();
    };
  }, [attempt]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another attempt opens the desk again
  useEffect(() => {
    let current = true;
    if (desk && ref.current)
      ref.current.open(desk).then(
        (o) => current && setOpened(o),
        (error: Error) => current && setFailed(error),
      );
    return () => {
      current = false;
    };
  }, [desk, attempt]);
  const again = useCallback(() => {
    setFailed(null);
    setOpened(null);
    setAttempt((n) => n + 1);
  }, []);
  return { worker: ref.current, opened, failed, again };
}

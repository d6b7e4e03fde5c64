import { type Remote, wrap } from 'comlink';
import { useEffect, useMemo, useRef } from 'react';
import { toast } from 'sonner';

/** A worker that can be ended and made anew: ending it is how its work is stopped. */
export interface WorkerHandle<T> {
  readonly get: () => Remote<T>;
  readonly end: () => void;
}

/** Its file did not come, or it ran out of memory: nothing would ever answer. What is on screen stays, and it is said. */
function stopped(): void {
  toast('A part of the work has stopped on this device: what is still on its way does not come.', {
    id: 'worker stopped',
    duration: Number.POSITIVE_INFINITY,
    action: { label: 'Load the page anew', onClick: () => location.reload() },
  });
}

/** Keeps one worker for a component, made when it is first needed and ended with the component. */
export function useWorker<T>(make: () => Worker): WorkerHandle<T> {
  const kept = useRef<{ worker: Worker; remote: Remote<T> } | null>(null);
  const maker = useRef(make);
  const handle = useMemo(
    (): WorkerHandle<T> => ({
      get() {
        if (!kept.current) {
          const worker = maker.current();
          worker.onerror = stopped;
          kept.current = { worker, remote: wrap<T>(worker) };
        }
        return kept.current.remote;
      },
      end() {
        kept.current?.worker.terminate();
        kept.current = null;
      },
    }),
    [],
  );
  useEffect(() => () => handle.end(), [handle]);
  return handle;
}

export const makeGroundWorker = () => new Worker(new URL('./ground.worker.ts', import.meta.url), { type: 'module' });
export const makeFilesWorker = () => new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' });

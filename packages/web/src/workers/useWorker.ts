import { type Remote, wrap } from 'comlink';
import { useEffect, useMemo, useRef } from 'react';

/** A worker that can be ended and made anew: ending it is how its work is stopped. */
export interface WorkerHandle<T> {
  readonly get: () => Remote<T>;
  readonly end: () => void;
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

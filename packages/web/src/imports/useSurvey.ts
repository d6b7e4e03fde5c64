import type { ContourLines } from '@bluffwind/core/ground/contourLines';
import { proxy } from 'comlink';
import { useState } from 'react';
import type { GroundWork } from '../workers/ground.worker';
import { makeGroundWorker, useWorker } from '../workers/useWorker';

interface Columns {
  readonly lat: number[];
  readonly lon: number[];
  readonly soundedM: number[];
  readonly atMs: number[];
}

interface Survey {
  readonly contours: readonly ContourLines[];
  /** Ground that the soundings reach, m2. */
  readonly covered: number;
  /** How long it took, ms. */
  readonly ms: number;
}

/**
 * The contours of soundings, worked out when they are asked for.
 * @param levelAt - Height of the water above datum at an instant, m; null without a tide.
 */
export function useSurvey(columns: Columns | null, transducerM: number, levelAt: ((atMs: number) => number) | null) {
  const ground = useWorker<GroundWork>(makeGroundWorker);
  const [share, setShare] = useState<number | null>(null);
  const [made, setMade] = useState<(Survey & { readonly of: unknown }) | null>(null);
  const [error, setError] = useState<unknown>(null);

  async function work(): Promise<void> {
    if (!columns) return;
    setShare(0);
    setError(null);
    const start = performance.now();
    try {
      const depthM = columns.soundedM.map((d, i) => {
        const at = columns.atMs[i] as number;
        return d + transducerM - (at > 0 && levelAt ? levelAt(at) : 0);
      });
      const { bed, contours } = await ground.get().survey({ lat: columns.lat, lon: columns.lon, depthM }, proxy(setShare));
      let covered = 0;
      for (let k = 0; k < bed.depthM.length; k++) if (!Number.isNaN(bed.depthM[k] as number)) covered++;
      setMade({ of: columns, contours, covered: covered * bed.cellM * bed.cellM, ms: performance.now() - start });
    } catch (problem) {
      setError(problem);
    } finally {
      setShare(null);
    }
  }
  function stop(): void {
    // Ending the worker stops it at once, wherever it is.
    ground.end();
    setShare(null);
  }
  // Contours of what was read before something else was said of it are no preview any more.
  return { share, error, survey: made?.of === columns ? made : null, work, stop };
}

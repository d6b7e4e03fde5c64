import type { SpotView } from '@bluffwind/contract/grounds';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { useMemo } from 'react';
import type { GroundWork } from '../workers/ground.worker';
import type { WorkerHandle } from '../workers/useWorker';
import { type useGrounds, useRuns } from './useGrounds';

/** Waves that a boat without a limit of its own is taken to slow down in, m. */
const SLOW_IN_M = 1;

interface Wanted {
  readonly water: OutfitView['waters'][number] | undefined;
  readonly boat: OutfitView['boats'][number] | undefined;
  readonly spots: readonly SpotView[];
  readonly tideM: number;
  readonly waveM: number;
}

/** Seconds that a boat runs from the dock of a water to its spots; null until they are worked out. */
export function useBoatRuns(
  worker: WorkerHandle<GroundWork>,
  { bed, chart, spots: asked }: ReturnType<typeof useGrounds>,
  { water, boat, spots, tideM, waveM }: Wanted,
): ReadonlyMap<string, number> | null {
  const running = useMemo(
    () => boat && { speedMps: boat.speedMps, draughtM: boat.draughtM, waveLimitM: boat.waveLimitM ?? SLOW_IN_M, roughMps: boat.roughMps },
    [boat],
  );
  const dock = useMemo(() => water && { lat: water.dockLat, lon: water.dockLon }, [water]);
  return useRuns(worker, {
    key: `${water?.id ?? ''} ${chart.dataUpdatedAt} ${boat?.id} ${asked.dataUpdatedAt}`,
    bed,
    chart: chart.data,
    boat: running,
    tideM,
    waveM,
    dock,
    places: spots,
  });
}

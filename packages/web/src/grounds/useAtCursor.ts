// What a water and its spots are like at the ribbon's cursor.
import type { SpotView } from '@bluffwind/contract/grounds';
import { plainSpot } from '@bluffwind/core/conditions/spotConditions';
import { useMemo } from 'react';
import { useCursor } from '../data/time';
import type { useGrounds } from './useGrounds';

/** @returns Conditions of each spot and of a place in the middle of the water; null while they are on their way. */
export function useAtCursor({ at, water }: ReturnType<typeof useGrounds>, spots: readonly SpotView[]) {
  const { at: atMs } = useCursor();
  const conditions = useMemo(() => new Map(at ? spots.map((s) => [s.id, at(s, atMs)]) : []), [at, spots, atMs]);
  const middle = useMemo(() => (at && water ? at(plainSpot(water, 5), atMs) : null), [at, water, atMs]);
  const meanWave = useMemo(() => {
    const waves = [...conditions.values()].map((c) => c.waveM ?? 0).sort((a, b) => a - b);
    return waves[Math.floor(waves.length / 2)] ?? 0;
  }, [conditions]);
  const sun = useMemo(() => (middle ? { heightDeg: middle.sunHeightDeg, bearingDeg: middle.sunBearingDeg } : null), [middle]);
  return { atMs, conditions, middle, meanWave, sun };
}

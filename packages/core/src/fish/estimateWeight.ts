// What a fish weighs that was measured and not weighed.
import { girthWeightG } from './girthWeight';
import { STANDARD_WEIGHTS, standardWeightG } from './standardWeight';

export interface WeightEstimate {
  readonly g: number;
  readonly loG: number;
  readonly hiG: number;
  /** From length and girth, or from the published line of its species. */
  readonly by: 'girth' | 'standard';
}

/** Length and girth tell a fish's weight to about a tenth (common practice). */
const GIRTH_SPREAD = 0.1;
/** Most wild fish weigh between these shares of their species' standard (relative weight of 80 to 115, common practice). */
const [LEAN, FAT] = [0.8, 1.15];

/**
 * Weight of a fish from its length and girth, or from its length alone where its species has a published line. Null where neither is known:
 * nothing is invented.
 * @param lengthMm - Total length. @param girthMm - Round its thickest part, or null.
 * @throws RangeError for a length or girth out of range.
 * @example estimateWeight('Northern pike', 600, null)?.g.toFixed(0) === '1459'
 */
export function estimateWeight(species: string, lengthMm: number, girthMm: number | null): WeightEstimate | null {
  if (girthMm !== null) {
    const g = girthWeightG(lengthMm, girthMm);
    return { g, loG: g * (1 - GIRTH_SPREAD), hiG: g * (1 + GIRTH_SPREAD), by: 'girth' };
  }
  const line = STANDARD_WEIGHTS[species];
  if (!line) return null;
  const g = standardWeightG(lengthMm, line);
  return { g, loG: g * LEAN, hiG: g * FAT, by: 'standard' };
}

import { gridSoundings } from '@bluffwind/core/ground/gridSoundings';
import { Problem } from '../errors';

/** Grid of corrected soundings as it is stored. */
export function gridded(s: { lat: readonly number[]; lon: readonly number[]; depthM: readonly number[] }, cellM?: number) {
  try {
    const bed = gridSoundings(s, cellM === undefined ? {} : { cellM });
    return { ...bed, depthM: Array.from(bed.depthM, (d) => (Number.isNaN(d) ? null : Math.round(d * 100) / 100)) };
  } catch (error) {
    if (error instanceof RangeError) throw new Problem('invalid', error.message, [{ field: 'soundings', message: error.message }]);
    throw error;
  }
}

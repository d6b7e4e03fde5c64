import { HOUR } from '../units/time';
import { type Series, sampleSeries } from './series';
import { num } from '../units/indexed';

/** Share of a forecast's members from which thunder counts as foretold (common practice: stay on the careful side). */
const LIKELY = 0.3;

/**
 * Whether thunder is about at an instant: reported or foretold within the hour before or after.
 * @returns null where no report or forecast speaks of that hour.
 */
export function thunderAt(series: Series | null | undefined, at: number): boolean | null {
  if (!series) return null;
  let heard: boolean | null = null;
  for (let i = 0; i < series.atMs.length; i++) {
    if (Math.abs(num(series.atMs, i) - at) > HOUR) continue;
    if (num(series.value, i) >= LIKELY) return true;
    heard = false;
  }
  return heard ?? (sampleSeries(series, at) === null ? null : false);
}

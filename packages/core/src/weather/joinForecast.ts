import { HOUR } from '../units/time';
import { indexAt, type Series } from './series';
import { lastOf, num } from '../units/indexed';

/** Hours over which a forecast is bent to meet the latest trusted reading. */
const BLEND_H = 6;

/** Values by time, ascending. */
export interface Track {
  readonly atMs: readonly number[];
  readonly value: readonly number[];
}

/**
 * Readings followed by a forecast. What the forecast was off at the last reading is taken off its first six hours,
 * less and less. A forecast is not joined where the readings ended more than six hours before it begins to matter.
 * @param nowMs - Forecast values before this or before the last reading are dropped.
 */
export function joinForecast(
  measured: Track,
  forecast: Track | null,
  nowMs: number,
): { -readonly [K in keyof Series]: Series[K] extends number ? number : number[] } {
  const atMs = [...measured.atMs];
  const value = [...measured.value];
  const forecastFrom = atMs.length;
  if (!forecast) return { atMs, value, forecastFrom };
  const last = atMs.at(-1) ?? Number.NEGATIVE_INFINITY;
  const fresh = nowMs - last < BLEND_H * HOUR;
  const error = fresh ? lastOf(value) - (valueAt(forecast, last) ?? lastOf(value)) : 0;
  forecast.atMs.forEach((at, i) => {
    if (at <= last || (!fresh && at < nowMs)) return;
    const lead = (at - last) / HOUR;
    atMs.push(at);
    value.push(num(forecast.value, i) + error * Math.max(0, 1 - lead / BLEND_H));
  });
  return { atMs, value, forecastFrom };
}

function valueAt(track: Track, at: number): number | null {
  const i = indexAt(track.atMs, at);
  const t0 = track.atMs[i];
  const t1 = track.atMs[i + 1];
  if (t0 === undefined || t1 === undefined) return null;
  const share = (at - t0) / (t1 - t0);
  return num(track.value, i) + share * (num(track.value, i + 1) - num(track.value, i));
}

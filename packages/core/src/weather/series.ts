/** How a value came about: measured, forecast, or the last measurement carried forward. */
import { num } from '../units/indexed';
export type Trust = 'measured' | 'forecast' | 'carried';

/** One variable at one place, in time order. Missing values are absent, not null. */
export interface Series {
  readonly atMs: readonly number[];
  readonly value: readonly number[];
  /** Index of the first forecast value; equals the length when all are measured. */
  readonly forecastFrom: number;
}

export interface Sample {
  readonly value: number;
  readonly trust: Trust;
}

/** Index of the last entry at or before an instant, or -1. */
export function indexAt(atMs: readonly number[], at: number): number {
  let lo = -1;
  let hi = atMs.length;
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1;
    if (num(atMs, mid) <= at) lo = mid;
    else hi = mid;
  }
  return lo;
}

/**
 * Value at an instant: linear between neighbours (no overshoot), never across a gap longer than maxGapMs; past the
 * last value it is carried forward for carryMs and marked so.
 * @returns null when nothing close enough is known.
 */
export function sampleSeries(
  series: Series | null | undefined,
  at: number,
  { maxGapMs = 3 * 3_600_000, carryMs = 0 }: { maxGapMs?: number; carryMs?: number } = {},
): Sample | null {
  if (!series || series.atMs.length === 0) return null;
  const i = indexAt(series.atMs, at);
  if (i < 0) return null;
  const t0 = num(series.atMs, i);
  const v0 = num(series.value, i);
  const t1 = series.atMs[i + 1];
  const trust: Trust = i >= series.forecastFrom ? 'forecast' : 'measured';
  if (t0 === at) return { value: v0, trust };
  if (t1 !== undefined && t1 - t0 <= maxGapMs) {
    const share = (at - t0) / (t1 - t0);
    const next: Trust = i + 1 >= series.forecastFrom ? 'forecast' : 'measured';
    return { value: v0 + share * (num(series.value, i + 1) - v0), trust: next };
  }
  if (at - t0 <= carryMs) return { value: v0, trust: 'carried' };
  return null;
}

/** Change of a series over the hours before an instant, or null when either end is unknown. */
export function changeOver(series: Series | null | undefined, at: number, hours: number): number | null {
  const now = sampleSeries(series, at);
  const before = sampleSeries(series, at - hours * 3_600_000);
  return now && before ? now.value - before.value : null;
}

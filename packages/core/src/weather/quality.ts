// Flags after the IOOS QARTOD scheme: 1 pass, 2 not evaluated, 3 suspect, 4 fail, 9 missing. Tests after the QARTOD manuals
// for temperature, water level, wind and currents: gross range, climatology, spike, rate of change, flat line, gap and
// neighbour. A neighbour or climatology alone makes a value suspect, never failed: it may be the one that is right.
import { DAY, HOUR } from '../units/time';
import { indexAt } from './series';
import { variable as known } from './variables';
import { nth, num } from '../units/indexed';

/** 1 pass, 2 not evaluated, 3 suspect, 4 fail, 9 missing. */
export type QualityFlag = 1 | 2 | 3 | 4 | 9;

/** A reading in time order. */
export interface RawReading {
  readonly atMs: number;
  readonly value: number;
}

/** What the tests may look at beyond the sequence itself. */
export interface QualityContext {
  /** Usual range of the season, such as the 1st and 99th hundredth of other years; outside it is suspect. */
  readonly climatology?: { readonly min: number; readonly max: number } | null;
  /** Passed readings of a neighbouring station, in time order. */
  readonly neighbour?: readonly RawReading[];
}

/**
 * Flags each reading of one sensor and variable, given in time order.
 * Throws RangeError for a variable without limits.
 */
export function qualityFlags(variable: string, readings: readonly RawReading[], context: QualityContext = {}): QualityFlag[] {
  const { limits } = known(variable);
  const neighbourAt = context.neighbour?.map((r) => r.atMs) ?? [];
  let flatSince = 0;
  // What a reading is held against is the last that did not fail: a spike says nothing of the one after it.
  let lastSound: RawReading | null = null;
  return readings.map((r, i): QualityFlag => {
    if (i > 0 && nth(readings, i - 1).value !== r.value) flatSince = i;
    const flag = flagOf(r, i);
    if (flag !== 4 && flag !== 9) lastSound = r;
    return flag;
  });

  function flagOf(r: RawReading, i: number): QualityFlag {
    const { min, max, spike, ratePerH, flatH, neighbour } = limits;
    if (Number.isNaN(r.value)) return 9;
    if (!Number.isFinite(r.value) || r.value < min || r.value > max) return 4;
    const before = readings[i - 1];
    const after = readings[i + 1];
    if (before && after) {
      const reference = (before.value + after.value) / 2;
      const away = Math.abs(r.value - reference) - Math.abs(after.value - before.value) / 2;
      if (away > spike) return 4;
    }
    const first = nth(readings, flatSince);
    if (flatH !== null && (r.atMs - first.atMs) / HOUR >= flatH) return 4;
    // The newest reading has no neighbour after it yet: a jump is suspect until the next one tells.
    if (lastSound && !after && Math.abs(r.value - lastSound.value) > spike) return 3;
    if (lastSound && after && changesTooFast(lastSound, r, ratePerH)) return 3;
    const c = context.climatology;
    if (c && (r.value < c.min || r.value > c.max)) return 3;
    if (neighbour !== null && context.neighbour) {
      const there = context.neighbour[indexAt(neighbourAt, r.atMs + HOUR / 2)];
      if (there && Math.abs(there.atMs - r.atMs) <= HOUR / 2 && Math.abs(there.value - r.value) > neighbour) return 3;
    }
    return 1;
  }
}

/** A change over less than three hours that is faster than the variable can; across a gap anything may have happened. */
function changesTooFast(a: RawReading, b: RawReading, perH: number): boolean {
  const hours = (b.atMs - a.atMs) / HOUR;
  return hours > 0 && hours <= 3 && Math.abs(b.value - a.value) / Math.max(hours, 0.25) > perH;
}

/** Spans without a reading for longer than a limit, [from, to] in ms: the gap test. */
export function gapsOf(atMs: readonly number[], maxGapMs = 3 * HOUR): [number, number][] {
  return atMs.flatMap((t, i): [number, number][] => {
    const before = atMs[i - 1];
    return before !== undefined && t - before > maxGapMs ? [[before, t]] : [];
  });
}

/**
 * Usual range of a variable for a season from what was measured in other years: the 1st and 99th hundredth of readings
 * within 20 days of the day of the year, widened by a tenth of their spread; null with under 200 readings.
 */
export function climatologyOf(readings: readonly RawReading[], atMs: number): { min: number; max: number } | null {
  const day = (t: number) => (t - Date.UTC(new Date(t).getUTCFullYear(), 0, 1)) / DAY;
  const here = day(atMs);
  const values = readings
    .filter((r) => {
      const d = Math.abs(day(r.atMs) - here);
      return Math.min(d, 365.25 - d) <= 20 && Math.abs(r.atMs - atMs) > 100 * DAY;
    })
    .map((r) => r.value)
    .sort((a, b) => a - b);
  if (values.length < 200) return null;
  const lo = num(values, Math.floor(values.length * 0.01));
  const hi = num(values, Math.ceil(values.length * 0.99) - 1);
  return { min: lo - 0.1 * (hi - lo) - 1, max: hi + 0.1 * (hi - lo) + 1 };
}

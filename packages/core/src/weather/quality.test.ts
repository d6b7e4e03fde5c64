import { describe, expect, it } from 'vitest';
import { DAY, HOUR } from '../units/time';
import { climatologyOf, gapsOf, qualityFlags } from './quality';

const of = (values: number[], stepH = 1) => values.map((value, i) => ({ atMs: i * stepH * HOUR, value }));

describe('further quality tests (IOOS QARTOD)', () => {
  it('rate of change: a fast step is suspect while its neighbours pass', () => {
    expect(qualityFlags('airTempC', of([10, 10.2, 25, 25.1, 25.3]))[2]).toBe(3);
    // Over a gap of four hours anything may have happened.
    expect(qualityFlags('airTempC', of([10, 10.2, 25, 25.1, 25.3], 4))[2]).toBe(1);
  });
  it('rate of change: what follows a spike is held against what went before it', () => {
    expect(qualityFlags('waterTempC', of([13, 13.1, 29, 13.2, 13.3]))).toEqual([1, 1, 4, 1, 1]);
  });
  it('climatology: a value outside the season is suspect', () => {
    expect(qualityFlags('waterTempC', of([21, 21.1, 21.2]), { climatology: { min: 8, max: 18 } })).toEqual([3, 3, 3]);
    expect(qualityFlags('waterTempC', of([14, 14.1, 14.2]), { climatology: { min: 8, max: 18 } })).toEqual([1, 1, 1]);
  });
  it('neighbour: a station far off the one beside it is suspect, within limits it passes', () => {
    expect(qualityFlags('windMps', of([3, 3.5, 4]), { neighbour: of([12, 13, 14]) })).toEqual([3, 3, 3]);
    expect(qualityFlags('windMps', of([3, 3.5, 4]), { neighbour: of([5, 6, 5]) })).toEqual([1, 1, 1]);
    expect(qualityFlags('clarityM', of([1, 1, 1]), { neighbour: of([9, 9, 9]) })).toEqual([1, 1, 1]);
  });
  it('missing: not a number is 9, and infinity fails', () => {
    expect(qualityFlags('windMps', of([3, Number.NaN, Number.POSITIVE_INFINITY]))).toEqual([1, 9, 4]);
  });
  it('no flags for a variable that is not one, whatever every object inherits', () => {
    for (const name of ['__proto__', 'constructor', 'toString', 'windmps'])
      expect(() => qualityFlags(name, of([1])), name).toThrow(/variable: unknown/);
  });
  it('gap: spans of over three hours without a reading', () => {
    expect(gapsOf([0, HOUR, 6 * HOUR, 7 * HOUR])).toEqual([[HOUR, 6 * HOUR]]);
  });
  it('knows the season from other years only, and not from a handful', () => {
    const day = Date.UTC(2026, 5, 18);
    const years = Array.from({ length: 600 }, (_, i) => ({
      atMs: day - 365 * DAY + (i % 30) * DAY - 15 * DAY + (i % 20) * HOUR,
      value: 12 + (i % 7) * 0.5,
    }));
    const c = climatologyOf(years, day);
    expect(c?.min).toBeLessThan(12);
    expect(c?.max).toBeGreaterThan(15);
    expect(climatologyOf(years.slice(0, 50), day)).toBeNull();
    expect(
      climatologyOf(
        years.map((y) => ({ ...y, atMs: day - DAY })),
        day,
      ),
    ).toBeNull();
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HOUR } from '../units/time';
import { qualityFlags } from './quality';
import { changeOver, sampleSeries } from './series';
import { sampleWind, windComponents, windFromComponents } from './wind';
import { nth } from '../units/indexed';

const hourly = (value: number[], forecastFrom = value.length) => ({ atMs: value.map((_, i) => i * HOUR), value, forecastFrom });

describe('series', () => {
  it('never overshoots its neighbours', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -50, max: 50, noNaN: true }), { minLength: 2 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (v, x) => {
          const at = x * (v.length - 1) * HOUR;
          const i = Math.min(v.length - 2, Math.floor(at / HOUR));
          const got = sampleSeries(hourly(v), at)?.value ?? Number.NaN;
          const [a, b] = [nth(v, i), nth(v, i + 1)];
          expect(got).toBeGreaterThanOrEqual(Math.min(a, b) - 1e-9);
          expect(got).toBeLessThanOrEqual(Math.max(a, b) + 1e-9);
        },
      ),
    );
  });
  it('says nothing inside a gap of over 3 h', () => {
    const gap = { atMs: [0, 4 * HOUR], value: [1, 2], forecastFrom: 2 };
    expect(sampleSeries(gap, 2 * HOUR)).toBeNull();
  });
  it('marks a value after the last reading as carried, then as unknown', () => {
    expect(sampleSeries(hourly([1, 2]), 2 * HOUR, { carryMs: 6 * HOUR })).toEqual({ value: 2, trust: 'carried' });
    expect(sampleSeries(hourly([1, 2]), 9 * HOUR, { carryMs: 6 * HOUR })).toBeNull();
  });
  it('marks forecast values', () => {
    expect(sampleSeries(hourly([1, 2, 3], 1), 1.5 * HOUR)?.trust).toBe('forecast');
    expect(changeOver(hourly([5, 5, 5, 5, 5, 5, 3]), 6 * HOUR, 6)).toBe(-2);
  });
});

describe('wind', () => {
  it('interpolates 350 and 10 degrees through north, not through south', () => {
    const a = windComponents(5, 350);
    const b = windComponents(5, 10);
    const east = hourly([a.east, b.east]);
    const north = hourly([a.north, b.north]);
    const mid = sampleWind({ east, north, gust: null }, HOUR / 2);
    expect(Math.min(mid?.fromDeg ?? 180, 360 - (mid?.fromDeg ?? 180))).toBeLessThan(0.01);
  });
  it('round-trips speed and direction', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 40, noNaN: true }), fc.double({ min: 0, max: 359.9, noNaN: true }), (mps, deg) => {
        const c = windComponents(mps, deg);
        const back = windFromComponents(c.east, c.north);
        expect(back.mps).toBeCloseTo(mps, 8);
        expect(Math.abs(Math.sin(((back.fromDeg - deg) * Math.PI) / 360))).toBeLessThan(1e-8);
      }),
    );
  });
});

describe('quality flags (IOOS QARTOD tests)', () => {
  const of = (values: number[]) => values.map((value, i) => ({ atMs: i * HOUR, value }));
  it('fails a value outside the gross range', () => {
    expect(qualityFlags('waterTempC', of([14, 14.2, 99, 14.1]))[2]).toBe(4);
  });
  it('fails a spike but not a real step', () => {
    expect(qualityFlags('waterTempC', of([14, 14.1, 19, 14.2, 14.3]))).toEqual([1, 1, 4, 1, 1]);
    expect(qualityFlags('waterTempC', of([14, 14, 14.1, 18, 18.1, 18.2]))).toEqual([1, 1, 1, 1, 1, 1]);
  });
  it('holds the newest reading suspect when it jumps, until the next one tells', () => {
    expect(qualityFlags('waterTempC', of([14, 14.1, 23]))).toEqual([1, 1, 3]);
    expect(qualityFlags('waterTempC', of([14, 14.1, 23, 14.2]))[2]).toBe(4);
    expect(qualityFlags('waterTempC', of([14, 14.1, 18, 18.1]))[2]).toBe(1);
  });
  it('fails a stuck sensor after its time', () => {
    const flags = qualityFlags('windMps', of([3, 4, 5, 5, 5, 5, 5, 5]));
    expect(flags).toEqual([1, 1, 1, 1, 1, 1, 4, 4]);
  });
  it('refuses an unknown variable', () => {
    expect(() => qualityFlags('magic', [])).toThrow(/unknown magic/);
  });
});

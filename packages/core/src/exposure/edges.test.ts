// Where the formulas of exposure begin and end, and effective fetch by its worked sum.
import { describe, expect, it } from 'vitest';
import type { SeaBed } from '../ground/seaBed';
import { apparentWindMps, coldWaterBand, heatIndexC, windChillC } from './feels';
import { effectiveFetch, MAX_FETCH_M, rayFetch } from './fetch';
import { heightOnCurrent } from './waves';

const MPH = 0.44704;
const chillF = (f: number, mph: number) => 35.74 + 0.6215 * f - 35.75 * mph ** 0.16 + 0.4275 * f * mph ** 0.16;

describe('what people feel', () => {
  it('wind chill is told up to 10 °C and from 3 mph on (NWS 2001), beyond that the air as it is', () => {
    expect(windChillC(10.1, 12)).toBe(10.1);
    expect(windChillC(10, 12)).toBeCloseTo((chillF(50, 12 / MPH) - 32) / 1.8, 4);
    expect(windChillC(0, 2.9 * MPH)).toBe(0);
    expect(windChillC(0, 3.01 * MPH)).toBeCloseTo((chillF(32, 3.01) - 32) / 1.8, 3);
  });
  it('heat index is told from 80 °F on (Rothfusz)', () => {
    expect(heatIndexC(26.6, 0.9)).toBe(26.6);
    expect(heatIndexC(26.7, 0.9)).toBeGreaterThan(28);
  });
  it('the boat’s own way counts as a vector; without a course as dead into the wind', () => {
    expect(apparentWindMps(5, 123, 8, null)).toBe(13);
    expect(apparentWindMps(5, 90, 8, 90)).toBeCloseTo(13, 9);
    expect(apparentWindMps(5, 100, 8, 280)).toBeCloseTo(3, 9);
    expect(apparentWindMps(5, 60, 8, 330)).toBeCloseTo(Math.hypot(5, 8), 9);
  });
  it('cold water bands end where the next begins', () => {
    expect([0.2, 0.3, 4.4, 9.9, 10, 15.6, 21.1].map((t) => coldWaterBand(t)?.upToC ?? null)).toEqual([0.3, 4.4, 10, 10, 15.6, 21.1, null]);
  });
});

describe('fetch', () => {
  const columns = 201;
  /** Water 5 m deep from the west edge to a shore at 6000 m, 1 m above datum; cells of 50 m. */
  const bed = (shoreM: number, openBeyond = true): SeaBed => ({
    lat0: 47.6,
    lon0: -35.2,
    cellM: 50,
    columns,
    rows: 201,
    openBeyond,
    depthM: Array.from({ length: columns * 201 }, (_, k) => ((k % columns) * 50 < shoreM ? 5 : -1)),
  });
  const there = (bearing: number, tide = 0, b = bed(6000)) => rayFetch(b, 2000, 5000, bearing, tide);

  it('ends at the shore, at whatever height the tide stands', () => {
    expect(Math.abs(there(90) - 4000)).toBeLessThanOrEqual(50);
    expect(Math.abs(there(60) - 4000 / Math.sin(Math.PI / 3))).toBeLessThanOrEqual(60);
    // Two metres of tide cover a shore of one; three metres of ebb do not bare five metres of water.
    expect(there(90, 2)).toBe(MAX_FETCH_M);
    expect(Math.abs(there(90, 1) - there(90, 0))).toBeLessThanOrEqual(25);
    expect(Math.abs(there(90, -3) - 4000)).toBeLessThanOrEqual(50);
  });
  it('is measured from the water’s edge too: what lies at the feet of a place on the shore does not end it', () => {
    const onShore = rayFetch(bed(6000), 6010, 5000, 270, 0);
    expect(onShore).toBe(MAX_FETCH_M);
    expect(Math.abs(rayFetch(bed(6000, false), 6010, 5000, 270, 0) - 6010)).toBeLessThanOrEqual(50);
    // Further up the beach it does.
    expect(rayFetch(bed(6000), 6200, 5000, 270, 0)).toBeLessThan(100);
  });
  it('is the sum of nine rays by cosine (SPM 1984): a straight shore square on', () => {
    let sum = 0;
    let weights = 0;
    for (const off of [-24, -18, -12, -6, 0, 6, 12, 18, 24]) {
      const c = Math.cos((off * Math.PI) / 180);
      // Straight distance to the shore along the ray, cut by the cosine of its angle once more.
      sum += (4000 / c) * c * c;
      weights += c;
    }
    expect(effectiveFetch(bed(6000), 2000, 5000, 90)).toBeGreaterThan((0.985 * sum) / weights);
    expect(effectiveFetch(bed(6000), 2000, 5000, 90)).toBeLessThan((1.015 * sum) / weights);
  });
});

describe('waves on a current', () => {
  const G = 9.80665;
  it('are what they were without height or period', () => {
    expect(heightOnCurrent(0, 4, -1)).toBe(0);
    expect(heightOnCurrent(0.5, 0, -1)).toBe(0.5);
    expect(heightOnCurrent(0.5, 4, 0)).toBeCloseTo(0.5, 9);
  });
  it('by conservation of wave action (Longuet-Higgins & Stewart 1961): 4 s against 0.5 m/s', () => {
    const c0 = (G * 4) / (2 * Math.PI);
    const c = (c0 / 2) * (1 + Math.sqrt(1 - 2 / c0));
    expect(heightOnCurrent(0.3, 4, -0.5)).toBeCloseTo(0.3 * Math.sqrt((c0 * c0) / (c * (c - 1))), 9);
  });
  it('break at a seventh of their length there, and never lower than they came', () => {
    const c0 = (G * 2) / (2 * Math.PI);
    const length = (G * 4) / (2 * Math.PI);
    const c = (c0 / 2) * (1 + Math.sqrt(1 - (4 * 0.7) / c0));
    const breaking = (length * (c / c0) ** 2) / 7;
    expect(heightOnCurrent(0.3, 2, -0.7)).toBeCloseTo(breaking, 9);
    // Stopped by the current: a quarter of the length is left.
    expect(heightOnCurrent(0.1, 2, -1)).toBeCloseTo(length / 4 / 7, 9);
    expect(heightOnCurrent(0.6, 2, -1)).toBe(0.6);
  });
});

import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { depthAt, metresPerDegree, type SeaBed, toLocal, toPosition } from '../ground/seaBed';
import { effectiveFetch, fetchFromRose, fetchRose, MAX_FETCH_M, rayFetch } from './fetch';
import { fetchOfDuration, heightOnCurrent, opposingMps, spmWave, waveHeight, waveLength, waveSpread, youngVerhagenHeight } from './waves';
import { apparentWindMps, beaufort, coldWaterBand, heatIndexC, humidityOf, windChillC } from './feels';
import { nth } from '../units/indexed';

const { Geodesic } = createRequire(import.meta.url)('geographiclib-geodesic');

function bedOf(depth: (xM: number, yM: number) => number, openBeyond = false): SeaBed {
  const [columns, rows, cellM] = [101, 101, 50];
  const depthM = Float64Array.from({ length: columns * rows }, (_, k) => depth((k % columns) * cellM, Math.floor(k / columns) * cellM));
  return { lat0: 47.6, lon0: -35.2, cellM, columns, rows, depthM, openBeyond };
}

describe('local grid', () => {
  it('agrees with geographiclib within 0.1 % over 10 km', () => {
    const bed = { lat0: 47.6, lon0: -35.2 };
    for (const [x, y] of [
      [9000, 100],
      [100, 9000],
      [7000, 6000],
    ] as const) {
      const p = toPosition(bed, x, y);
      const d = Geodesic.WGS84.Inverse(47.6, -35.2, p.lat, p.lon).s12 as number;
      expect(Math.abs(d / Math.hypot(x, y) - 1)).toBeLessThan(0.001);
      expect(toLocal(bed, p.lat, p.lon).xM).toBeCloseTo(x, 6);
    }
  });
  it('has 110574 m in the first degree from the equator (WGS 84) within 2 m', () => {
    expect(Math.abs(metresPerDegree(0.5).lat - 110574.389)).toBeLessThan(2);
  });
  it('interpolates a plane exactly and knows its edge', () => {
    const plane = bedOf((x, y) => 0.001 * x + 0.002 * y);
    expect(depthAt(plane, 1234, 2345)).toBeCloseTo(1.234 + 4.69, 9);
    expect(depthAt(plane, -1, 0)).toBeNull();
  });
});

describe('fetch', () => {
  const strait = bedOf((x) => (x > 1000 && x < 4000 ? 5 : -3), false);
  it('measures the width of a strait within a cell', () => {
    expect(Math.abs(rayFetch(strait, 2000, 2500, 90, 0) - 2000)).toBeLessThanOrEqual(50);
  });
  it('is longer along the strait than across, and follows the rose', () => {
    const rose = fetchRose(strait, 2000, 2500);
    expect(rose).toEqual(Array.from({ length: 36 }, (_, i) => Math.round(effectiveFetch(strait, 2000, 2500, i * 10))));
    expect(fetchFromRose(rose, 0)).toBeGreaterThan(fetchFromRose(rose, 270) * 1.5);
    expect(fetchFromRose(rose, 355)).toBeCloseTo((nth(rose, 35) + nth(rose, 0)) / 2, 6);
  });
  it('is unlimited toward open sea', () => {
    expect(
      effectiveFetch(
        bedOf(() => 10, true),
        2500,
        2500,
        45,
      ),
    ).toBeGreaterThan(MAX_FETCH_M * 0.9);
  });
});

describe('waves', () => {
  it('meets the worked values of SPM 1984 and Young & Verhagen 1996 (formulas from memory)', () => {
    expect(spmWave(10, 10_000).heightM).toBeCloseTo(0.616, 2);
    expect(spmWave(10, 10_000).periodS).toBeCloseTo(3.08, 1);
    expect(youngVerhagenHeight(10, 10_000, 5)).toBeCloseTo(0.455, 2);
    expect(spmWave(15, 20_000).heightM).toBeCloseTo(1.435, 2);
    expect(youngVerhagenHeight(15, 20_000, 5)).toBeCloseTo(0.847, 2);
  });
  it('is flat without wind', () => {
    expect(waveHeight(0, 10_000, 5)).toBe(0);
  });
  it('has lengths of SPM 1984 table C-1 (from memory): d/L0 to d/L within 0.0002', () => {
    for (const [d0, d] of [
      [0.01, 0.0403],
      [0.05, 0.0942],
      [0.1, 0.141],
      [0.2, 0.2251],
    ] as const) {
      const period = 6;
      const deep = (9.80665 * period ** 2) / (2 * Math.PI);
      const depth = d0 * deep;
      expect(Math.abs(depth / waveLength(period, depth) - d)).toBeLessThan(0.0002);
    }
  });
  it('needs hours to grow: the fetch that a duration allows gives that duration back (SPM 1984)', () => {
    const ua = 0.71 * 10 ** 1.23;
    for (const hours of [0.5, 1, 3, 6]) {
      const f = fetchOfDuration(10, hours * 3600);
      const t = 68.8 * ((9.80665 * f) / ua ** 2) ** (2 / 3) * (ua / 9.80665);
      expect(t / 3600).toBeCloseTo(hours, 6);
    }
    expect(fetchOfDuration(10, 1800)).toBeLessThan(fetchOfDuration(10, 3600));
  });
  it('steepens against a current, flattens with it, and breaks at a seventh of its length', () => {
    const still = heightOnCurrent(0.6, 3, 0);
    expect(still).toBeCloseTo(0.6, 9);
    expect(heightOnCurrent(0.6, 3, -0.6)).toBeGreaterThan(0.75);
    expect(heightOnCurrent(0.6, 3, 0.6)).toBeLessThan(0.55);
    for (let u = 0; u > -4; u -= 0.1) {
      const h = heightOnCurrent(0.6, 3, u);
      expect(Number.isFinite(h)).toBe(true);
      expect(h).toBeLessThan(2);
    }
  });
  it('takes the part of a current that runs against the wind', () => {
    // Wind from the south-west pushes towards the north-east; the ebb runs to the south-west.
    expect(opposingMps(225, 0.9, 225)).toBeCloseTo(0.9, 9);
    expect(opposingMps(225, 0.9, 45)).toBeCloseTo(-0.9, 9);
    expect(opposingMps(225, 0.9, 315)).toBeCloseTo(0, 9);
    expect(opposingMps(225, 1, 270)).toBeCloseTo(Math.SQRT1_2, 9);
  });
  it('shows how far methods differ', () => {
    const s = waveSpread(10, 10_000, 20);
    expect(s.highM / s.lowM).toBeGreaterThan(1.02);
    expect(s.highM / s.lowM).toBeLessThan(1.45);
  });
});

const F = (f: number) => (f - 32) / 1.8;
const toF = (c: number) => c * 1.8 + 32;

describe('what is felt', () => {
  it('meets the wind chill table of the NWS (2001, from memory) within 0.6 F', () => {
    for (const [t, mph, felt] of [
      [40, 5, 36],
      [0, 15, -19],
      [-10, 30, -39],
    ] as const)
      expect(Math.abs(toF(windChillC(F(t), mph * 0.44704)) - felt)).toBeLessThan(0.6);
  });
  it('meets the heat index table of the NWS within 1.3 F', () => {
    expect(Math.abs(toF(heatIndexC(F(90), 0.5)) - 95)).toBeLessThan(1.3);
    expect(Math.abs(toF(heatIndexC(F(100), 0.4)) - 109)).toBeLessThan(1.3);
  });
  it('has the lower limits of Beaufort in knots (WMO)', () => {
    [1, 4, 7, 11, 17, 22, 28, 34, 41, 48, 56, 64].forEach((knots, i) => {
      expect(beaufort(knots / 1.9438445)).toBe(i + 1);
      expect(beaufort((knots - 1) / 1.9438445)).toBe(i);
    });
  });
  it('adds the way of the boat to the wind ahead and takes it off astern', () => {
    expect(apparentWindMps(5, 0, 10, 0)).toBeCloseTo(15, 9);
    expect(apparentWindMps(5, 180, 10, 0)).toBeCloseTo(5, 9);
    expect(apparentWindMps(5, 90, 10, 0)).toBeCloseTo(Math.hypot(5, 10), 9);
  });
  it('has a humidity of one at the dew point', () => {
    expect(humidityOf(12, 12)).toBe(1);
    expect(humidityOf(20, 9.3)).toBeCloseTo(0.5, 1);
  });
  it('gives the bands of cold water (agency guidance, from memory)', () => {
    expect(coldWaterBand(0)?.exhaustion).toBe('under 15 minutes');
    expect(coldWaterBand(8)?.exhaustion).toBe('30 to 60 minutes');
    expect(coldWaterBand(14)?.exhaustion).toBe('1 to 2 hours');
    expect(coldWaterBand(24)).toBeNull();
  });
});

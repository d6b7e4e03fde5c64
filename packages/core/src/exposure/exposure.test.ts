import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { shortestWay, wayLengths } from '../ground/runTime';
import { depthAt, metresPerDegree, type SeaBed, toLocal, toPosition } from '../ground/seaBed';
import { effectiveFetch, fetchFromRose, fetchRose, MAX_FETCH_M, rayFetch } from './fetch';
import { spmWave, waveHeight, youngVerhagenHeight } from './waves';

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
    expect(fetchFromRose(rose, 0)).toBeGreaterThan(fetchFromRose(rose, 270) * 1.5);
    expect(fetchFromRose(rose, 355)).toBeCloseTo(((rose[35] as number) + (rose[0] as number)) / 2, 6);
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
});

describe('run length', () => {
  it('is the straight line in open water within 1.5 %', () => {
    const [d] = wayLengths(
      bedOf(() => 10),
      { xM: 500, yM: 500 },
      [{ xM: 4500, yM: 3000 }],
      1,
    );
    expect((d as number) / Math.hypot(4000, 2500)).toBeLessThan(1.015);
    expect((d as number) / Math.hypot(4000, 2500)).toBeGreaterThan(0.99);
  });
  it('goes round a wall like a taut string, within 2.5 %', () => {
    const wall = bedOf((x, y) => (Math.abs(x - 2500) < 30 && y < 3000 ? -3 : 10));
    const [d] = wayLengths(wall, { xM: 1000, yM: 1000 }, [{ xM: 4000, yM: 1000 }], 1);
    expect((d as number) / (2 * Math.hypot(1500, 2000))).toBeLessThan(1.025);
    const way = shortestWay(wall, { xM: 1000, yM: 1000 }, { xM: 4000, yM: 1000 }, 1) ?? [];
    expect(way.every((p) => Math.abs(p.xM - 2500) >= 30 || p.yM >= 2950)).toBe(true);
  });
  it('says that a place behind drying ground cannot be reached', () => {
    const wall = bedOf((x) => (Math.abs(x - 2500) < 60 ? -3 : 10));
    expect(wayLengths(wall, { xM: 1000, yM: 1000 }, [{ xM: 4000, yM: 1000 }], 1)).toEqual([Number.POSITIVE_INFINITY]);
  });
});

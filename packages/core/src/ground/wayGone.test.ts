import { describe, expect, it } from 'vitest';
import { wayGone } from './wayGone';

// A nautical mile is a minute of latitude by its old definition, to half a per cent.
const at = (minutesNorth: number, minutesEast: number, min: number) => ({
  lat: minutesNorth / 60,
  lon: minutesEast / 60,
  atMs: min * 60_000,
});

describe('a way gone', () => {
  it('of a mile north and a mile east in half an hour', () => {
    const way = wayGone([at(0, 0, 0), at(1, 0, 15), at(1, 1, 30)]);
    expect(Math.abs(way.lengthM / 3704 - 1)).toBeLessThan(0.01);
    expect(way.minutes).toBe(30);
    expect(Math.abs((way.madeGoodMps ?? 0) / ((1852 * Math.SQRT2) / 1800) - 1)).toBeLessThan(0.01);
    expect(Math.abs((way.toDeg ?? 0) - 45)).toBeLessThan(0.5);
  });
  it('there and back has a length and no way made good', () => {
    const way = wayGone([at(0, 0, 0), at(1, 0, 15), at(0, 0, 30)]);
    expect(way.lengthM).toBeGreaterThan(3600);
    expect(way).toMatchObject({ madeGoodMps: 0, toDeg: null });
  });
  it('of one position or none is nothing', () => {
    expect(wayGone([])).toEqual({ lengthM: 0, minutes: 0, madeGoodMps: null, toDeg: null });
    expect(wayGone([at(0, 0, 0)]).lengthM).toBe(0);
  });
});

import { describe, expect, it } from 'vitest';
import { toPosition } from './seaBed';
import { DETOUR, walkWays } from './walkWays';

// Land west of 100 m, water 3 m deep east of it.
const bed = {
  lat0: 47.6,
  lon0: -35.2,
  cellM: 10,
  columns: 41,
  rows: 41,
  depthM: Float64Array.from({ length: 41 * 41 }, (_, i) => (i % 41 <= 10 ? -2 : 3)),
  openBeyond: true,
};
const at = (xM: number, yM: number, structure = 'flat') => ({ ...toPosition(bed, xM, yM), structure });

describe('ways on foot', () => {
  const from = at(50, 50);
  it('take a walking pace over a third more than the straight way, with the rods at the end', () => {
    const { dockMin, betweenMin } = walkWays(bed, from, [at(120, 50), at(120, 350)], 1.2, 60, 2);
    expect(dockMin[0]).toBeCloseTo((70 * DETOUR) / 1.2 / 60 + 2, 2);
    expect(betweenMin[0]?.[1]).toBeCloseTo((300 * DETOUR) / 1.2 / 60 + 2, 2);
    expect(betweenMin[0]?.[0]).toBe(0);
    expect(betweenMin[0]?.[1]).toBe(betweenMin[1]?.[0]);
  });

  it('lead only to what a cast reaches from the bank, and to what one stands on', () => {
    const spots = [at(150, 100), at(230, 100), at(300, 100, 'pier head')];
    expect(walkWays(bed, from, spots, 1.2, 60, 2).dockMin.map((m) => m !== null)).toEqual([true, false, true]);
    expect(walkWays(bed, from, spots, 1.2, 150, 2).dockMin.map((m) => m !== null)).toEqual([true, true, true]);
    expect(walkWays(bed, from, spots, 1.2, 60, 2).betweenMin[0]?.[1]).toBeNull();
  });

  it('go everywhere where no shore is known, and refuse a pace that nobody walks', () => {
    const open = { ...bed, depthM: bed.depthM.map(() => Number.NaN) };
    expect(walkWays(open, from, [at(300, 100)], 1.2, 60, 2).dockMin[0]).not.toBeNull();
    expect(() => walkWays(bed, from, [], 9, 60, 2)).toThrow('paceMps: expected 0.2 to 3 m/s, got 9');
    expect(() => walkWays(bed, from, [], 1, 0, 2)).toThrow('castM: expected more than 0 m, got 0');
  });
});

import { describe, expect, it } from 'vitest';
import { speedInWaves } from '../ground/speedInWaves';
import { HANDLING_MIN } from './planInputs';
import { inputs } from './testTrip';
import { waysBySea } from './waysBySea';
import { waysOfTrip } from './waysByTide';
import { nth } from '../units/indexed';

const BOAT = { speedMps: 9, waveLimitM: 0.9 };

describe('a boat in waves', () => {
  it('runs at full speed in a third of its limit and at half of it at the limit (common practice)', () => {
    expect(speedInWaves(BOAT, 0)).toBe(9);
    expect(speedInWaves(BOAT, 0.3)).toBe(9);
    expect(speedInWaves(BOAT, 0.6)).toBeCloseTo(6.75, 9);
    expect(speedInWaves(BOAT, 0.9)).toBeCloseTo(4.5, 9);
    expect(speedInWaves(BOAT, 1)).toBeCloseTo(3.75, 9);
    expect(speedInWaves(BOAT, 9)).toBe(3);
  });
  it('runs at the limit as its captain says, which is then the least where it is less than a third', () => {
    expect(speedInWaves({ ...BOAT, roughMps: 7 }, 0.9)).toBeCloseTo(7, 9);
    expect(speedInWaves({ ...BOAT, roughMps: 7 }, 0.6)).toBeCloseTo(8, 9);
    expect(speedInWaves({ ...BOAT, roughMps: 2 }, 0.9)).toBeCloseTo(2, 9);
    expect(speedInWaves({ ...BOAT, roughMps: 2 }, 4)).toBeCloseTo(2, 9);
    expect(speedInWaves({ ...BOAT, roughMps: 12 }, 0.9)).toBe(9);
    expect(speedInWaves({ ...BOAT, roughMps: null }, 0.9)).toBeCloseTo(4.5, 9);
  });
  it('is not slowed where its limit or the waves are not known', () => {
    expect(speedInWaves({ ...BOAT, waveLimitM: null }, 3)).toBe(9);
    expect(speedInWaves(BOAT, null)).toBe(9);
  });
});

describe('ways in a sea', () => {
  const place = { lat: 47.6, lon: -35.2, depthM: 20, fetchM: new Array(36).fill(9000), bar: null };
  const trip = inputs({
    boat: { ...inputs().boat, speedMps: 9, waveLimitM: 0.9 },
    dockTravelMin: [13, 5, null],
    sea: {
      places: [place, place],
      dock: [[0, 1], [], [0]],
      between: [
        [[], [1], []],
        [[1], [], []],
        [[], [], []],
      ],
    },
  });
  const base = { sets: waysOfTrip(trip), level: new Array<number>(12).fill(0) };
  const waysAt = (ways: ReturnType<typeof waysBySea>, step: number) => ways.sets[nth(ways.level, step)];

  it('stay as they are in a calm, on foot, and for a boat without a wave limit', () => {
    expect(waysBySea(trip, base, () => 0.3, 3)).toEqual(base);
    expect(waysBySea(trip, base, () => null, 3)).toEqual(base);
    const gale = () => 5;
    expect(waysBySea({ ...trip, boat: { ...trip.boat, afloat: false } }, base, gale, 3)).toEqual(base);
    expect(waysBySea({ ...trip, boat: { ...trip.boat, waveLimitM: null } }, base, gale, 3)).toEqual(base);
  });

  it('take as much longer as the places that they cross say, the handling left out', () => {
    // At the limit half the speed: twice as long at the first place, and not longer at the second.
    const ways = waysAt(
      waysBySea(trip, base, (p) => (p === 0 ? 0.9 : 0.1), 3),
      0,
    );
    expect(ways?.dockMin).toEqual([expect.closeTo(13 + (13 - HANDLING_MIN) * 0.5, 9), 5, null]);
    expect(ways?.betweenMin[0]).toEqual([0, 8, 12]);
    const both = waysAt(
      waysBySea(trip, base, () => 0.9, 3),
      0,
    );
    expect(both?.dockMin[0]).toBeCloseTo(23, 9);
    expect(both?.betweenMin[1]?.[0]).toBeCloseTo(8 + 5, 9);
    // A run shorter than the handling is that handling.
    const short = waysBySea({ ...trip }, { ...base, sets: [{ ...nth(base.sets, 0), dockMin: [2, 5, null] }] }, () => 0.9, 3);
    expect(waysAt(short, 0)?.dockMin[0]).toBe(2);
  });

  it('follow the sea hour by hour, and are slow from the look before it gets up', () => {
    const rising = waysBySea(trip, base, (_, step) => (step >= 6 ? 0.9 : 0.1), 3);
    expect([0, 2].map((t) => waysAt(rising, t)?.dockMin[0])).toEqual([13, 13]);
    for (const t of [3, 5, 6, 11]) expect(waysAt(rising, t)?.dockMin[0], `step ${t}`).toBeCloseTo(23, 9);
    const falling = waysBySea(trip, base, (_, step) => (step < 6 ? 0.9 : 0.1), 3);
    expect(waysAt(falling, 5)?.dockMin[0]).toBeCloseTo(23, 9);
    expect(waysAt(falling, 6)?.dockMin[0]).toBe(13);
  });

  it('keep to the tide’s own ways, one set for each height of tide and look', () => {
    const high = { ...nth(base.sets, 0), tideM: 1, dockMin: [10, 4, 20] };
    const tides = { sets: [nth(base.sets, 0), high], level: [0, 0, 0, 0, 1, 1, 1, 1, 1, 1, 1, 1] };
    const ways = waysBySea(trip, tides, () => 0.9, 3);
    expect(waysAt(ways, 3)?.dockMin[0]).toBeCloseTo(23, 9);
    expect(waysAt(ways, 4)?.dockMin).toEqual([expect.closeTo(17, 9), 4, expect.closeTo(37, 9)]);
    // Looks 0, 1 with the first, 1, 2 and 3 with the second.
    expect(ways.sets).toHaveLength(2 + 5);
    expect(ways.level.slice(0, 3)).toEqual([2, 2, 2]);
  });
});

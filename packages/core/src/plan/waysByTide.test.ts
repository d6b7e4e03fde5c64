import { describe, expect, it } from 'vitest';
import { MINUTE } from '../units/time';
import { inputs, START } from './testTrip';
import { deepestWays, waysInSteps, waysOfTrip } from './waysByTide';

const trip = inputs();
const ways = [0, 1, 2].map((tideM) => ({ ...deepestWays(trip), tideM }));
const tidal = inputs({ byTide: ways });
/** A height that changes evenly from the start of the trip. */
const level = (from: number, perHour: number) => ({ levelAt: (at: number) => from + ((at - START) / (60 * MINUTE)) * perHour });

describe('the ways of a trip', () => {
  it('are those at the most water where the tide makes no difference', () => {
    const [only, ...more] = waysOfTrip(trip);
    expect(more).toEqual([]);
    expect(only).toEqual({
      tideM: Number.NEGATIVE_INFINITY,
      dockMin: [10, 5, 8],
      betweenMin: trip.travelMin,
      dockSea: [[], [], []],
      betweenSea: [],
    });
    expect(waysOfTrip(inputs({ byTide: [] }))).toEqual([only]);
    expect(waysOfTrip(tidal)).toBe(tidal.byTide);
    expect(waysInSteps(trip, level(0, 5), 4)).toEqual([0, 0, 0, 0]);
  });
  it('are the lowest where the height of tide is not known', () => {
    expect(waysInSteps(tidal, { levelAt: null as never }, 3)).toEqual([0, 0, 0]);
  });
  it('are those below whose height the water does not fall within half an hour', () => {
    // Rising by a metre an hour from 0.5: one metre is there after half an hour, two after an hour and a half.
    expect(waysInSteps(tidal, level(0.5, 1), 20)).toEqual([...new Array(6).fill(0), ...new Array(12).fill(1), 2, 2]);
    // Falling by a metre an hour from 2.5: at the end of the run it must still be there.
    expect(waysInSteps(tidal, level(2.5, -1), 14)).toEqual([2, ...new Array(12).fill(1), 0]);
  });
  it('look at the middle of a run as well', () => {
    const dip = { levelAt: (at: number) => (at - START === 15 * MINUTE ? 0.4 : 1.6) };
    expect(waysInSteps(tidal, dip, 2)).toEqual([0, 1]);
  });
  it('are never higher than the highest nor lower than the lowest', () => {
    expect(waysInSteps(tidal, level(50, 0), 2)).toEqual([2, 2]);
    expect(waysInSteps(tidal, level(-50, 0), 2)).toEqual([0, 0]);
    expect(waysInSteps(tidal, level(1, 0), 1)).toEqual([1]);
  });
});

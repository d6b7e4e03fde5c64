// A day that is gone on with: what was the best plan this morning is the best rest of the day where it was kept (Bellman's principle).
import { describe, expect, it } from 'vitest';
import { randomProblem } from './randomProblem';
import { scoreItinerary } from './scoreItinerary';
import { solveItinerary } from './solveItinerary';
import { testSeeds, testSpots } from './testSeeds';
import { waysOf } from './ways';

const EPS = 1e-9;

describe('the rest of a day', () => {
  it.each(testSeeds(1, 40))('of the best plan is the best rest from the end of its first stay (seed %i)', (seed) => {
    const p = randomProblem(seed, { spots: testSpots(6), steps: 48 });
    const whole = solveItinerary(p);
    const [first, ...rest] = whole.legs;
    if (!first || !whole.proved) return;
    const spot = p.spots.findIndex((s) => s.id === first.spot);
    const left = p.spots.map((s, i) => (i === spot ? { ...s, ratePerHour: s.ratePerHour.map(() => 0), baits: undefined } : s));
    const now = { ...p, spots: left, from: { spot, step: first.departStep } };
    const solved = solveItinerary(now);
    expect(solved.value).toBeCloseTo(whole.value - first.expected, 6);
    expect(scoreItinerary(now, rest).value).toBeCloseTo(solved.value, 6);
  });
  it.each(testSeeds(60, 20))('from the dock, begun later, is never worth more (seed %i)', (seed) => {
    const p = randomProblem(seed, { spots: 5, steps: 40 });
    let before = solveItinerary(p).value;
    for (const step of [0, 4, 9, 15, 30]) {
      const now = solveItinerary({ ...p, from: { spot: -1, step } }).value;
      expect(now).toBeLessThanOrEqual(before + EPS);
      before = now;
    }
  });
  it('is at once where the boat is, and elsewhere after the run from there', () => {
    const p = { ...randomProblem(3, { spots: 4, steps: 40 }), from: { spot: 2, step: 11 } };
    const ways = waysOf(p);
    expect([ways.first(2), ways.firstRun(2)]).toEqual([11, 0]);
    expect(ways.first(0)).toBe(11 + (p.travelSteps[2]?.[0] as number));
  });
  it('is nowhere from a spot or a step that the trip does not have', () => {
    const p = randomProblem(3, { spots: 4, steps: 40 });
    for (const from of [
      { spot: 4, step: 2 },
      { spot: -2, step: 2 },
      { spot: 0, step: 41 },
      { spot: 0, step: -1 },
    ])
      expect(() => solveItinerary({ ...p, from })).toThrow(/from: expected a step of 0 to 40/);
  });
});

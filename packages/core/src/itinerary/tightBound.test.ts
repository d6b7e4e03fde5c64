// How near the search comes before it proves anything: prices of spots make the bound meet the best day.
import { describe, expect, it } from 'vitest';
import { randomProblem } from './randomProblem';
import { solveStays } from './solveItinerary';
import { stayValues } from './stayValues';

const SEEDS = Array.from({ length: 24 }, (_, i) => 200 + i);
const days = SEEDS.map((seed) => {
  const p = randomProblem(seed, { spots: 14, steps: 60 });
  const v = stayValues(p, []);
  return { p, v, exact: solveStays(p, v) };
});
const mean = (of: (d: (typeof days)[number]) => number) => days.reduce((s, d) => s + of(d), 0) / days.length;

/** Days of which the best is found before anything is proved. */
const found = (more: Parameters<typeof solveStays>[2]) =>
  days.filter((d) => solveStays(d.p, d.v, { exact: false, ...more }).value > d.exact.value - 1e-9).length;

describe('the bound of a day', () => {
  // Figures of this search, rounded up: a change that makes it worse is a change for the worse.
  it.each([
    [0, 0.032],
    [5, 0.0054],
    [10, 0.0022],
    [20, 0.00056],
    [80, 0.00055],
  ])('after %s rounds is on average over the best day by no more than %s of it, and never under it', (rounds, most) => {
    const over = mean((d) => {
      const { bound } = solveStays(d.p, d.v, { exact: false, rounds });
      expect(bound).toBeGreaterThanOrEqual(d.exact.value - 1e-9);
      return bound / d.exact.value - 1;
    });
    expect(over).toBeLessThan(most);
  });
  it('is proved by labels where the rounds leave a gap', () => {
    for (const { exact } of days) {
      expect(exact.proved).toBe(true);
      expect(exact.bound).toBeGreaterThanOrEqual(exact.value - 1e-9);
    }
    const left = days.filter((d) => !solveStays(d.p, d.v, { exact: false }).proved);
    expect(left.length).toBeGreaterThan(0);
    expect(left.length).toBeLessThan(days.length / 2);
  });
  it('is found by the paths of its rounds and by a beam, each nearly alone', () => {
    expect(found({ rounds: 0 })).toBe(days.length);
    expect(found({ beam: 1 })).toBeGreaterThanOrEqual(days.length - 1);
    expect(found({ rounds: 12, beam: 1 })).toBe(days.length);
  });
  it('is the best so far where the search is stopped', () => {
    for (const { p, v, exact } of days.slice(0, 6)) {
      const none = solveStays(p, v, { stop: () => true });
      // One stay at most: what is seen from the dock.
      expect(none.proved).toBe(false);
      expect(none.visits.length).toBeLessThanOrEqual(1);
      expect(none.bound).toBeGreaterThanOrEqual(exact.value - 1e-9);
      let asked = 0;
      const some = solveStays(p, v, { stop: () => ++asked > 40 });
      expect(some.value).toBeGreaterThan(0.9 * exact.value);
    }
  });
});

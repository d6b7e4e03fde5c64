// The share of fish that the goal counts, by hand.
import { describe, expect, it } from 'vitest';
import { goalShare, normalShare } from './goalShare';
import type { FishedSet } from './world';

const set = (spot: string, presentation: string, fish: number, counts?: number, lengths: readonly number[] = []): FishedSet =>
  ({
    at: 0,
    spot,
    presentation,
    rodHours: 1,
    fish,
    conditions: {},
    ...(counts === undefined ? {} : { counts }),
    ...(lengths.length > 0
      ? { lengths: { count: lengths.length, sum: lengths.reduce((a, b) => a + b, 0), squares: lengths.reduce((a, b) => a + b * b, 0) } }
      : {}),
  }) as FishedSet;

describe('the share that may be kept', () => {
  const log = [
    set('lee', 'shad', 10, 2),
    set('lee', 'worm', 4, 4),
    set('head', 'shad', 6, 3),
    set('head', 'worm', 0, 0),
    set('bay', 'crab', 5),
  ];
  const share = goalShare(log, 'keepable');
  // 25 fish, 14 of them to be kept, and half of two more.
  const all = 15 / 27;
  it('is pooled over all, with a fish and a miss to begin with', () => {
    expect(share?.('lee', 'shad')[0]).toEqual({ name: 'share that may be kept', multiplier: all, fish: 14, expected: 25 });
  });
  it('leans on all by twelve fish at a spot and on a bait', () => {
    const [, spot, bait] = share?.('lee', 'shad') ?? [];
    expect(spot).toEqual({
      name: 'share that may be kept, this spot',
      multiplier: expect.closeTo((12 + 6) / (12 + 14 * all), 12),
      fish: 6,
      expected: expect.closeTo(14 * all, 12),
    });
    expect(bait).toEqual({
      name: 'share that may be kept, this presentation',
      multiplier: expect.closeTo((12 + 5) / (12 + 16 * all), 12),
      fish: 5,
      expected: expect.closeTo(16 * all, 12),
    });
  });
  it('is that of all where a spot or bait has none', () => {
    expect(share?.('new', 'new').slice(1)).toEqual([
      { name: 'share that may be kept, this spot', multiplier: 1, fish: 0, expected: 0 },
      { name: 'share that may be kept, this presentation', multiplier: 1, fish: 0, expected: 0 },
    ]);
  });
  it('counts every fish where nothing is told, and never more than every fish', () => {
    const good = goalShare([set('bay', 'crab', 50), set('lee', 'shad', 50, 25)], 'keepable');
    const product = (good?.('bay', 'crab') ?? []).reduce((x, f) => x * f.multiplier, 1);
    expect(product).toBeCloseTo(1, 12);
    expect(goalShare([set('bay', 'crab', 50)], 'all')).toBeNull();
    expect(goalShare([set('bay', 'crab', 50)], 'action')).toBeNull();
  });
});

describe('the share that is long enough', () => {
  const factors = (log: FishedSet[], spot = 'lee', bait = 'shad') => goalShare(log, 'long')?.(spot, bait) ?? [];
  const above = (mean: number, sd: number) => 1 - normalShare((1 - mean) / sd);
  it('is that of a normal law before any is measured: two fish one spread short of the length', () => {
    expect(factors([])).toEqual([
      { name: 'share that is long enough', multiplier: expect.closeTo(above(0.78, 0.22), 12), fish: 0, expected: 0 },
      { name: 'length of fish at this spot', multiplier: 1, fish: 0, expected: 0 },
      { name: 'length of fish on this presentation', multiplier: 1, fish: 0, expected: 0 },
    ]);
    // Fish without lengths say nothing.
    expect(factors([set('lee', 'shad', 9, 3)])[0]?.multiplier).toBeCloseTo(above(0.78, 0.22), 12);
  });
  it('is by mean and spread of what was measured, ten fish of the usual spread with it', () => {
    const log = [set('lee', 'shad', 3, 2, [0.8, 1.1, 1.2]), set('head', 'worm', 2, 0, [0.6, 0.7])];
    const [n, sum, squares] = [5, 4.4, 0.64 + 1.21 + 1.44 + 0.36 + 0.49];
    const mean = (sum + 2 * 0.78) / (n + 2);
    const sd = Math.sqrt((squares - n * mean * mean + 10 * 0.22 ** 2) / (n + 10));
    const off = (t: readonly number[]) => (t.reduce((a, b) => a + b, 0) - t.length * mean) / (12 + t.length);
    const [all, spot, bait] = factors(log);
    const share = above(mean, sd);
    expect(all).toEqual({ name: 'share that is long enough', multiplier: expect.closeTo(share, 12), fish: 2, expected: 5 });
    const lee = off([0.8, 1.1, 1.2]);
    expect(spot).toEqual({
      name: 'length of fish at this spot',
      multiplier: expect.closeTo(above(mean + lee, sd) / share, 12),
      fish: 2,
      expected: expect.closeTo(3 * share, 12),
    });
    expect(bait).toEqual({
      name: 'length of fish on this presentation',
      multiplier: expect.closeTo(above(mean + 2 * lee, sd) / above(mean + lee, sd), 12),
      fish: 2,
      expected: expect.closeTo(3 * share, 12),
    });
    const [, head, worm] = factors(log, 'head', 'worm');
    expect(head?.multiplier).toBeLessThan(1);
    expect(worm?.fish).toBe(0);
  });
  it('is never surer than a tenth of the length, however alike the fish are', () => {
    const alike = [set('lee', 'shad', 400, 0, new Array(400).fill(0.9))];
    const mean = (360 + 2 * 0.78) / 402;
    expect(factors(alike)[0]?.multiplier).toBeCloseTo(above(mean, 0.1), 9);
  });
});

describe('the normal distribution', () => {
  // Abramowitz & Stegun 1964, table 26.1; the approximation is good to 1.5e-7.
  it.each([
    [0, 0.5],
    [0.5, 0.6914624613],
    [1, 0.8413447461],
    [1.96, 0.9750021049],
    [3, 0.998650102],
  ])('below %s has %s', (z, share) => {
    expect(Math.abs(normalShare(z) - share)).toBeLessThan(1.5e-7);
    expect(Math.abs(normalShare(-z) - (1 - share))).toBeLessThan(1.5e-7);
  });
});

import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { expectedWithin } from './expectedWithin';

/** Negative binomial draw as a Poisson of a gamma mean: Marsaglia & Tsang (2000) for the gamma, Knuth's product for the Poisson. */
function draw(random: () => number, mean: number, k: number): number {
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const d = k - 1 / 3;
  let gamma = 0;
  for (;;) {
    const x = normal();
    const v = (1 + x / Math.sqrt(9 * d)) ** 3;
    if (v > 0 && Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) {
      gamma = d * v;
      break;
    }
  }
  const limit = Math.exp((-gamma * mean) / k);
  let n = -1;
  for (let p = 1; p > limit; n++) p *= random();
  return Math.max(0, n);
}

describe('what is kept up to the bag', () => {
  it('is the mean of counts cut at the bag, as drawn counts say', () => {
    const random = seeded(11);
    for (const [mean, k, bag] of [
      [6, 2, 4],
      [2.5, 1.2, 8],
      [12, 5, 10],
    ] as const) {
      let sum = 0;
      const draws = 40_000;
      for (let i = 0; i < draws; i++) sum += Math.min(bag, draw(random, mean, k));
      // Three standard errors of such a mean.
      expect(Math.abs(sum / draws - expectedWithin(mean, k, bag))).toBeLessThan((3 * bag) / 2 / Math.sqrt(draws));
    }
  });

  it('is the mean itself without a limit in reach, nothing with a bag of none, and grows with both', () => {
    expect(expectedWithin(7.3, 2, 100_000)).toBeCloseTo(7.3, 6);
    expect(expectedWithin(7.3, 2, 0)).toBe(0);
    expect(expectedWithin(0, 2, 5)).toBe(0);
    const rows = [1, 2, 5, 9, 20].map((bag) => expectedWithin(6, 2, bag));
    expect(rows).toEqual([...rows].sort((a, b) => a - b));
    expect(expectedWithin(6, 2, 4)).toBeGreaterThan(expectedWithin(3, 2, 4));
  });

  it('is near the Poisson value for a large shape, hand-worked: mean 2, bag 1 gives 1 - exp(-2)', () => {
    expect(expectedWithin(2, 1e7, 1)).toBeCloseTo(1 - Math.exp(-2), 6);
    // P(N > 0) + P(N > 1) = (1 - e^-2) + (1 - 3 e^-2).
    expect(expectedWithin(2, 1e7, 2)).toBeCloseTo(2 - 4 * Math.exp(-2), 6);
  });

  it('names what is out of range', () => {
    expect(() => expectedWithin(-1, 2, 3)).toThrow('expected: expected >= 0, got -1');
    expect(() => expectedWithin(1, 0, 3)).toThrow('dispersion');
    expect(() => expectedWithin(1, 2, Number.NaN)).toThrow('limit');
  });
});

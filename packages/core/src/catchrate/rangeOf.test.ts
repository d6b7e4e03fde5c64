// The 80 % range of a rate and of a count, and the age of the log, against tables and worked figures.
import { describe, expect, it } from 'vitest';
import { DAY } from '../units/time';
import { encode, placesOf } from './encode';
import { fitCatchRate } from './fitCatchRate';
import type { CatchRateModel } from './rateModel';
import { listsOf } from './groups';
import { likeWater } from './likeWater';
import { countRange, rateRange } from './rangeOf';
import type { FishedSet, RateWorld } from './world';

const query = { at: 0, spot: 'stone', presentation: 'shad', conditions: {} };
const known = (logVariance: number, dispersion: number) =>
  ({ dispersion, logVariance: () => logVariance, rate: () => 2 }) as unknown as CatchRateModel;

describe('the range of a rate', () => {
  // A gamma of shape 3 is half a chi-square of 6 degrees of freedom: 2.204 at 10 %, 10.645 at 90 % (standard tables).
  it('keeps the spread between days, however well the rate itself is known', () => {
    const { lo80, hi80 } = rateRange(known(1e-12, 3), query);
    expect(lo80).toBeCloseTo((2 * 2.204) / 6, 3);
    expect(hi80).toBeCloseTo((2 * 10.645) / 6, 3);
  });
  // Shape 2 is half a chi-square of 4: 1.064 at 10 %, 7.779 at 90 %.
  it('adds what is not known of the rate to it', () => {
    const { lo80, hi80 } = rateRange(known(1 / 6, 3), query);
    expect(lo80).toBeCloseTo((2 * 1.064) / 4, 3);
    expect(hi80).toBeCloseTo((2 * 7.779) / 4, 3);
    expect(rateRange(known(1 / 6, 3), query, 4).hi80).toBeCloseTo(2 * hi80, 9);
  });
});

describe('the range of a count', () => {
  it('is that of Poisson where days do not differ: mean 5 has 2 at 10 % and 8 at 90 % (standard tables)', () => {
    expect(countRange(5, 1e7)).toEqual({ lo80: 2, hi80: 8 });
  });
  it('is wider where they do: of a negative binomial of size 1 (geometric), mean 5, 0 and 12', () => {
    // P(X > k) = (5/6)^(k+1): the least k with at most a tenth left is 12.
    expect(countRange(5, 1)).toEqual({ lo80: 0, hi80: 12 });
  });
});

describe('the age of the log', () => {
  const NOW = Date.UTC(2026, 5, 18);
  const world: RateWorld = { now: NOW, spots: [{ id: 'stone' }, { id: 'wall' }], presentations: [{ id: 'shad', envelope: null }] };
  const set = (days: number, fish: number, spot = 'stone'): FishedSet => ({
    at: NOW - days * DAY,
    spot,
    presentation: 'shad',
    rodHours: 2,
    fish,
    conditions: {},
  });

  it('halves what a set counts for every 400 days', () => {
    const { weight } = encode(world, listsOf(world), placesOf(world), [set(0, 1), set(400, 1), set(800, 1)]);
    // Oldest first.
    expect([...weight].map((w) => Math.round(1000 * w))).toEqual([250, 500, 1000]);
  });
  it('lets the newer half of a log that has turned round speak louder', () => {
    const years = Array.from({ length: 40 }, (_, i) => [
      set(i * 3, 6),
      set(900 + i * 3, 0),
      set(i * 3, 1, 'wall'),
      set(900 + i * 3, 1, 'wall'),
    ]).flat();
    const model = fitCatchRate(world, years);
    const plain = 6 / 4;
    expect(model.rate({ ...query, at: NOW })).toBeGreaterThan(plain);
  });
  it('counts for likeness too: of two sets in the same water the newer is liker', () => {
    const { sets } = likeWater([set(700, 1), set(10, 2)], { ...query, at: NOW }, NOW);
    expect(sets.map((s) => s.set.fish)).toEqual([2, 1]);
    expect((sets[0]?.weight ?? 0) / (sets[1]?.weight ?? 1)).toBeGreaterThan(2);
  });
});

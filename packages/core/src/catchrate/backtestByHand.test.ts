// What is said of days foretold, of rows made up by hand.
import { describe, expect, it } from 'vitest';
import { DAY, HOUR } from '../units/time';
import { type Foretold, foretellDay, poissonDeviance, summariseBacktest } from './backtest';
import { negativeBinomialQuantile } from './distributions';
import { fitCatchRate } from './fitCatchRate';
import type { FishedSet, RateWorld } from './world';

const row = (more: Partial<Foretold>): Foretold => ({
  at: 0,
  spot: 'lee',
  presentation: 'shad',
  rodHours: 2,
  fish: 2,
  model: 2,
  average: 2,
  yesterday: 2,
  lo80: 1,
  hi80: 3,
  ...more,
});

describe('a summary', () => {
  it('adds up sets, fish and what was expected, and averages the deviance of each way', () => {
    const s = summariseBacktest([row({ fish: 4, model: 2, average: 3 }), row({ fish: 0, model: 1, yesterday: 5 })]);
    expect(s).toMatchObject({ sets: 2, fish: 4, expected: 3 });
    expect(s?.apart.model).toBeCloseTo((poissonDeviance(4, 2) + poissonDeviance(0, 1)) / 2, 12);
    expect(s?.apart.average).toBeCloseTo((poissonDeviance(4, 3) + poissonDeviance(0, 2)) / 2, 12);
    expect(s?.apart.yesterday).toBeCloseTo((poissonDeviance(4, 2) + poissonDeviance(0, 5)) / 2, 12);
  });
  it('counts a set inside its range with both ends', () => {
    const s = summariseBacktest([1, 3, 0, 4, 2].map((fish) => row({ fish })));
    expect(s?.inside).toBeCloseTo(3 / 5, 12);
  });
  it('keeps the third of the effort that each way has highest a rod-hour', () => {
    // Three of two hours each: a third is the first one alone.
    const rows = [
      row({ at: 1, fish: 9, model: 5, average: 1, yesterday: 2 }),
      row({ at: 2, fish: 3, model: 2, average: 7, yesterday: 2 }),
      row({ at: 3, fish: 1, model: 1, average: 2, yesterday: 6 }),
    ];
    expect(summariseBacktest(rows)?.bestThird).toEqual({ model: 4.5, average: 1.5, yesterday: 0.5, all: 13 / 6 });
    // By the rate, not by the number: half the hours at nearly the number is the better one.
    const rate = [
      row({ at: 1, fish: 2, model: 4, rodHours: 4 }),
      row({ at: 2, fish: 5, model: 3, rodHours: 1 }),
      row({ at: 3, fish: 0, model: 0.1, rodHours: 1 }),
    ];
    // The third of six hours is two: one hour is not enough, so four more come with it.
    expect(summariseBacktest(rate)?.bestThird.model).toBeCloseTo(7 / 5, 12);
    // As good: the earlier one.
    const even = [row({ at: 9, fish: 8 }), row({ at: 3, fish: 1 }), row({ at: 5, fish: 4 })];
    expect(summariseBacktest(even)?.bestThird.model).toBe(0.5);
  });
  it('holds what was expected against what came by fifths, from the least expected', () => {
    const rows = [5, 1, 3, 2, 4].map((k) => row({ at: k, model: k, fish: 10 * k, rodHours: 2 }));
    expect(summariseBacktest(rows)?.calibration).toEqual([1, 2, 3, 4, 5].map((k) => ({ expected: k / 2, happened: 5 * k, rodHours: 2 })));
    const ten = Array.from({ length: 10 }, (_, i) => row({ at: i, model: 10 - i, fish: i, rodHours: 1 + (i % 2) }));
    const sum = summariseBacktest(ten)?.calibration;
    expect(sum).toHaveLength(5);
    expect(sum?.reduce((x, b) => x + b.rodHours, 0)).toBe(15);
    // The two least expected a rod-hour are the last and the one two before it (1 in 2 h, 3 in 2 h).
    expect(sum?.[0]).toEqual({ expected: 4 / 4, happened: 16 / 4, rodHours: 4 });
    // Fewer than five sets fill fewer parts.
    expect(summariseBacktest(rows.slice(0, 2))?.calibration).toHaveLength(2);
    // Of one rate the earlier ones come first.
    const even = [
      row({ at: 9, fish: 9 }),
      row({ at: 1, fish: 1 }),
      row({ at: 5, fish: 5 }),
      row({ at: 3, fish: 3 }),
      row({ at: 7, fish: 7 }),
    ];
    expect(summariseBacktest(even)?.calibration.map((b) => b.happened)).toEqual([0.5, 1.5, 2.5, 3.5, 4.5]);
  });
});

describe('a day foretold', () => {
  const NOW = Date.UTC(2026, 5, 1);
  const world: RateWorld = {
    spots: [{ id: 'lee' }, { id: 'head' }, { id: 'bay' }],
    presentations: [{ id: 'shad', envelope: null }],
    now: NOW,
  };
  const set = (spot: string, hours: number, fish: number, more: Partial<FishedSet> = {}): FishedSet => ({
    at: NOW + hours * HOUR,
    spot,
    presentation: 'shad',
    rodHours: 2,
    fish,
    conditions: {},
    ...more,
  });
  const before = [set('lee', -60, 8), set('lee', -20, 2), set('head', -30, 1), set('head', -6, 5), set('lee', -90, 0, { rodHours: 4 })];
  const told = (day: FishedSet[], w: RateWorld = world, log = before) => foretellDay(w, [...log, ...day], NOW + DAY);

  it('is told by each spot’s own average, or by all of them where it has none', () => {
    const [lee, head, bay] = told([set('lee', 2, 1), set('head', 3, 1, { rodHours: 3 }), set('bay', 4, 1)]);
    expect(lee?.average).toBeCloseTo((10 / 8) * 2, 12);
    expect(head?.average).toBeCloseTo((6 / 4) * 3, 12);
    expect(bay?.average).toBeCloseTo((16 / 12) * 2, 12);
  });
  it('is told by the last day’s rate at each spot, twenty hours back from the last set, or by all', () => {
    // The last set began six hours before: from 26 hours before on counts.
    const [lee, head, bay] = told([set('lee', 2, 1), set('head', 3, 1), set('bay', 4, 1)]);
    expect(lee?.yesterday).toBeCloseTo(2, 12);
    expect(head?.yesterday).toBeCloseTo(5, 12);
    expect(bay?.yesterday).toBeCloseTo((16 / 12) * 2, 12);
    const [edge] = told([set('lee', 2, 1)], world, [set('lee', -26, 6), set('head', -6, 5)]);
    expect(edge?.yesterday).toBeCloseTo(6, 12);
    const [over] = told([set('lee', 2, 1)], world, [set('lee', -26.1, 6), set('head', -6, 5)]);
    expect(over?.yesterday).toBeCloseTo((11 / 4) * 2, 12);
  });
  it('counts what the goal counts', () => {
    const log = before.map((s) => ({ ...s, counts: 1 }));
    const keep = { ...world, counting: 'keepable' as const };
    const [lee] = told([set('lee', 2, 4, { counts: 3 })], keep, log);
    expect(lee?.fish).toBe(3);
    expect(lee?.average).toBeCloseTo((3 / 8) * 2, 12);
    // A set of which nothing is told counts whole; so do all where every fish counts.
    expect(told([set('lee', 2, 4)], keep, log)[0]?.fish).toBe(4);
    for (const counting of ['all', undefined] as const) {
      const w = counting === undefined ? world : { ...world, counting };
      const [all] = told([set('lee', 2, 4, { counts: 3 })], w, log);
      expect(all?.fish).toBe(4);
      expect(all?.average).toBeCloseTo((10 / 8) * 2, 12);
    }
  });
  it('has the model’s range, by what is not known of the rate and by luck', () => {
    const [lee] = told([set('lee', 2, 1, { rodHours: 6 })]);
    const model = fitCatchRate(world, before);
    const asked = set('lee', 2, 1, { rodHours: 6 });
    const expected = model.rate(asked) * 6;
    const shape = 1 / (model.logVariance(asked) + 1 / model.dispersion);
    expect(lee).toMatchObject({
      model: expected,
      lo80: negativeBinomialQuantile(0.1, shape, expected),
      hi80: negativeBinomialQuantile(0.9, shape, expected),
    });
  });
  it('is none without a set of the day or any before it, and ends with it', () => {
    expect(told([])).toEqual([]);
    expect(told([set('lee', 2, 1)], world, [])).toEqual([]);
    expect(told([set('lee', 0, 1), set('lee', 23.9, 1), set('lee', 24, 1)]).map((r) => r.at)).toEqual([NOW, NOW + 23.9 * HOUR]);
  });
});

import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { LOG_AXES, type LoggedSet, rateBy, rateInterval } from './rateBy';

const set = (more: Partial<LoggedSet> = {}): LoggedSet => ({
  rodHours: 2,
  fish: 1,
  presentation: 'Shad',
  spot: 'Pier',
  month: 6,
  hour: 8,
  tideStage: null,
  sinceTurnH: null,
  windMps: null,
  waterTempC: null,
  sunHeightDeg: null,
  clarityM: null,
  ...more,
});

describe('the range of a rate', () => {
  // Exact 95 % limits of a Poisson mean (Garwood 1936, table; also Biometrika Tables for Statisticians, table 40).
  it.each([
    [0, 0, 3.6889],
    [1, 0.0253, 5.5716],
    [5, 1.6235, 11.6683],
    [10, 4.7954, 18.3904],
    [30, 20.2409, 42.827],
  ])('of %i fish in an hour is the published one', (fish, lo, hi) => {
    const range = rateInterval(fish, 1, 0.95, 1);
    expect(range.lo80).toBeCloseTo(lo, 3);
    expect(range.hi80).toBeCloseTo(hi, 3);
  });
  it('widens with how much sets differ, and narrows with effort', () => {
    const width = (fish: number, hours: number, spread: number) => {
      const { lo80, hi80 } = rateInterval(fish, hours, 0.8, spread);
      return hi80 - lo80;
    };
    expect(width(10, 20, 3)).toBeGreaterThan(width(10, 20, 1));
    expect(width(100, 200, 1)).toBeLessThan(width(10, 20, 1));
  });
  it.each([
    [-1, 1, 0.8, 1],
    [1, 0, 0.8, 1],
    [1, 1, 1, 1],
    [1, 1, 0.8, 0.5],
  ])('of %d fish in %d hours with %d and %d is refused', (...args) => {
    expect(() => rateInterval(...args)).toThrow(RangeError);
  });
  it('holds the truth 8 times of 10, for fish that come by chance and in shoals', () => {
    const random = seeded(11);
    const poisson = (mean: number) => {
      let [k, p] = [0, Math.exp(-mean)];
      for (let u = random(); u > p && k < 200; k++) {
        u -= p;
        p *= mean / (k + 1);
      }
      return k;
    };
    for (const shoal of [1, 4]) {
      let held = 0;
      for (let i = 0; i < 400; i++) {
        const sets = Array.from({ length: 40 }, () => set({ fish: shoal * poisson(2 / shoal), tideStage: 0.1 }));
        const [g] = rateBy(sets, 'tide').groups;
        if (g && g.lo80 <= 1 && g.hi80 >= 1) held++;
      }
      expect(held / 400).toBeGreaterThan(0.74);
      expect(held / 400).toBeLessThan(0.88);
    }
  });
});

describe('the log in groups', () => {
  it('counts effort with no fish as effort', () => {
    const { groups } = rateBy([set({ fish: 4, tideStage: 0.05 }), set({ fish: 0, tideStage: 0.1 })], 'tide');
    expect(groups).toMatchObject([{ name: 'first run-in', sets: 2, fish: 4, rodHours: 4, rate: 1 }]);
  });
  it('sets aside what nobody knows, and says how much it is', () => {
    const { groups, unknown } = rateBy([set(), set({ windMps: 3 }), set({ windMps: 30 })], 'wind');
    expect(groups.map((g) => g.name)).toEqual(['2', '7 and more']);
    expect(unknown).toEqual({ sets: 1, rodHours: 2 });
  });
  it('keeps the order of the axis, and puts names by their rate', () => {
    const months = rateBy([set({ month: 9 }), set({ month: 2 }), set({ month: 6 })], 'month');
    expect(months.groups.map((g) => g.name)).toEqual(['February', 'June', 'September']);
    const baits = rateBy([set({ presentation: 'Worm', fish: 5 }), set(), set({ presentation: 'Prawn', fish: 3 })], 'bait');
    expect(baits.groups.map((g) => g.name)).toEqual(['Worm', 'Prawn', 'Shad']);
  });
  it('marks what is thin', () => {
    const many = Array.from({ length: 8 }, () => set({ tideStage: 0.3 }));
    const { groups } = rateBy([...many, set({ tideStage: 0.9 })], 'tide');
    expect(groups.map((g) => [g.name, g.thin])).toEqual([
      ['mid run-in', false],
      ['last run-out', true],
    ]);
  });
  it('has every axis, and none of them loses a fish or an hour', () => {
    const random = seeded(5);
    const some = () => (random() < 0.2 ? null : random());
    const sets = Array.from({ length: 300 }, () => {
      const [wind, sun, turn] = [some(), some(), some()];
      return set({
        fish: Math.floor(random() * 4),
        rodHours: 0.5 + random() * 3,
        month: 1 + Math.floor(random() * 12),
        hour: Math.floor(random() * 24),
        tideStage: some(),
        windMps: wind === null ? null : wind * 20,
        waterTempC: some(),
        sunHeightDeg: sun === null ? null : sun * 90 - 30,
        sinceTurnH: turn === null ? null : turn * 8,
        clarityM: some(),
      });
    });
    const hours = sets.reduce((n, s) => n + s.rodHours, 0);
    for (const axis of LOG_AXES) {
      const { groups, unknown } = rateBy(sets, axis);
      expect(groups.reduce((n, g) => n + g.rodHours, unknown.rodHours)).toBeCloseTo(hours, 6);
      for (const g of groups) expect(g.lo80 <= g.rate && g.rate <= g.hi80).toBe(true);
    }
  });
});

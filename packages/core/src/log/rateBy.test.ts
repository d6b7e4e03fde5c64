import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { LOG_AXES, type LogAxis, type LoggedSet, rateBy, rateInterval } from './rateBy';

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
  it.each<[LogAxis, Partial<LoggedSet>, string]>([
    ['tide', { tideStage: 0.124 }, 'first run-in'],
    ['tide', { tideStage: 0.125 }, 'mid run-in'],
    ['tide', { tideStage: 0.374 }, 'mid run-in'],
    ['tide', { tideStage: 0.375 }, 'last run-in'],
    ['tide', { tideStage: 0.5 }, 'first run-out'],
    ['tide', { tideStage: 0.625 }, 'mid run-out'],
    ['tide', { tideStage: 0.875 }, 'last run-out'],
    ['tide', { tideStage: 1 }, 'last run-out'],
    ['turn', { sinceTurnH: 0.99 }, '0 to 1'],
    ['turn', { sinceTurnH: 5.5 }, '5 to 6'],
    ['turn', { sinceTurnH: 6 }, '6 and more'],
    ['turn', { sinceTurnH: 9 }, '6 and more'],
    ['wind', { windMps: 5.4 }, '3'],
    ['wind', { windMps: 13 }, '6'],
    ['wind', { windMps: 15 }, '7 and more'],
    ['water', { waterTempC: 13.99 }, '{temp 12 0}'],
    ['water', { waterTempC: 14 }, '{temp 14 0}'],
    ['light', { sunHeightDeg: -6.1 }, 'night'],
    ['light', { sunHeightDeg: -6 }, 'dawn and dusk'],
    ['light', { sunHeightDeg: 6 }, 'low sun'],
    ['light', { sunHeightDeg: 25 }, 'high sun'],
    ['clarity', { clarityM: 0.49 }, 'muddy'],
    ['clarity', { clarityM: 0.5 }, 'coloured'],
    ['clarity', { clarityM: 1.5 }, 'fair'],
    ['clarity', { clarityM: 3 }, 'clear'],
    ['hour', { hour: 9 }, '08 to 10'],
    ['hour', { hour: 22 }, '22 to 24'],
    ['month', { month: 12 }, 'December'],
  ])('by %s puts %o under %s', (axis, more, name) => {
    expect(rateBy([set(more)], axis).groups.map((g) => g.name)).toEqual([name]);
  });
  it('keeps the order of tide, light and clarity as they come in nature', () => {
    const by = (axis: LogAxis, sets: Partial<LoggedSet>[]) => rateBy(sets.map(set), axis).groups.map((g) => g.name);
    expect(
      by('tide', [{ tideStage: 0.9 }, { tideStage: 0.7 }, { tideStage: 0.55 }, { tideStage: 0.4 }, { tideStage: 0.2 }, { tideStage: 0 }]),
    ).toEqual(['first run-in', 'mid run-in', 'last run-in', 'first run-out', 'mid run-out', 'last run-out']);
    expect(by('light', [{ sunHeightDeg: 50 }, { sunHeightDeg: 10 }, { sunHeightDeg: 0 }, { sunHeightDeg: -20 }])).toEqual([
      'night',
      'dawn and dusk',
      'low sun',
      'high sun',
    ]);
    expect(by('clarity', [{ clarityM: 5 }, { clarityM: 2 }, { clarityM: 1 }, { clarityM: 0.1 }])).toEqual([
      'muddy',
      'coloured',
      'fair',
      'clear',
    ]);
  });
  it('is thin under ten rod-hours or five entries', () => {
    const thin = (entries: number, rodHours: number) =>
      rateBy(
        Array.from({ length: entries }, () => set({ rodHours })),
        'month',
      ).groups[0]?.thin;
    expect([thin(5, 2), thin(5, 1.9), thin(4, 10), thin(4, 2)]).toEqual([false, true, true, true]);
  });
  it('shows the fourteen baits that were fished longest', () => {
    const sets = Array.from({ length: 20 }, (_, i) => set({ presentation: `Bait ${i}`, rodHours: i + 1, fish: 0 }));
    const { groups } = rateBy(sets, 'bait');
    expect(groups).toHaveLength(14);
    expect(Math.min(...groups.map((g) => g.rodHours))).toBe(7);
  });
  it('says how much sets differ beyond chance: not at all where each is its mean, more in shoals', () => {
    expect(rateBy([set({ fish: 2 }), set({ fish: 2 })], 'month').spread).toBe(1);
    // Two entries of mean 4, 8 and 0 caught: chi-square 8 on one degree of freedom.
    expect(rateBy([set({ fish: 8 }), set({ fish: 0 })], 'month').spread).toBeCloseTo(8, 12);
    expect(rateBy([set({ fish: 8 })], 'month').spread).toBe(1);
    expect(rateBy([set({ fish: 0 }), set({ fish: 0 })], 'month').spread).toBe(1);
  });
  it('passes over what was not fished', () => {
    expect(rateBy([set({ rodHours: 0 })], 'month')).toMatchObject({ groups: [], unknown: { sets: 0 } });
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

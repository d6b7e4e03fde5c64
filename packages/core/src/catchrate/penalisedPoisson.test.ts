import { describe, expect, it } from 'vitest';
import { goalShare, normalShare } from './goalShare';
import { fitFactors, type FactorRows } from './penalisedPoisson';
import type { FishedSet } from './world';
import { nth } from '../units/indexed';

const rowsOf = (codes: number[][], fish: number[], effort = fish.map(() => 1)): FactorRows => ({
  count: fish.length,
  codes: codes.map((c) => Int32Array.from(c)),
  fish: Float64Array.from(fish),
  effort: Float64Array.from(effort),
  weight: new Float64Array(fish.length).fill(1),
});

describe('penalised quasi-Poisson', () => {
  // Dobson (1990), An Introduction to Generalized Linear Models, p. 93: counts of a randomised trial by outcome and
  // treatment. Maximum likelihood by R's glm(counts ~ outcome + treatment, poisson): outcome2 -0.4543, outcome3 -0.2930,
  // treatments 0 (from memory of R's own example of glm).
  const counts = [18, 17, 15, 20, 10, 20, 25, 13, 12];
  const outcome = [0, 1, 2, 0, 1, 2, 0, 1, 2];
  const treatment = [0, 0, 0, 1, 1, 1, 2, 2, 2];

  it("meets R's coefficients of Dobson's trial when the penalty is taken away", () => {
    const free = { size: 3, tau0: 1e-9 };
    const s = fitFactors(rowsOf([outcome, treatment], counts), [free, free], {
      learn: false,
      passes: 400,
      tolerance: 1e-12,
      baseEffort: 1e-9,
    });
    const [o, t] = s.beta as [Float64Array, Float64Array];
    expect(nth(o, 1) - nth(o, 0)).toBeCloseTo(-0.4543, 3);
    expect(nth(o, 2) - nth(o, 0)).toBeCloseTo(-0.293, 3);
    expect(nth(t, 1) - nth(t, 0)).toBeCloseTo(0, 3);
    expect(s.mu[0]).toBeCloseTo(21, 3);
    // Fitted values keep the margins: a property of every Poisson fit.
    expect(s.mu.reduce((a, b) => a + b, 0)).toBeCloseTo(150, 6);
  });

  it('solves the equation of every penalised level: Y/phi - M exp(b)/phi - t b = 0', () => {
    const s = fitFactors(rowsOf([[0, 0, 1, 1]], [4, 6, 1, 2], [2, 2, 2, 2]), [{ size: 2, tau0: 3 }], {
      learn: false,
      passes: 500,
      tolerance: 1e-13,
      baseEffort: 1e-9,
    });
    [10, 3].forEach((y, level) => {
      const b = s.beta[0]?.[level] as number;
      expect(y / s.phi - (4 * Math.exp(s.base + b)) / s.phi - 3 * b).toBeCloseTo(0, 5);
    });
  });

  it('pulls levels together by as much as they agree', () => {
    const make = (spread: number) => {
      const level = Array.from({ length: 200 }, (_, i) => i % 20);
      return rowsOf(
        [level],
        level.map((l) => Math.round(5 * Math.exp(spread * Math.sin(l * 2.1)))),
      );
    };
    const tau = (spread: number) => nth(fitFactors(make(spread), [{ size: 20, tau0: 5 }]).tau, 0);
    expect(tau(0)).toBeGreaterThan(tau(0.4));
    expect(tau(0.4)).toBeGreaterThan(1.5 * tau(1));
    // A sine of amplitude 1 has a variance of one half: a precision of two.
    expect(tau(1)).toBeGreaterThan(1.2);
    expect(tau(1)).toBeLessThan(4);
  });

  it('keeps a level without rows at its prior mean, and a rule fades as evidence grows', () => {
    const group = { size: 2, tau0: 20, mean: Float64Array.from([0, Math.log(0.4)]), weight: Float64Array.from([0, 5]) };
    const none = fitFactors(rowsOf([[0, 0]], [5, 5]), [group]);
    expect(none.beta[0]?.[1]).toBeCloseTo(Math.log(0.4), 9);
    const against = (n: number) => {
      const level = Array.from({ length: 2 * n }, (_, i) => i % 2);
      const beta = nth(
        fitFactors(
          rowsOf(
            [level],
            level.map(() => 2),
          ),
          [group],
        ).beta,
        0,
      );
      return Math.exp(nth(beta, 1) - nth(beta, 0));
    };
    expect(against(2)).toBeLessThan(against(20));
    expect(against(20)).toBeLessThan(against(400));
    expect(against(400)).toBeGreaterThan(0.9);
  });
});

describe('share that the goal counts', () => {
  const set = (spot: string, fish: number, counts: number, ratios: number[]): FishedSet => ({
    at: 0,
    spot,
    presentation: 'bait',
    rodHours: 1,
    fish,
    counts,
    lengths: { count: ratios.length, sum: ratios.reduce((a, b) => a + b, 0), squares: ratios.reduce((a, b) => a + b * b, 0) },
    conditions: {},
  });
  const product = (spot: string, sets: FishedSet[], counting: 'long' | 'keepable') =>
    (goalShare(sets, counting)?.(spot, 'bait') ?? []).reduce((x, f) => x * f.multiplier, 1);

  it('is not asked for when every fish counts', () => {
    expect(goalShare([], 'all')).toBeNull();
  });
  it('leans on all spots where few fish were measured, and on its own where many were', () => {
    const small = Array.from({ length: 60 }, () => set('small', 2, 0, [0.6, 0.8]));
    const large = Array.from({ length: 60 }, () => set('large', 2, 1, [0.9, 1.1]));
    const few = [set('new', 1, 1, [1.3])];
    const sets = [...small, ...large, ...few];
    expect(product('large', sets, 'long')).toBeGreaterThan(3 * product('small', sets, 'long'));
    const all = product('nowhere', sets, 'long');
    expect(product('new', sets, 'long')).toBeGreaterThan(all);
    expect(product('new', sets, 'long')).toBeLessThan(2 * all);
  });
  it('of what may be kept is a pooled proportion and never more than all', () => {
    const sets = Array.from({ length: 30 }, () => set('pool', 2, 1, []));
    expect(product('pool', sets, 'keepable')).toBeCloseTo(0.5, 1);
    const kept = Array.from({ length: 60 }, () => set('pool', 2, 2, []));
    expect(product('pool', kept, 'keepable')).toBeLessThanOrEqual(1);
  });
  it('takes the normal distribution from Abramowitz & Stegun, table 26.1', () => {
    expect(normalShare(0)).toBeCloseTo(0.5, 6);
    expect(normalShare(1)).toBeCloseTo(0.841345, 6);
    expect(normalShare(1.96)).toBeCloseTo(0.975002, 6);
    expect(normalShare(-2.5)).toBeCloseTo(0.00621, 5);
  });
});

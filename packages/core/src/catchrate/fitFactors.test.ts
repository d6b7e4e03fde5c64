// Where the fit ends: the equations that its base, its levels, their spread and the spread of counts must solve there, written out.
import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { type FactorGroup, type FactorRows, type FactorState, fitFactors, levelInformation } from './penalisedPoisson';
import { nth } from '../units/indexed';

/** Rows of three groups: one with a level in every row, one with gaps, one that no row speaks of. */
function made(count: number, seed = 4, most = 9): FactorRows {
  const random = seeded(seed);
  const of = (n: number, gaps: boolean) =>
    Int32Array.from({ length: count }, () => (gaps && random() < 0.3 ? -1 : Math.floor(random() * n)));
  const codes = [of(4, false), of(3, true), new Int32Array(count).fill(-1)];
  const weight = Float64Array.from({ length: count }, () => 0.3 + 0.7 * random());
  const effort = weight.map((w) => w * (1 + 3 * random()));
  const fish = Float64Array.from({ length: count }, (_, i) =>
    Math.floor(nth(weight, i) * most * (0.4 + random()) * (1 + 0.3 * nth(nth(codes, 0), i))),
  );
  return { count, codes, fish, effort, weight };
}
const GROUPS: FactorGroup[] = [
  { size: 5, tau0: 6 },
  { size: 3, tau0: 4, mean: Float64Array.of(0, 0.4, -0.2), weight: Float64Array.of(0, 3, 0) },
  { size: 2, tau0: 9 },
];
/** To the end, and the base as the rows alone have it. */
const END = { passes: 3000, tolerance: 1e-13, baseEffort: 1e-9 };
const sum = (n: number, of: (i: number) => number) => Array.from({ length: n }, (_, i) => of(i)).reduce((a, b) => a + b, 0);
const at = (list: ArrayLike<number> | undefined, i: number) => list?.[i] as number;
/** Fish and expected fish of a level's rows. */
const level = (rows: FactorRows, s: FactorState, g: number, c: number) => {
  const here = (i: number) => (at(rows.codes[g], i) === c ? 1 : 0);
  return { fish: sum(rows.count, (i) => here(i) * at(rows.fish, i)), expected: sum(rows.count, (i) => here(i) * at(s.mu, i)) };
};

describe('the end of a fit', () => {
  const rows = made(160);
  const s = fitFactors(rows, GROUPS, END);
  it('expects of each row what its effort, the base and its levels say', () => {
    for (let i = 0; i < rows.count; i++) {
      const log = s.base + sum(2, (g) => (at(rows.codes[g], i) < 0 ? 0 : at(s.beta[g], at(rows.codes[g], i))));
      expect(at(s.mu, i)).toBeCloseTo(at(rows.effort, i) * Math.exp(log), 8);
    }
  });
  it('balances the base against its prior, two fish in four hours where none is given', () => {
    // Of groups with gaps alone: the mean of a whole one is the base's.
    const gaps = { ...rows, codes: rows.codes.slice(1) };
    const fish = sum(rows.count, (i) => at(rows.fish, i));
    for (const [rate, effort, more] of [
      [0.5, 4, {}],
      [3, 50, { baseRate: 3, baseEffort: 50 }],
    ] as const) {
      const t = fitFactors(gaps, GROUPS.slice(1), { passes: 3000, tolerance: 1e-13, ...more });
      const expected = sum(rows.count, (i) => at(t.mu, i));
      expect(fish / t.phi + rate * effort).toBeCloseTo(expected / t.phi + effort * Math.exp(t.base), 5);
    }
  });
  it('balances each level of a group with gaps against its own prior, the rule’s weight added', () => {
    for (const c of [0, 1, 2]) {
      const { fish, expected } = level(rows, s, 1, c);
      const t = at(s.tau, 1) + at(GROUPS[1]?.weight, c);
      expect(fish / s.phi - expected / s.phi - t * (at(s.beta[1], c) - at(GROUPS[1]?.mean, c))).toBeCloseTo(0, 6);
    }
  });
  it('balances the levels of a whole group about their own mean, which is given to the base', () => {
    const levels = [0, 1, 2, 3].map((c) => ({ ...level(rows, s, 0, c), beta: at(s.beta[0], c) }));
    expect(levels.reduce((x, l) => x + l.beta, 0)).toBeCloseTo(0, 9);
    const [first, ...rest] = levels.map((l) => (l.fish - l.expected) / s.phi - at(s.tau, 0) * l.beta);
    // What is over is the same for all: the base takes it up.
    for (const x of rest) expect(x).toBeCloseTo(first as number, 5);
  });
  it('leaves a level without rows at its prior mean, and a group that no row speaks of alone', () => {
    expect(at(s.beta[0], 4)).toBe(0);
    expect([...nth(s.beta, 2)]).toEqual([0, 0]);
    expect([s.active, s.whole]).toEqual([[0, 1], [0]]);
    const spoken = fitFactors(rows, [{ size: 4, tau0: 6, mean: Float64Array.of(0.1, 0.1, 0.1, 0.1) }, ...GROUPS.slice(1)], END);
    expect(sum(4, (c) => at(spoken.beta[0], c) - 0.1)).toBeCloseTo(0, 9);
  });
  it('has learned each group’s precision from the spread of its levels, those with a rule left out', () => {
    const learned = (g: number, levels: readonly number[]) => {
      const tau0 = GROUPS[g]?.tau0 ?? 0;
      const spread = levels.reduce(
        (x, c) => x + at(s.beta[g], c) ** 2 + 1 / (level(rows, s, g, c).expected / s.phi + at(s.tau, g)),
        3 / tau0,
      );
      return (3 + levels.length) / spread;
    };
    expect(at(s.tau, 0)).toBeCloseTo(learned(0, [0, 1, 2, 3]), 5);
    expect(at(s.tau, 1)).toBeCloseTo(learned(1, [0, 2]), 5);
    expect(at(s.tau, 2)).toBeCloseTo(9, 9);
  });
  it('has learned the spread of counts by Pearson’s chi-square, thirty rows of 1.3 with it', () => {
    const chi = sum(rows.count, (i) => {
      const mu = Math.max(0.1 * at(rows.weight, i), at(s.mu, i));
      return (at(rows.fish, i) - mu) ** 2 / mu;
    });
    const used = [0, 1].reduce(
      (x, g) =>
        x +
        sum(GROUPS[g]?.size ?? 0, (c) => {
          const h = level(rows, s, g, c).expected / s.phi;
          return h === 0 ? 0 : h / (h + at(s.tau, g) + (GROUPS[g]?.weight?.[c] ?? 0));
        }),
      0,
    );
    const free = 30 + sum(rows.count, (i) => at(rows.weight, i)) - used;
    expect(s.phi).toBeGreaterThan(1);
    expect(s.phi).toBeLessThan(6);
    expect(s.phi).toBeCloseTo((39 + chi) / Math.max(30, free), 5);
  });
  it('tells what the rows know of a level', () => {
    for (const c of [0, 3]) expect(levelInformation(s, 0, c)).toBeCloseTo(level(rows, s, 0, c).expected / s.phi, 6);
    expect(levelInformation(s, 0, 4)).toBe(0);
    expect(levelInformation(s, 9, 0)).toBe(0);
    expect(levelInformation(s, 0, 99)).toBe(0);
  });
  it('keeps what is learned within its limits', () => {
    // Counts that never vary, and levels that do not either: as sure as can be.
    const alike: FactorRows = {
      count: 400,
      codes: [Int32Array.from({ length: 400 }, (_, i) => i % 200)],
      fish: new Float64Array(400).fill(5),
      effort: new Float64Array(400).fill(1),
      weight: new Float64Array(400).fill(1),
    };
    const even = fitFactors(alike, [{ size: 200, tau0: 900 }], END);
    expect(even.phi).toBe(1);
    expect(even.tau[0]).toBe(400);
    const wild: FactorRows = {
      ...alike,
      codes: [Int32Array.from({ length: 400 }, (_, i) => i % 2)],
      fish: Float64Array.from({ length: 400 }, (_, i) => (i % 40 === 0 ? 200 : 0)),
    };
    expect(fitFactors(wild, [{ size: 2, tau0: 5 }], END).phi).toBe(6);
    const far: FactorRows = {
      ...alike,
      codes: [Int32Array.from({ length: 400 }, (_, i) => i % 40)],
      fish: Float64Array.from({ length: 400 }, (_, i) => (i % 40 < 20 ? 0.05 : 400)),
    };
    expect(fitFactors(far, [{ size: 40, tau0: 0.01 }], END).tau[0]).toBeCloseTo(0.4, 9);
  });
});

describe('a fit that is cut short or goes on', () => {
  const rows = made(120, 11);
  const cold = fitFactors(rows, GROUPS, END);
  it('ends when little changes, after three passes at least while it learns', () => {
    expect(fitFactors(rows, GROUPS, { passes: 1 }).passes).toBe(1);
    expect(fitFactors(rows, GROUPS, { passes: 7, tolerance: 0 }).passes).toBe(7);
    expect(fitFactors(rows, GROUPS, { tolerance: 9 }).passes).toBe(3);
    expect(fitFactors(rows, GROUPS, { tolerance: 9, learn: false }).passes).toBe(1);
    const loose = fitFactors(rows, GROUPS, { tolerance: 1e-3 }).passes;
    const tight = fitFactors(rows, GROUPS, { tolerance: 1e-6, passes: 500 }).passes;
    expect(loose).toBeGreaterThan(3);
    expect(tight).toBeGreaterThan(loose);
    expect(cold.passes).toBeLessThan(3000);
  });
  it('learns nothing unless it is to', () => {
    const s = fitFactors(rows, GROUPS, { ...END, learn: false });
    expect([...s.tau]).toEqual([6, 4, 9]);
    expect(s.phi).toBe(1.3);
    // Learned every third pass.
    const two = fitFactors(rows, GROUPS, { passes: 2, tolerance: 0 });
    expect([...two.tau]).toEqual([6, 4, 9]);
    expect(fitFactors(rows, GROUPS, { passes: 3, tolerance: 0 }).tau[0]).not.toBe(6);
    expect(fitFactors(rows, GROUPS, { passes: 3, tolerance: 0 }).phi).toBe(fitFactors(rows, GROUPS, { passes: 5, tolerance: 0 }).phi);
  });
  it('goes on from where it was: with the same rows nothing moves, with more it ends where all of them end', () => {
    const same = fitFactors(rows, GROUPS, { ...END, warm: cold, learn: false, tolerance: 1e-9 });
    expect(same.passes).toBe(1);
    expect(same.base).toBeCloseTo(cold.base, 7);
    const part = (n: number): FactorRows => ({
      count: n,
      codes: rows.codes.map((c) => c.slice(0, n)),
      fish: rows.fish.slice(0, n),
      effort: rows.effort.slice(0, n),
      weight: rows.weight.slice(0, n),
    });
    const before = fitFactors(part(70), GROUPS, END);
    const on = fitFactors(rows, GROUPS, { ...END, warm: before });
    expect([on.active, on.whole]).toEqual([[0, 1], [0]]);
    expect(on.base).toBeCloseTo(cold.base, 5);
    for (const g of [0, 1]) expect([...nth(on.beta, g)]).toEqual([...nth(cold.beta, g)].map((b) => expect.closeTo(b, 4)));
    expect([...on.mu]).toEqual([...cold.mu].map((m) => expect.closeTo(m, 3)));
    // The state that it went on from is as it was.
    expect(before.mu.length).toBe(70);
    expect(before).toEqual(fitFactors(part(70), GROUPS, END));
    // Fewer rows than were seen are those that are left.
    expect(fitFactors(part(40), GROUPS, { warm: before, passes: 1 }).mu.length).toBe(40);
  });
  it('does not take a group for whole that was not before', () => {
    const gaps = { ...rows, codes: [nth(rows.codes, 1), nth(rows.codes, 1), nth(rows.codes, 2)] };
    const groups = [GROUPS[1], GROUPS[1], GROUPS[2]] as FactorGroup[];
    const first = fitFactors(gaps, groups, END);
    expect(first.whole).toEqual([]);
    const n = rows.count;
    const one = (a: ArrayLike<number>, x: number) => [...Array.from(a), x];
    const more: FactorRows = {
      count: n + 1,
      codes: gaps.codes.map((c, g) => Int32Array.from(one(c, g === 2 ? -1 : 0))),
      fish: Float64Array.from(one(gaps.fish, 2)),
      effort: Float64Array.from(one(gaps.effort, 2)),
      weight: Float64Array.from(one(gaps.weight, 1)),
    };
    const on = fitFactors(more, groups, { ...END, warm: first });
    expect([on.active, on.whole]).toEqual([[0, 1], []]);
    // A group that is spoken of for the first time comes in.
    const third = { ...more, codes: [...more.codes.slice(0, 2), Int32Array.from(one(new Int32Array(n).fill(-1), 1))] };
    expect(fitFactors(third, groups, { warm: first }).active).toEqual([0, 1, 2]);
  });
});

// Every sum at its usual figures, at both ends of each field, and at the ends of all of them: a picture and figures, or a sentence.
import { describe, expect, it } from 'vitest';
import { SUM_NAMES } from './sumNames';
import { SUMS } from './sums';

const clean = (what: unknown) =>
  expect(JSON.stringify(what, (_, v) => (typeof v === 'number' && !Number.isFinite(v) ? 'NOT A NUMBER' : v))).not.toMatch(
    /NOT A NUMBER|NaN|undefined|Infinity/,
  );

describe('the sums of the bench', () => {
  it('are those that are named, in that order, beside those with their own screens', () => {
    const names = SUM_NAMES.map(([key]) => key);
    expect(SUMS.map((s) => s.key)).toEqual(names.filter((n) => !['countdown', 'boards', 'leader', 'mix', 'campaign'].includes(n)));
    for (const s of SUMS) expect(SUM_NAMES).toContainEqual([s.key, s.name]);
  });

  it.each(SUMS.map((s) => [s.key, s] as const))('%s answers at its usual figures and at the ends of each', (_, sum) => {
    const usual = Object.fromEntries(sum.fields.map((f) => [f.name, f.usual]));
    clean(sum.solve(usual));
    for (const f of sum.fields)
      for (const end of [f.least, f.most])
        try {
          clean(sum.solve({ ...usual, [f.name]: end }));
        } catch (e) {
          expect(e).toBeInstanceOf(RangeError);
          expect((e as Error).message).toMatch(/expected .*, got /);
        }
    for (const f of sum.fields) expect(f.usual >= f.least && f.usual <= f.most).toBe(true);
  });

  it('drag their handles to the figure under the pointer', () => {
    for (const sum of SUMS) {
      const usual = Object.fromEntries(sum.fields.map((f) => [f.name, f.usual]));
      const { plot } = sum.solve(usual);
      for (const h of plot?.handles ?? []) expect(h.value(h.along === 'x' ? h.x : h.y)).toBeCloseTo(usual[h.field] ?? Number.NaN, 6);
    }
  });
});

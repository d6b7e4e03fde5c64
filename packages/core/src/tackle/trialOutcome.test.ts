import { describe, expect, it } from 'vitest';
import { leaderChoice } from './leaderChoice';
import { trialOutcome } from './trialOutcome';

const arm = (name: string, rodHours: number, bites: number, hooked: number, landed: number) => ({
  arm: name,
  rodHours,
  bites,
  hooked,
  landed,
});

describe('a trial', () => {
  it('agrees with the comparison of leaders on the same counts', () => {
    const t = trialOutcome([arm('18 kg', 12, 9, 7, 4), arm('27 kg', 12, 5, 5, 5)]);
    const l = leaderChoice([
      { kg: 18, rodHours: 12, bites: 9, hooked: 7, landed: 4 },
      { kg: 27, rodHours: 12, bites: 5, hooked: 5, landed: 5 },
    ]);
    expect(t.best).toBe(`${l.choice} kg`);
    expect(t.arms.map((a) => a.chanceToBeBest)).toEqual(l.strengths.map((s) => s.chanceToBeBest));
  });
  it('that is told says to go by it; one that is not says how much more it takes', () => {
    const clear = trialOutcome([arm('circle', 20, 30, 25, 22), arm('J hook', 20, 12, 6, 2)]);
    expect(clear).toMatchObject({ best: 'circle', moreHours: 0 });
    expect(clear.chance).toBeGreaterThan(0.95);
    expect(clear.text).toMatch(/go by it/);
    const open = trialOutcome([arm('a', 4, 3, 2, 2), arm('b', 4, 2, 2, 1)]);
    expect(open.chance).toBeLessThan(0.9);
    expect(open.moreHours).toBeGreaterThan(0);
    expect(open.text).toContain(`about ${Math.ceil(open.moreHours ?? 0)} rod-hours more on each`);
  });
  it('of two that gave the same says that either will do', () => {
    const same = trialOutcome([arm('a', 10, 5, 4, 3), arm('b', 10, 5, 4, 3)]);
    expect(same.moreHours).toBeNull();
    expect(same.text).toMatch(/so alike/);
  });
  it('of one is none', () => {
    expect(() => trialOutcome([arm('a', 1, 0, 0, 0)])).toThrow(/at least 2/);
  });
});

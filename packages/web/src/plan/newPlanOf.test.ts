import { newPlan } from '@bluffwind/contract/plan';
import { describe, expect, it } from 'vitest';
import { newPlanOf } from './newPlanOf';

const A = '3b9e1c52-6c0a-4d7e-9c39-0f5a4d0f7a11';
const leg = { spotId: A, startMs: Date.UTC(2026, 5, 19, 9), departMs: Date.UTC(2026, 5, 19, 10), pinned: true };
const trigger = { id: 'x', sentence: 'If so.', worth: 1, chance: null, condition: null, planB: { legs: [leg] } };

describe('a plan to be kept', () => {
  it('is one that the contract takes, with times as instants', () => {
    const plan = newPlanOf({ replaces: 2, bans: [A], again: true, without: [A], legs: [leg], triggers: [trigger as never] });
    expect(newPlan.parse(plan)).toEqual(plan);
    expect(plan).toMatchObject({ replaces: 2, bans: [A], options: { again: true, without: [A] } });
    expect(plan.legs).toEqual([{ spotId: A, startAt: '2026-06-19T09:00:00.000Z', departAt: '2026-06-19T10:00:00.000Z', pinned: true }]);
    expect(plan.triggers[0]?.planB).toEqual([{ spotId: A, startAt: '2026-06-19T09:00:00.000Z', departAt: '2026-06-19T10:00:00.000Z' }]);
  });

  it('has an id of its own each time, and carries the twelve triggers that are worth most at the most', () => {
    const many = Array.from({ length: 30 }, (_, i) => ({ ...trigger, worth: 30 - i })) as never[];
    const [a, b] = [0, 1].map(() => newPlanOf({ replaces: 0, bans: [], legs: [leg], triggers: many }));
    expect(a?.id).not.toBe(b?.id);
    expect(a?.triggers.map((t) => t.worth)).toEqual([30, 29, 28, 27, 26, 25, 24, 23, 22, 21, 20, 19]);
  });
});

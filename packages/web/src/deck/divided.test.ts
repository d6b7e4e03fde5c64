import { describe, expect, it } from 'vitest';
import { divided } from './divided';

const trial = { what: 'leader' as const, arms: ['18 kg', '27 kg'] };

describe('the rods of a trial', () => {
  it('are shared out as evenly as they go, none lost', () => {
    expect(divided({ presentationId: 'a', rods: 4 }, trial).map((s) => [s.trial?.arm, s.rods])).toEqual([
      ['18 kg', 2],
      ['27 kg', 2],
    ]);
    for (const rods of [2, 3, 5, 7]) expect(divided({ presentationId: 'a', rods }, trial).reduce((n, s) => n + s.rods, 0)).toBe(rods);
  });
  it('stay together without a trial, or where there are fewer than it compares', () => {
    expect(divided({ presentationId: 'a', rods: 4 }, null)).toEqual([{ presentationId: 'a', rods: 4 }]);
    expect(divided({ presentationId: 'a', rods: 1 }, trial)).toEqual([{ presentationId: 'a', rods: 1 }]);
  });
});

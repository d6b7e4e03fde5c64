import { describe, expect, it } from 'vitest';
import { lossRate } from './lossRate';

describe('rigs lost in an hour of a rod', () => {
  it('are as usual on that ground until the crew has counted its own, and its own after many hours', () => {
    expect(lossRate(0.12, undefined)).toBe(0.12);
    expect(lossRate(0.12, { lost: 0, rodHours: 0 })).toBeCloseTo(0.12, 12);
    // Ten rod-hours of its own count as much as the usual: half way.
    expect(lossRate(0.1, { lost: 3, rodHours: 10 })).toBeCloseTo((0.1 + 0.3) / 2, 12);
    expect(lossRate(0.12, { lost: 800, rodHours: 1000 })).toBeCloseTo(0.8, 1);
    expect(lossRate(0.12, { lost: 0, rodHours: 1000 })).toBeLessThan(0.002);
  });
  it('rise with what was lost and fall with hours without a loss', () => {
    expect(lossRate(0.1, { lost: 2, rodHours: 10 })).toBeGreaterThan(lossRate(0.1, { lost: 1, rodHours: 10 }));
    expect(lossRate(0.1, { lost: 1, rodHours: 20 })).toBeLessThan(lossRate(0.1, { lost: 1, rodHours: 10 }));
  });
  it('are refused for counts below nothing', () => {
    for (const own of [
      { lost: -1, rodHours: 2 },
      { lost: 1, rodHours: -2 },
      { lost: Number.NaN, rodHours: 2 },
    ])
      expect(() => lossRate(0.1, own)).toThrow(/losses: expected nothing below 0/);
  });
});

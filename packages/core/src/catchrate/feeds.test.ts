import { describe, expect, it } from 'vitest';
import { DAY } from '../units/time';
import { feedIndex, feedingAt } from './feeds';

const NOW = Date.UTC(2026, 5, 19, 8);
const fed = (...daysAgo: number[]) =>
  feedingAt(
    feedIndex(
      [{ id: 'a' }, { id: 'b' }],
      daysAgo.map((d) => ({ at: NOW - d * DAY, spot: 'a' })),
    ),
    0,
    NOW,
  );

// Common practice: at least twice a week, one to two weeks ahead.
describe('a spot that is fed', () => {
  it('is fed regularly when it was twice a week for a week or more', () => {
    expect(fed(1, 4, 8)).toBe(0);
    expect(fed(1, 4, 8, 11, 15)).toBe(0);
    expect(fed(0, 3.5, 7)).toBe(0);
  });
  it('is fed now and then when feeds are few, begun too late, broken off or long ago', () => {
    expect(fed(1)).toBe(1);
    expect(fed(1, 2, 3)).toBe(1);
    expect(fed(1, 8)).toBe(1);
    expect(fed(1, 6, 9, 13)).toBe(1);
    expect(fed(5, 8, 12)).toBe(1);
    expect(fed(8, 11, 15)).toBe(-1);
    expect(fed()).toBe(-1);
  });
  it('knows no feed that is yet to come, and none of another spot', () => {
    expect(fed(-1)).toBe(-1);
    expect(fed(-1, 2)).toBe(1);
    const index = feedIndex(
      [{ id: 'a' }, { id: 'b' }],
      [
        { at: NOW - DAY, spot: 'b' },
        { at: NOW - DAY, spot: 'gone' },
      ],
    );
    expect([feedingAt(index, 0, NOW), feedingAt(index, 1, NOW), feedingAt(null, 0, NOW), feedingAt(index, -1, NOW)]).toEqual([
      -1, 1, -1, -1,
    ]);
  });
});

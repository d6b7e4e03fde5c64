import { describe, expect, it } from 'vitest';
import { composeBrief, ordinal } from './composeBrief';

const stop = (spotId: string, fish: number) => ({ spotId, spotName: spotId, rodHours: 3, fish, expected: 3, lo80: 1, hi80: 6 });

describe('brief', () => {
  it('tells luck from a surprise', () => {
    const brief = composeBrief([stop('pier', 9), stop('drain', 3), stop('quay', 0)], [], []);
    expect(brief.againstPlan.map((o) => o.verdict)).toEqual(['above', 'within', 'below']);
    expect(brief.summary).toBe('pier beat its range. quay fell below its range. drain: within luck.');
    expect(brief.fish).toBe(12);
  });
  it('adds up two stops at one spot', () => {
    expect(composeBrief([stop('pier', 2), stop('pier', 3)], [], []).againstPlan).toMatchObject([{ fish: 5, expected: 6, rodHours: 6 }]);
  });
  it('says what moved in the ranking and why, what was fished first', () => {
    const before = [
      { spotId: 'a', spotName: 'a', rate: 2 },
      { spotId: 'b', spotName: 'b', rate: 1.5 },
      { spotId: 'c', spotName: 'c', rate: 1 },
    ];
    const after = [
      { spotId: 'b', spotName: 'b', rate: 1.9 },
      { spotId: 'a', spotName: 'a', rate: 1.4 },
      { spotId: 'c', spotName: 'c', rate: 1.01 },
    ];
    const brief = composeBrief([stop('a', 0)], before, after);
    expect(brief.changes.map((c) => [c.spotId, c.rankBefore, c.rankAfter])).toEqual([
      ['a', 1, 2],
      ['b', 2, 1],
    ]);
    expect(brief.changes[0]?.sentence).toBe(
      'down from 1st to 2nd: 2.00 to 1.40 fish per rod-hour. 0 fish in 3.0 rod-hours, where 3.0 were expected.',
    );
  });
  it('says that nothing was fished', () => {
    expect(composeBrief([], [], []).summary).toBe('No stop was fished today.');
  });
  it('counts in words', () => {
    expect([1, 2, 3, 4, 11, 12, 13, 21].map(ordinal)).toEqual(['1st', '2nd', '3rd', '4th', '11th', '12th', '13th', '21st']);
  });
});

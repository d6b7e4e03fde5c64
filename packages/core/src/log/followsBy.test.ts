// Common practice: big lures draw looks in a narrow window, and about two of ten fish that look take.
import { describe, expect, it } from 'vitest';
import { type BigLureSet, followsBy, followWords } from './followsBy';
import { baitEarned } from './baitEarned';
import { marksWords } from './marksTold';

const good: BigLureSet = { hour: 12, rodHours: 2, clarityM: 1, windMps: 6, cloud: 0.9, follows: 4, takes: 1 };

describe('looks and takes', () => {
  const sets: BigLureSet[] = [good, { ...good, hour: 18, follows: 1, takes: 0 }, { ...good, windMps: 1, cloud: 0.1, follows: 0, takes: 0 }];
  it('are counted in the window, near it and outside', () => {
    const by = followsBy(sets);
    expect(by.all).toEqual({ rodHours: 6, looks: 6, takes: 1 });
    expect(by.window.open).toEqual({ rodHours: 2, looks: 5, takes: 1 });
    expect(by.window.nearly).toEqual({ rodHours: 2, looks: 1, takes: 0 });
    expect(by.window.shut).toEqual({ rodHours: 2, looks: 0, takes: 0 });
    expect(by.parts.find((p) => p.part === 'hour')).toMatchObject({ right: { rodHours: 4 }, wrong: { rodHours: 2, looks: 1 } });
  });
  it('of water that nobody knows count on neither side of it, and not as in the window', () => {
    const by = followsBy([{ ...good, clarityM: null }]);
    expect(by.parts.find((p) => p.part === 'clarity')).toMatchObject({ right: { rodHours: 0 }, wrong: { rodHours: 0 } });
    expect([by.window.open.rodHours, by.window.nearly.rodHours]).toEqual([0, 2]);
  });
  it('are told against what is usual', () => {
    expect(followWords(followsBy(sets))).toContain('6 fish came to big lures, 1 took: 2 in 10, where 2 in 10 are usual.');
    expect(
      followWords(
        followsBy([
          { ...good, rodHours: 5 },
          { ...good, rodHours: 5, hour: 6, follows: 1, takes: 0 },
        ]),
      ),
    ).toContain('In the window 1.00 came a rod-hour, outside it 0.20.');
    expect(followWords(followsBy([]))).toBe('No big lure has been fished yet.');
    expect(followWords(followsBy([{ ...good, follows: 0, takes: 3 }]))).toMatch(
      /^3 fish took big lures in 2 rod-hours. No follow has been logged/,
    );
  });
});

describe('marks', () => {
  it('are told by how they lay, with what came of them, and judged only when there are enough', () => {
    expect(marksWords([])).toBe('');
    expect(marksWords([{ relation: null, seen: 9, fish: 2 }])).toBe('');
    expect(marksWords([{ relation: 'tight', seen: 3, fish: 2 }])).toBe(
      'Marks tight to the bottom 3 times, a fish within the hour after 2. Too few yet to tell them apart; usually those that lie tight are the target.',
    );
    const told = (tight: number, above: number) =>
      marksWords([
        { relation: 'tight', seen: 10, fish: tight },
        { relation: 'above', seen: 10, fish: above },
      ]);
    expect(told(7, 2)).toContain('more often the target');
    expect(told(2, 2)).toContain('against what is usual');
  });
});

describe('what a bait earned', () => {
  const plain = { name: 'a', rodHours: 10, fish: 5, costPerHour: 2, lost: 0, lookedBackH: 0, pieceCost: null };
  it('is its bait and its lost pieces over its fish, losses taken as often on days not looked back on', () => {
    expect(baitEarned([plain])[0]).toMatchObject({ cost: 20, costPerFish: 4, lostPerHour: null });
    // 2 lost in 5 of 10 hours: 4 in all, at 3.50 each.
    expect(baitEarned([{ ...plain, lost: 2, lookedBackH: 5, pieceCost: 3.5 }])[0]).toMatchObject({
      cost: 34,
      costPerFish: 6.8,
      lostPerHour: 0.4,
    });
  });
  it('puts the cheapest fish first, what cost nothing after, and what caught nothing has no price', () => {
    const list = baitEarned([
      { ...plain, name: 'free', costPerHour: 0 },
      { ...plain, name: 'dear', costPerHour: 9 },
      plain,
      { ...plain, name: 'none', fish: 0 },
    ]);
    expect(list.map((b) => b.name)).toEqual(['a', 'dear', 'none', 'free']);
    expect(list.find((b) => b.name === 'none')?.costPerFish).toBeNull();
  });
});

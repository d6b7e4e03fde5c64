import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { type BaitBoat, shareBaits } from './shareBaits';

/** A boat whose baits add up: what it loses without one is that one's worth. */
const boat = (id: string, worth: Record<string, number>): BaitBoat => ({
  id,
  aboard: Object.keys(worth),
  fishWithout: (baits) => Object.entries(worth).reduce((sum, [b, w]) => (baits.includes(b) ? sum : sum + w), 5),
});

describe('short bait', () => {
  it('goes without for the boat that loses least', () => {
    const boats = [boat('a', { prawn: 3 }), boat('b', { prawn: 1 }), boat('c', { prawn: 2 })];
    expect(shareBaits(boats, { prawn: 2 })).toEqual([{ boat: 'b', bait: 'prawn', fish: 1 }]);
    expect(shareBaits(boats, { prawn: 0 })).toHaveLength(3);
    expect(shareBaits(boats, { prawn: 3 })).toEqual([]);
  });

  it('counts only boats that have it aboard, and the order of boats does not matter', () => {
    const boats = [boat('a', { prawn: 3, eel: 1 }), boat('b', { eel: 2 }), boat('c', { prawn: 2 })];
    const given = shareBaits(boats, { prawn: 1, eel: 1 });
    expect(given).toEqual([
      { boat: 'a', bait: 'eel', fish: 1 },
      { boat: 'c', bait: 'prawn', fish: 2 },
    ]);
    expect(shareBaits([...boats].reverse(), { eel: 1, prawn: 1 })).toEqual(given);
  });

  it('is shared out as well as any sharing of one bait, tried one by one', () => {
    const random = seeded(4);
    for (let round = 0; round < 40; round++) {
      const boats = Array.from({ length: 5 }, (_, i) => boat(`b${i}`, { prawn: random() * 4 }));
      const most = Math.floor(random() * 5);
      const lost = shareBaits(boats, { prawn: most }).reduce((s, g) => s + g.fish, 0);
      let best = Number.POSITIVE_INFINITY;
      for (let set = 0; set < 32; set++) {
        const without = boats.filter((_, i) => set & (1 << i));
        if (boats.length - without.length > most) continue;
        best = Math.min(
          best,
          without.reduce((s, b) => s + b.fishWithout([]) - b.fishWithout(['prawn']), 0),
        );
      }
      expect(lost).toBeCloseTo(best, 9);
    }
  });

  it('sees that two baits can stand in for each other', () => {
    const either: BaitBoat = { id: 'a', aboard: ['eel', 'prawn'], fishWithout: (b) => (b.length === 2 ? 1 : 4) };
    expect(shareBaits([either], { eel: 0, prawn: 0 })).toEqual([
      { boat: 'a', bait: 'eel', fish: 0 },
      { boat: 'a', bait: 'prawn', fish: 3 },
    ]);
  });

  it('refuses a number below none', () => {
    expect(() => shareBaits([], { eel: -1 })).toThrow('lasts.eel: expected >= 0, got -1');
  });
});

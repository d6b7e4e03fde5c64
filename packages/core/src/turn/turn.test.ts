import { describe, expect, it } from 'vitest';
import { dropAgain } from './dropAgain';
import { whoseTurn } from './whoseTurn';

const guests = [
  { id: 'ada', child: false },
  { id: 'ben', child: true },
  { id: 'cy', child: false },
];
const fish = (clientId: string | null, min: number) => ({ clientId, atMs: min * 60_000 });

describe('whose turn it is', () => {
  it('is a child’s first, then goes round in the order of the party', () => {
    expect(whoseTurn(guests, [])?.id).toBe('ben');
    expect(whoseTurn(guests, [fish('ben', 1)])?.id).toBe('ada');
    expect(whoseTurn(guests, [fish('ben', 1), fish('ada', 2)])?.id).toBe('cy');
  });
  it('is his who has had fewest, whoever was given the last fish', () => {
    expect(whoseTurn(guests, [fish('ben', 1), fish('ada', 2), fish('ada', 3), fish('cy', 4), fish('cy', 5)])?.id).toBe('ben');
  });
  it('is his who has waited longest where all have as many', () => {
    expect(whoseTurn(guests, [fish('cy', 1), fish('ben', 2), fish('ada', 3)])?.id).toBe('cy');
  });
  it('counts no fish that is nobody’s, and is nobody’s without guests', () => {
    expect(whoseTurn(guests, [fish(null, 1), fish(null, 2)])?.id).toBe('ben');
    expect(whoseTurn([], [fish(null, 1)])).toBeNull();
  });
  it('leaves nobody two fish behind when each fish goes to whose turn it is', () => {
    const landed: ReturnType<typeof fish>[] = [];
    for (let min = 0; min < 30; min++) landed.push(fish(whoseTurn(guests, landed)?.id ?? null, min));
    const had = guests.map((g) => landed.filter((k) => k.clientId === g.id).length);
    expect(had).toEqual([10, 10, 10]);
  });
});

describe('a school', () => {
  const of = (speciesId: string | null, min: number) => ({ speciesId, atMs: min * 60_000 });
  it('is two of a kind within ten minutes (common practice)', () => {
    expect(dropAgain([of('bass', 0), of('bass', 8)], 9 * 60_000)).toBe(true);
    expect(dropAgain([of('bass', 0), of('bass', 14)], 15 * 60_000)).toBe(false);
    expect(dropAgain([of('bass', 0), of('wrasse', 2)], 3 * 60_000)).toBe(false);
    expect(dropAgain([of('bass', 0)], 60_000)).toBe(false);
    expect(dropAgain([of(null, 0), of(null, 1)], 60_000)).toBe(false);
  });
  it('is old news five minutes later', () => {
    expect(dropAgain([of('bass', 0), of('bass', 1)], 7 * 60_000)).toBe(false);
  });
});

import { describe, expect, it } from 'vitest';
import { bagWords } from './bagWords';

type Pack = Parameters<typeof bagWords>[0];
const rule = (zone: string | null, body: object, speciesId = 'bass') =>
  ({ id: zone ?? 'all', speciesId, zone, body }) as unknown as Pack['rules'][number];
const pack = (rules: Pack['rules'], guests = 4, ruleZone = 'sea') =>
  ({ ruleZone, rules, trip: { guests: Array.from({ length: guests }, () => ({})) } }) as unknown as Pack;

describe('the bag behind what a boat has kept', () => {
  it('is that of all anglers together, or the boat’s where that is less', () => {
    expect(bagWords(pack([rule('sea', { kind: 'bag', perAngler: 2 })]), 'bass')).toBe(' of 8');
    expect(bagWords(pack([rule('sea', { kind: 'bag', perAngler: 2, perBoat: 6 })]), 'bass')).toBe(' of 6');
    expect(bagWords(pack([rule('sea', { kind: 'bag', perAngler: 1, perBoat: 6 })]), 'bass')).toBe(' of 4');
    expect(bagWords(pack([rule(null, { kind: 'bag', perAngler: null, perBoat: 5 })]), 'bass')).toBe(' of 5');
  });
  it('counts one angler where no guest is named', () => {
    expect(bagWords(pack([rule('sea', { kind: 'bag', perAngler: 2 })], 0), 'bass')).toBe(' of 2');
  });
  it('is of the zone; where that is not known the strictest of all zones speaks', () => {
    const rules = [rule('sea', { kind: 'bag', perAngler: 2 }), rule('lake', { kind: 'bag', perAngler: 1 })];
    expect(bagWords(pack(rules), 'bass')).toBe(' of 8');
    expect(bagWords(pack(rules, 4, ''), 'bass')).toBe(' of 4');
  });
  it('is not told where none is on file', () => {
    expect(bagWords(pack([rule('sea', { kind: 'bag', perAngler: 2 }, 'pike')]), 'bass')).toBe('');
    expect(bagWords(pack([rule('sea', { kind: 'hook', words: 'circle hooks' })]), 'bass')).toBe('');
  });
});

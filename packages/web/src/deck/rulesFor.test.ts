import type { DeckPack } from '@bluffwind/contract/deck';
import { describe, expect, it } from 'vitest';
import { rulesFor } from './rulesFor';

const NOON = Date.UTC(2026, 5, 19, 12);
const rule = (id: string, zone: string | null, body: object, checkedOn = '2026-06-10') => ({
  id,
  speciesId: 'bass',
  zone,
  body,
  checkedOn,
});
const pack = (rules: object[], ruleZone = 'sea', more: object = {}) => ({ zone: 'UTC', ruleZone, rules, ...more }) as unknown as DeckPack;
const fish = { lengthMm: 400, lengthKind: 'total', clientId: 'g1', keptToday: 0, keptByBoat: 0 } as const;
const SIZE = { kind: 'length', minMm: 420, maxMm: null, lengthKind: 'total' };

describe('the rules of a fish on deck', () => {
  it('are those of its kind that hold in the zone of the water', () => {
    const rules = [rule('a', 'sea', SIZE), rule('b', 'lake', { ...SIZE, minMm: 300 }), { ...rule('c', 'sea', SIZE), speciesId: 'pike' }];
    const read = rulesFor(pack(rules), 'bass', fish, NOON);
    expect(read.rules.map((r) => r.id)).toEqual(['a']);
    expect(read.said.decision).toBe('must release');
    expect(rulesFor(pack(rules, 'lake'), 'bass', fish, NOON).said.decision).toBe('may keep');
    expect(rulesFor(pack(rules, 'lake'), 'eel', fish, NOON).said.decision).toBe('no rule on file');
  });
  it('count what the angler has kept on the days before for a possession, and nobody else', () => {
    const own = pack([rule('p', 'sea', { kind: 'possession', perAngler: 2, days: 3 })], 'sea', {
      keptBefore: [
        { clientId: 'g1', speciesId: 'bass', date: '2026-06-18', fish: 2 },
        { clientId: 'g2', speciesId: 'bass', date: '2026-06-18', fish: 9 },
      ],
    });
    expect(rulesFor(own, 'bass', fish, NOON).said.decision).toBe('must release');
    expect(rulesFor(own, 'bass', { ...fish, clientId: null }, NOON).said.decision).toBe('may keep');
  });
  it('say which was looked at longest ago, and when one is due again', () => {
    const read = rulesFor(pack([rule('a', 'sea', SIZE, '2026-06-10'), rule('b', null, SIZE, '2026-04-01')]), 'bass', fish, NOON);
    expect(read).toMatchObject({ oldest: '2026-04-01', stale: true });
    expect(rulesFor(pack([rule('a', 'sea', SIZE)]), 'bass', fish, NOON)).toMatchObject({ oldest: '2026-06-10', stale: false });
    expect(rulesFor(pack([]), 'bass', fish, NOON)).toMatchObject({ oldest: undefined, stale: false });
  });
});

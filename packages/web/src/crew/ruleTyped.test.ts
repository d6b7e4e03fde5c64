import { newRuleBody } from '@bluffwind/contract/rule';
import { describe, expect, it } from 'vitest';
import { bodyOf, typedOf } from './ruleTyped';

const row = (body: object) =>
  ({ id: 'a', speciesId: 's', zone: 'sea', source: 'notice', checkedOn: '2026-06-01', body }) as Parameters<typeof typedOf>[0];

describe('a rule that is typed', () => {
  it('comes back as it was for every kind', () => {
    for (const body of [
      { kind: 'length', minMm: 420, maxMm: 600, lengthKind: 'total' },
      { kind: 'length', minMm: 420, maxMm: null, lengthKind: 'fork' },
      { kind: 'slot', fromMm: 500, toMm: 700, lengthKind: 'total' },
      { kind: 'bag', perAngler: 2, perBoat: 6 },
      { kind: 'bag', perAngler: null, perBoat: 6 },
      { kind: 'possession', perAngler: 4, days: 2 },
      { kind: 'closed', from: '03-01', to: '05-15' },
      { kind: 'hook', words: 'circle hooks' },
      { kind: 'bait', words: 'no live bait' },
    ]) {
      const back = bodyOf(typedOf(row(body), '', ''));
      expect(back).toEqual(body);
      expect(newRuleBody.safeParse(back).success).toBe(true);
    }
  });

  it('has whole millimetres, in whatever unit it was typed', () => {
    const says = { length: { minMm: 16.5 * 25.4, maxMm: null, lengthKind: 'total' } };
    expect(bodyOf({ kind: 'length', says })).toMatchObject({ minMm: 419, maxMm: null });
  });
});

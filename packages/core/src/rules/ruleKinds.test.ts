import { describe, expect, it } from 'vitest';
import { RULE_KIND_NAMES, ruleFault, ruleFields, ruleKind } from './ruleKinds';

describe('a rule whose fields are right one by one', () => {
  it('is refused with crossed lengths, without any figure, and with more than a crew could mean', () => {
    const length = { kind: 'length', lengthKind: 'total' } as const;
    expect(ruleFault({ ...length, minMm: 420, maxMm: 600 })).toBeNull();
    expect(ruleFault({ ...length, minMm: 420, maxMm: null })).toBeNull();
    expect(ruleFault({ ...length, minMm: 420, maxMm: 420 })).toBeNull();
    expect(ruleFault({ ...length, minMm: 500, maxMm: 400 })).toEqual({
      field: 'maxMm',
      message: 'expected at least 500, got 400: the lengths are crossed',
      plain: 'its lengths are crossed',
    });
    expect(ruleFault({ ...length, minMm: null, maxMm: null })?.field).toBe('minMm');
    expect(ruleFault({ kind: 'slot', fromMm: 700, toMm: 500, lengthKind: 'fork' })?.field).toBe('toMm');
    expect(ruleFault({ kind: 'bag', perAngler: null })?.message).toMatch(/for each angler or for the boat/);
    expect(ruleFault({ kind: 'bag', perAngler: null, perBoat: 0 })).toBeNull();
    expect(ruleFault({ kind: 'possession', perAngler: 4, days: 61 })).toMatchObject({
      field: 'days',
      message: 'expected at most 60, got 61',
      plain: 'days is 61, more than 60',
    });
    expect(ruleFault({ kind: 'possession', perAngler: 4, days: 60 })).toBeNull();
  });
});

describe('every kind', () => {
  it('names fields that it has, and no column twice', () => {
    for (const kind of RULE_KIND_NAMES) {
      const fields = ruleFields(kind);
      const columns = fields.map(([, f]) => f.column);
      expect(new Set(columns).size, kind).toBe(columns.length);
      const { some, ordered } = ruleKind(kind);
      for (const name of [...(some?.of ?? []), ...(ordered ?? [])])
        expect(
          fields.map(([n]) => n),
          kind,
        ).toContain(name);
    }
  });
});

import { aboardEdit } from '@bluffwind/contract/aboard';
import { describe, expect, it } from 'vitest';
import { aboardOf, typedAboard } from './aboardTyped';

describe('what lies aboard, as it is typed', () => {
  it('is a line each, without the empty ones, and a thing without an end stays one', () => {
    const stored = aboardOf({ checks: ' Anchor shackle wired \n\nPump tried\n', gear: [{ what: 'Anchor', endsOn: '' }] });
    expect(stored).toEqual({ checks: ['Anchor shackle wired', 'Pump tried'], gear: [{ what: 'Anchor', endsOn: null }] });
    expect(aboardOf(typedAboard(stored))).toEqual(stored);
  });
  it('is refused with a line twice, too long or too many, and with a day that is none', () => {
    const fine = { checks: ['a'], gear: [{ what: 'Flares', endsOn: '2027-03-31' }] };
    expect(aboardEdit.safeParse(fine).success).toBe(true);
    for (const wrong of [
      { ...fine, checks: ['Pump tried', 'pump tried'] },
      { ...fine, checks: ['x'.repeat(121)] },
      { ...fine, checks: Array.from({ length: 31 }, (_, i) => `line ${i}`) },
      { ...fine, gear: [{ what: '', endsOn: null }] },
      { ...fine, gear: [{ what: 'Flares', endsOn: '2027-02-31' }] },
    ])
      expect(aboardEdit.safeParse(wrong).success, JSON.stringify(wrong).slice(0, 80)).toBe(false);
  });
});

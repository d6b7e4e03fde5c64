import { describe, expect, it } from 'vitest';
import { draftOf, dropDraft, keepDraft } from './draft';
import type { Working } from './planState';

const plan: Working = {
  expected: 12,
  lo80: 6,
  hi80: 20,
  bound: 12,
  proved: true,
  runMin: 30,
  bans: ['b'],
  again: false,
  order: null,
  saved: null,
  ms: 80,
  by: 'laid',
  legs: [],
};
function memory(): Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> & { all: Map<string, string> } {
  const all = new Map<string, string>();
  return { all, getItem: (k) => all.get(k) ?? null, setItem: (k, v) => void all.set(k, v), removeItem: (k) => void all.delete(k) };
}

describe('a plan that was not saved', () => {
  it('comes back as it was left, says so, and goes when it is saved', () => {
    const store = memory();
    keepDraft('t', { base: 3, plan }, store);
    expect(draftOf('t', store)).toEqual({ base: 3, plan: { ...plan, ms: null, by: 'as you left it, not saved' } });
    expect(draftOf('another', store)).toBeNull();
    dropDraft('t', store);
    expect(draftOf('t', store)).toBeNull();
  });
  it.each([
    '',
    '{',
    '{"shape":0,"base":1,"plan":{"legs":[]}}',
    '{"shape":1,"base":"x","plan":{"legs":[]}}',
    '{"shape":1,"base":1}',
    'null',
  ])('is nothing where %s is kept', (text) => {
    const store = memory();
    store.setItem('plan of t', text);
    expect(draftOf('t', store)).toBeNull();
  });
  it('is not kept, and nothing fails, where the browser is full', () => {
    const full = {
      ...memory(),
      setItem: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
    };
    expect(() => keepDraft('t', { base: 0, plan }, full)).not.toThrow();
  });
});

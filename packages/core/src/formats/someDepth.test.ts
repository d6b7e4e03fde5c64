import { describe, expect, it } from 'vitest';
import { requireSomeDepth } from './someDepth';

const depths = (...m: number[]) => ({ soundings: m.map((soundedM) => ({ soundedM })) });

describe('the depths of a file', () => {
  it('are refused where all of them are 0, with what to do', () => {
    expect(() => requireSomeDepth(depths(...new Array(12).fill(0)))).toThrow(
      'All 12 depths are 0. Choose the column that holds the depths',
    );
  });
  it('are taken where one is not, and where there are only a few', () => {
    const flat = depths(...new Array(11).fill(0), 0.4);
    expect(requireSomeDepth(flat)).toBe(flat);
    expect(requireSomeDepth(depths(0, 0, 0)).soundings).toHaveLength(3);
    expect(requireSomeDepth(depths()).soundings).toEqual([]);
  });
});

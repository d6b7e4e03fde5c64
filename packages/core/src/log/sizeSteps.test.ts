import { describe, expect, it } from 'vitest';
import { sizeSteps } from './sizeSteps';

describe('lengths in steps', () => {
  it('are a centimetre where they lie close, empty ones too', () => {
    expect(sizeSteps([412, 419, 420, 449])).toEqual([
      { fromMm: 410, toMm: 420, fish: 2 },
      { fromMm: 420, toMm: 430, fish: 1 },
      { fromMm: 430, toMm: 440, fish: 0 },
      { fromMm: 440, toMm: 450, fish: 1 },
    ]);
  });
  it.each([
    [239, 24, 10],
    [240, 13, 20],
    [479, 24, 20],
    [480, 10, 50],
    [1199, 24, 50],
    [1200, 13, 100],
    [2399, 24, 100],
    [2400, 13, 200],
    [5000, 26, 200],
  ])('up to %i mm are %i of %i mm: never more than can be read', (most, steps, width) => {
    const all = sizeSteps([5, most]);
    expect(all).toHaveLength(steps);
    expect(all[0]).toEqual({ fromMm: 0, toMm: width, fish: 1 });
    expect(all.at(-1)).toMatchObject({ fish: 1 });
  });
  it('hold every fish, and are none of none', () => {
    const lengths = Array.from({ length: 500 }, (_, i) => 100 + ((i * 37) % 900));
    expect(sizeSteps(lengths).reduce((n, s) => n + s.fish, 0)).toBe(500);
    expect(sizeSteps([])).toEqual([]);
  });
});

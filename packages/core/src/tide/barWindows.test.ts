import { expect, it } from 'vitest';
import { clearanceM, openRanges } from './barWindows';

it('takes draught, margin and half the wave off the depth over a bar (common practice)', () => {
  expect(clearanceM(0.2, 1.9, { draughtM: 0.6, waveM: 0.4 })).toBeCloseTo(0.8, 9);
  expect(clearanceM(-0.2, 0.9, { draughtM: 0.6 })).toBeCloseTo(-0.4, 9);
});

it('finds every window, also at the edges', () => {
  expect(openRanges(8, (t) => t < 2 || t === 4 || t >= 6)).toEqual([
    [0, 2],
    [4, 5],
    [6, 8],
  ]);
  expect(openRanges(5, () => false)).toEqual([]);
});

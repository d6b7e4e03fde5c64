// Weights and classes of fish against published values.
import { describe, expect, it } from 'vitest';
import { gasVolume } from './gasVolume';
import { girthWeightG } from './girthWeight';
import { sizeClass } from './sizeClass';
import { relativeWeight, STANDARD_WEIGHTS, standardWeightG } from './standardWeight';

const of = (name: string) => STANDARD_WEIGHTS[name] ?? { a: Number.NaN, b: Number.NaN };

describe('a fish', () => {
  it('has the standard weight of its length (Anderson & Neumann 1996, from memory)', () => {
    expect(standardWeightG(600, of('Northern pike'))).toBeCloseTo(1459.34, 2);
    expect(relativeWeight(900, 400, of('Largemouth bass'))).toBeCloseTo(92.41, 2);
    expect(() => standardWeightG(0, of('Walleye'))).toThrow('lengthMm: expected more than 0 mm, got 0');
  });

  it('weighs by its girth what the rule of thumb says: 40 in by 20 in is 20 lb (common practice)', () => {
    expect(girthWeightG(40 * 25.4, 20 * 25.4)).toBeCloseTo(20 * 453.59237, 6);
  });

  it('from 13.7 m would have a swim bladder 2.36 times as large at the surface (Boyle; computed independently)', () => {
    expect(gasVolume(13.7)).toBeCloseTo(2.36, 2);
    expect(gasVolume(0)).toBe(1);
    expect(gasVolume(10.33, 1000)).toBeCloseTo(2, 3);
  });

  it('has the size class of Gabelhouse (1984, from memory), and none where none is published', () => {
    expect(sizeClass('Northern pike', 529)).toBe('stock');
    expect(sizeClass('Northern pike', 530)).toBe('quality');
    expect(sizeClass('Northern pike', 1200)).toBe('trophy');
    expect(sizeClass('Northern pike', 300)).toBeNull();
    expect(sizeClass('Pollack', 600)).toBeNull();
  });
});

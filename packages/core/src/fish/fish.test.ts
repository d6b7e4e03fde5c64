// Weights and classes of fish against published values.
import { estimateWeight } from './estimateWeight';
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

describe('a fish that was not weighed', () => {
  it('weighs what its length and girth say, to a tenth, whatever it is', () => {
    // Common practice: 40 inches long and 20 round the middle is 20 pounds.
    const e = estimateWeight('Anything', 40 * 25.4, 20 * 25.4);
    expect(e?.by).toBe('girth');
    expect((e?.g ?? 0) / 453.59237).toBeCloseTo(20, 9);
    expect((e?.hiG ?? 0) / (e?.loG ?? 1)).toBeCloseTo(1.1 / 0.9, 9);
  });
  it('weighs about the standard of its species where there is one, with lean and fat fish within the range, and is not guessed otherwise', () => {
    const e = estimateWeight('Northern pike', 600, null);
    expect(e).toMatchObject({ by: 'standard' });
    expect(e?.g).toBeCloseTo(1459.34, 1);
    expect([e?.loG, e?.hiG].map((x) => Math.round(((x ?? 0) / (e?.g ?? 1)) * 100))).toEqual([80, 115]);
    expect(estimateWeight('Ballan wrasse', 400, null)).toBeNull();
    expect(() => estimateWeight('Northern pike', 0, null)).toThrow(RangeError);
  });
});

import { describe, expect, it } from 'vitest';
import { standardWeightG, STANDARD_WEIGHTS } from '../fish/standardWeight';
import { conditionByMonth, fultonK } from './condition';
import { fieldOf } from '../units/indexed';

const pike = fieldOf(STANDARD_WEIGHTS, 'Northern pike');
const of = (species: string, month: number, ...fish: [lengthMm: number, weightG: number][]) =>
  fish.map(([lengthMm, weightG]) => ({ species, month, lengthMm, weightG }));

describe('Fulton’s condition factor (K = 10^5 W / L^3 in g and mm: Fulton 1904, from memory)', () => {
  it('is 1 for a fish whose grams are the cube of its centimetres over a hundred', () => {
    // A trout of 40 cm and 640 g, as handbooks have it.
    expect(fultonK(640, 400)).toBeCloseTo(1, 12);
    expect(fultonK(1280, 400)).toBeCloseTo(2, 12);
  });
});

describe('condition by month', () => {
  it('is held against the published weight where the species has one: a fish of the standard is 100', () => {
    const g = standardWeightG(600, pike);
    const { months, left } = conditionByMonth(of('Northern pike', 5, [600, g], [600, g * 0.9], [600, g * 1.1]));
    expect(left).toBe(0);
    expect(months).toHaveLength(1);
    expect(months[0]).toMatchObject({ month: 5, fish: 3, thin: true });
    expect([months[0]?.lo, months[0]?.middle, months[0]?.hi].map((x) => Number(x?.toFixed(6)))).toEqual([95, 100, 105]);
  });
  it('is held against the crew’s own fish of the kind where nothing is published, whatever their length', () => {
    const cube = (mm: number, share: number) => [mm, share * (mm / 100) ** 3 * 10] as [number, number];
    const lean = [300, 340, 380].map((mm) => cube(mm, 0.9));
    const usual = [310, 350, 390, 430].map((mm) => cube(mm, 1));
    const fat = [320, 360, 400].map((mm) => cube(mm, 1.2));
    const { months } = conditionByMonth([
      ...of('Ballan wrasse', 9, ...fat),
      ...of('Ballan wrasse', 4, ...lean),
      ...of('Ballan wrasse', 6, ...usual),
    ]);
    expect(months.map((m) => [m.month, m.fish, Math.round(m.middle)])).toEqual([
      [4, 3, 90],
      [6, 4, 100],
      [9, 3, 120],
    ]);
  });
  it('leaves a kind out of which too few were weighed, and says how many fish that were', () => {
    const one: [number, number] = [400, 640];
    expect(conditionByMonth(of('Ballan wrasse', 6, one, one, one, one))).toEqual({ months: [], left: 4 });
    const { months, left } = conditionByMonth(of('Ballan wrasse', 6, one, one, one, one, one));
    expect([left, months[0]?.fish, months[0]?.thin]).toEqual([0, 5, false]);
    expect(conditionByMonth([])).toEqual({ months: [], left: 0 });
  });
});

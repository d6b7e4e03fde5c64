// Standard weight of a fish of a length and how a fish compares with it: log10 Ws = a + b log10 TL (g, mm); Wr = 100 W / Ws
// (Anderson & Neumann 1996; Neumann, Guy & Willis 2012, from memory). For species without a published line nothing is invented.
import { inRange, overNothing } from '../units/inRange';

/** Intercept and slope, log10 g on log10 mm of total length. */
export interface StandardWeight {
  readonly a: number;
  readonly b: number;
}

/** Published lines, by species. */
export const STANDARD_WEIGHTS: Readonly<Record<string, StandardWeight>> = {
  'Largemouth bass': { a: -5.528, b: 3.273 },
  'Smallmouth bass': { a: -5.329, b: 3.2 },
  Walleye: { a: -5.453, b: 3.18 },
  'Northern pike': { a: -5.437, b: 3.096 },
  'Yellow perch': { a: -5.386, b: 3.23 },
  'Channel catfish': { a: -5.8, b: 3.294 },
  'Striped bass': { a: -4.924, b: 3.007 },
};

/**
 * Standard weight, g.
 * @param lengthMm - Total length, over 0 to 5000 mm.
 * @throws RangeError for a length out of range.
 * @example standardWeightG(600, STANDARD_WEIGHTS['Northern pike']).toFixed(2) === '1459.34'
 */
export function standardWeightG(lengthMm: number, line: StandardWeight): number {
  inRange('lengthMm', overNothing('lengthMm', lengthMm, 'mm'), 0, 5000, 'mm');
  return 10 ** (line.a + line.b * Math.log10(lengthMm));
}

/** Weight as per cent of the standard: 100 is a fish in good condition. */
export function relativeWeight(weightG: number, lengthMm: number, line: StandardWeight): number {
  return (100 * overNothing('weightG', weightG, 'g')) / standardWeightG(lengthMm, line);
}

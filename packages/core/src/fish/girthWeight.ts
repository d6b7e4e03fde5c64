import { inRange, overNothing } from '../units/inRange';

const INCH_MM = 25.4;
const POUND_G = 453.59237;

/**
 * Weight of a fish from length and girth, g: pounds = L G^2 / 800 in inches (common practice; within about a tenth for fish shaped like a bass
 * or a pike).
 * @param lengthMm - Total length, over 0 to 5000 mm. @param girthMm - Round its thickest part, over 0 to 3000 mm.
 * @throws RangeError for a quantity out of range.
 */
export function girthWeightG(lengthMm: number, girthMm: number): number {
  inRange('lengthMm', overNothing('lengthMm', lengthMm, 'mm'), 0, 5000, 'mm');
  inRange('girthMm', overNothing('girthMm', girthMm, 'mm'), 0, 3000, 'mm');
  return ((lengthMm / INCH_MM) * (girthMm / INCH_MM) ** 2 * POUND_G) / 800;
}

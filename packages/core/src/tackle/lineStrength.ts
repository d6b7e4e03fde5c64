// Strength and diameter of fishing line, typical values of the trade from memory (makers differ by 15 %): nylon 0.20 mm 4 lb, 0.25 8, 0.33 12,
// 0.46 20; braid 0.15 10, 0.23 20, 0.28 30, 0.36 50.
import { inRange, overNothing } from '../units/inRange';

const LB = 0.45359237;
/** Diameter, mm, and strength, kg. */
const TABLE = {
  nylon: [
    [0.2, 4],
    [0.25, 8],
    [0.33, 12],
    [0.46, 20],
  ],
  braid: [
    [0.15, 10],
    [0.23, 20],
    [0.28, 30],
    [0.36, 50],
  ],
} as const;

export type LineKind = keyof typeof TABLE;

/**
 * Diameter of a line of a strength, mm; between and beyond the table's rows by the square root of strength, as the cross-section carries it.
 * @param kg - Breaking strength, over 0 to 200 kg.
 * @throws RangeError for a strength out of range.
 */
export function lineDiameterMm(kind: LineKind, kg: number): number {
  inRange('kg', overNothing('kg', kg, 'kg'), 0, 200, 'kg');
  const lb = kg / LB;
  const rows = TABLE[kind];
  const [firstMm, firstLb] = rows[0];
  const [lastMm, lastLb] = rows[rows.length - 1] ?? rows[0];
  if (lb <= firstLb) return firstMm * Math.sqrt(lb / firstLb);
  if (lb >= lastLb) return lastMm * Math.sqrt(lb / lastLb);
  for (let i = 1; i < rows.length; i++) {
    const [a, aLb] = rows[i - 1] ?? rows[0];
    const [b, bLb] = rows[i] ?? rows[0];
    if (lb <= bLb) return a + ((b - a) * (Math.sqrt(lb) - Math.sqrt(aLb))) / (Math.sqrt(bLb) - Math.sqrt(aLb));
  }
  return lastMm;
}

/**
 * Drag to set, least and most, kg: a quarter to a third of the weakest part; a knot leaves 75 to 95 % of it (common practice).
 * @param partsKg - Strengths of line, leader, hook length; at least one.
 */
export function dragSetting(partsKg: readonly number[]): [number, number] {
  if (partsKg.length === 0) throw new RangeError('partsKg: expected at least one part, got none');
  const weakest = Math.min(...partsKg.map((kg) => overNothing('partsKg', kg, 'kg')));
  return [weakest * 0.25, weakest * 0.33];
}

/**
 * Line taken in by a turn of the handle, m: circumference of the spool times the gear.
 * @example linePerTurn(45, 6.2).toFixed(3) === '0.877'
 */
export function linePerTurn(spoolMm: number, ratio: number): number {
  return (Math.PI * overNothing('spoolMm', spoolMm, 'mm') * overNothing('ratio', ratio)) / 1000;
}

// Feed for a day or a campaign: kilograms by part and what they cost; dear bait is bulked with cheap particles (P18).
import { inRange } from '../units/inRange';

/** One part of a mix. */
export interface MixPart {
  readonly name: string;
  /** Share of the mix by weight, any positive numbers: they are scaled to one. */
  readonly parts: number;
  /** Cost of a kilogram, in the outfit's money. */
  readonly costPerKg: number;
}

export interface MixedPart {
  readonly name: string;
  readonly kg: number;
  readonly cost: number;
}

/**
 * Kilograms and cost of each part.
 * @param kg - The whole mix, 0 to 1000 kg.
 * @throws RangeError for no parts, negative numbers, or parts that sum to nothing.
 */
export function baitMix(parts: readonly MixPart[], kg: number): { readonly parts: readonly MixedPart[]; readonly cost: number } {
  inRange('kg', kg, 0, 1000, 'kg');
  let whole = 0;
  for (const p of parts) {
    whole += inRange(`${p.name}: parts`, p.parts, 0, 1e6);
    inRange(`${p.name}: cost`, p.costPerKg, 0, 1e6, 'a kg');
  }
  if (!(whole > 0)) throw new RangeError('parts: expected at least one part over 0, got none');
  const mixed = parts.map((p) => {
    const of = (kg * p.parts) / whole;
    return { name: p.name, kg: of, cost: of * p.costPerKg };
  });
  return { parts: mixed, cost: mixed.reduce((a, p) => a + p.cost, 0) };
}

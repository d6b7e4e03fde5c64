import type { DeckPack } from '@bluffwind/contract/deck';
import type { Rule } from '@bluffwind/core/rules/verdict';

const KEYS = 12;

/**
 * Lengths to tap, in whole units: twelve from the species' usual least to its most, drawn to the limits of its rules, which are always among
 * them; one more or less is a tap away.
 * @param unitMm - 10 for centimetres, 25.4 for inches.
 */
export function lengthKeys(
  species: Pick<DeckPack['species'][number], 'leastMm' | 'mostMm'>,
  rules: readonly Rule[],
  unitMm = 10,
): number[] {
  const limits = rules
    .flatMap((r) => (r.kind === 'length' ? [r.minMm, r.maxMm] : r.kind === 'slot' ? [r.fromMm, r.toMm] : []))
    .filter((mm): mm is number => mm !== null)
    .map((mm) => Math.ceil(mm / unitMm));
  const first = limits[0] ?? 300 / unitMm;
  const least = Math.max(Math.round(50 / unitMm), Math.round((species.leastMm ?? first * unitMm * 0.5) / unitMm));
  const most = Math.max(least + KEYS - 1, Math.round((species.mostMm ?? first * unitMm * 2) / unitMm));
  const keys = Array.from({ length: KEYS }, (_, i) => Math.round(least + ((most - least) * i) / (KEYS - 1)));
  for (const limit of limits) {
    if (limit < least || limit > most) continue;
    // The key nearest to a limit stands on it.
    const nearest = keys.reduce((best, k, i) => (Math.abs(k - limit) < Math.abs((keys[best] as number) - limit) ? i : best), 0);
    keys[nearest] = limit;
  }
  return [...new Set(keys)].sort((a, b) => a - b);
}

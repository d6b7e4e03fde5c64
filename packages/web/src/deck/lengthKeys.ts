import type { DeckPack } from '@bluffwind/contract/deck';
import type { Rule } from '@bluffwind/core/rules/verdict';

const KEYS = 12;

/**
 * Lengths to tap, in cm: twelve from the species' usual least to its most, drawn to the limits of its rules, which are always among
 * them; a centimetre more or less is a tap away.
 */
export function lengthKeys(species: Pick<DeckPack['species'][number], 'leastMm' | 'mostMm'>, rules: readonly Rule[]): number[] {
  const limits = rules
    .flatMap((r) => (r.kind === 'length' ? [r.minMm, r.maxMm] : r.kind === 'slot' ? [r.fromMm, r.toMm] : []))
    .filter((mm): mm is number => mm !== null)
    .map((mm) => Math.ceil(mm / 10));
  const first = limits[0] ?? 30;
  const least = Math.max(5, Math.round((species.leastMm ?? first * 5) / 10));
  const most = Math.max(least + KEYS - 1, Math.round((species.mostMm ?? first * 20) / 10));
  const keys = Array.from({ length: KEYS }, (_, i) => Math.round(least + ((most - least) * i) / (KEYS - 1)));
  for (const limit of limits) {
    if (limit < least || limit > most) continue;
    // The key nearest to a limit stands on it.
    const nearest = keys.reduce((best, k, i) => (Math.abs(k - limit) < Math.abs((keys[best] as number) - limit) ? i : best), 0);
    keys[nearest] = limit;
  }
  return [...new Set(keys)].sort((a, b) => a - b);
}

import type { LengthKind } from './ruleKinds';
import { type Rule, verdict } from './verdict';

/** A landed fish as the log has it. */
export interface LoggedFish {
  readonly species: string;
  readonly lengthMm: number | null;
  readonly lengthKind: LengthKind;
}

/**
 * Whether a fish of the log could be kept on a day, by its size and the season of that day: what a party may hope for. The bag is
 * counted where fish are added up. A species without a rule counts as keepable, as it does on deck once it was asked twice.
 */
export function keepable(rules: readonly Rule[], zone: string | null, date: string): (fish: LoggedFish) => boolean {
  const bySpecies = new Map<string, Rule[]>();
  for (const r of rules) bySpecies.set(r.species, [...(bySpecies.get(r.species) ?? []), r]);
  return (fish) => verdict({ rules: bySpecies.get(fish.species) ?? [], zone, date, fish, keptToday: 0 }).decision !== 'must release';
}

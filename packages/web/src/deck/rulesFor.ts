import type { DeckPack } from '@bluffwind/contract/deck';
import type { LengthKind } from '@bluffwind/core/rules/ruleKinds';
import { holdsIn, type Rule, toRecheck, type Verdict, verdict } from '@bluffwind/core/rules/verdict';
import { localDate } from '@bluffwind/core/units/time';

/** A fish on deck, as far as rules ask for it. */
export interface FishOnDeck {
  readonly lengthMm: number | null;
  readonly lengthKind: LengthKind;
  readonly clientId: string | null;
  /** Kept today of its kind by this angler, and by the boat. */
  readonly keptToday: number;
  readonly keptByBoat: number;
}

export interface RulesFor {
  readonly rules: readonly Rule[];
  readonly said: Verdict;
  /** When the rule that was looked at longest ago was checked, a date. */
  readonly oldest: string | undefined;
  /** One of them is due to be looked at again. */
  readonly stale: boolean;
}

/** What the crew's copy of the rules that holds here today says of a fish. */
export function rulesFor(pack: DeckPack, speciesId: string, fish: FishOnDeck, nowMs: number): RulesFor {
  const date = localDate(nowMs, pack.zone);
  const zone = pack.ruleZone === '' ? null : pack.ruleZone;
  const own = pack.rules.filter((r) => r.speciesId === speciesId && holdsIn(r, zone));
  const rules: Rule[] = own.map((r) => ({ ...r.body, id: r.id, species: r.speciesId, zone: r.zone, checkedOn: r.checkedOn }));
  const said = verdict({
    rules,
    zone,
    date,
    fish: { species: speciesId, lengthMm: fish.lengthMm, lengthKind: fish.lengthKind },
    keptToday: fish.keptToday,
    keptByBoat: fish.keptByBoat,
    keptBefore: (pack.keptBefore ?? []).filter((k) => k.clientId === fish.clientId && k.speciesId === speciesId),
  });
  return { rules, said, oldest: own.map((r) => r.checkedOn).sort()[0], stale: rules.some((r) => toRecheck(r, date)) };
}

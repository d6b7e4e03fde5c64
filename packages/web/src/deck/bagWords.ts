import type { DeckPack } from '@bluffwind/contract/deck';
import { holdsIn } from '@bluffwind/core/rules/verdict';

/**
 * What a boat may keep of a species by the crew's copy, as it stands behind what it has: " of 8"; empty where no bag is on file. The smallest
 * speaks: that of all anglers together or that of the boat, of every zone where the water's is not known.
 */
export function bagWords({ ruleZone, rules, trip }: Pick<DeckPack, 'ruleZone' | 'rules' | 'trip'>, speciesId: string): string {
  const zone = ruleZone === '' ? null : ruleZone;
  const anglers = Math.max(1, trip.guests.length);
  const bags = rules.flatMap((r) => {
    if (r.speciesId !== speciesId || r.body.kind !== 'bag' || !holdsIn(r, zone)) return [];
    const { perAngler, perBoat } = r.body;
    return [...(perAngler === null ? [] : [perAngler * anglers]), ...(perBoat == null ? [] : [perBoat])];
  });
  return bags.length > 0 ? ` of ${Math.min(...bags)}` : '';
}

import { holdsIn } from '@bluffwind/core/rules/verdict';
import type { EntityManager } from 'typeorm';
import { crewRules } from '../rules/crewRules';

/**
 * Fish that a party may keep in a day by the crew's copy of the rules: the bags of the trip's species for each angler, and no more
 * than the boat's where there is one. Null when a species has no bag on file, since then nothing here limits it.
 */
export async function bagOf(
  entities: EntityManager,
  species: readonly { readonly speciesId: string; readonly weight: number }[],
  anglers: number,
  zone: string | null,
): Promise<number | null> {
  const rules = await crewRules(entities);
  const bags = species.map(({ speciesId }) =>
    rules
      .filter((r) => r.species === speciesId && holdsIn(r, zone))
      .flatMap((r) => {
        if (r.kind !== 'bag') return [];
        return [...(r.perAngler === null ? [] : [r.perAngler * anglers]), ...(r.perBoat == null ? [] : [r.perBoat])];
      }),
  );
  // Weighed fish are no count that a bag could cut.
  if (species.some((s) => s.weight !== 1)) return null;
  if (bags.length === 0 || anglers === 0 || bags.some((b) => b.length === 0)) return null;
  // Where two rules speak of one fish, the stricter one does.
  return bags.reduce((sum, b) => sum + Math.min(...b), 0);
}

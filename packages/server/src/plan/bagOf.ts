import type { Rule } from '@bluffwind/core/rules/verdict';
import type { EntityManager } from 'typeorm';
import { RuleEntity } from '../db/entities/grounds';

/**
 * Fish that a party may keep in a day by the crew's copy of the rules: the bags of the trip's species for each angler.
 * Null when a species has no bag on file, since then nothing here limits it.
 */
export async function bagOf(
  entities: EntityManager,
  species: readonly { readonly speciesId: string; readonly weight: number }[],
  anglers: number,
  zone: string,
): Promise<number | null> {
  const rules = await entities.find(RuleEntity);
  const bags = species.map(({ speciesId }) =>
    rules
      .filter((r) => r.speciesId === speciesId && (r.zone === null || r.zone === zone))
      .map((r) => r.body as Rule)
      .flatMap((r) => (r.kind === 'bag' ? [r.perAngler] : [])),
  );
  // Weighed fish are no count that a bag could cut.
  if (species.some((s) => s.weight !== 1)) return null;
  if (bags.length === 0 || anglers === 0 || bags.some((b) => b.length === 0)) return null;
  // Where two rules speak of one fish, the stricter one does.
  return anglers * bags.reduce((sum, b) => sum + Math.min(...b), 0);
}

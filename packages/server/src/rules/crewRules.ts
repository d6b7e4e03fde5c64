import type { Rule } from '@bluffwind/core/rules/verdict';
import { type EntityManager, IsNull } from 'typeorm';
import { RuleEntity } from '../db/entities/fish';

/** The crew's own copy of the rules as the core reads it. */
export async function crewRules(entities: EntityManager): Promise<Rule[]> {
  const rows = await entities.find(RuleEntity, { where: { removedAt: IsNull() }, order: { id: 'ASC' } });
  return rows.map((r) => ({ ...(r.body as object), id: r.id, species: r.speciesId, zone: r.zone, checkedOn: r.checkedOn }) as Rule);
}

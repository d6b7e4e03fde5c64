import { limitWords, type Rule } from '@bluffwind/core/rules/verdict';
import type { RuleRow } from '@bluffwind/contract/rule';
import { words } from '../data/units';

/** A rule as the core reads it. */
export const ruleOf = (r: RuleRow): Rule => ({ ...r.body, id: r.id, species: r.speciesId, zone: r.zone, checkedOn: r.checkedOn }) as Rule;

/** What a rule says, in this person's units. */
export const ruleSays = (r: RuleRow): string => words(limitWords(ruleOf(r)));

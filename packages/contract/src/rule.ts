import {
  MOST_MM,
  MOST_WORDS,
  RULE_KIND_NAMES,
  type RuleBody,
  type RuleField,
  type RuleKindName,
  ruleFault,
  ruleFields,
} from '@bluffwind/core/rules/ruleKinds';
import { z } from 'zod';
import { date, id, lengthKind } from './ids';

const SCHEMAS: Record<RuleField['type'], (f: RuleField) => z.ZodType> = {
  mm: (f) => maybe(f, z.int().positive().max(MOST_MM)),
  count: (f) => maybe(f, z.int().min(f.type === 'count' ? f.least : 0)),
  day: () => z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'expected MM-DD'),
  words: () => z.string().trim().min(1).max(MOST_WORDS),
  measured: () => lengthKind,
};
/** What need not be said is null. */
function maybe(f: RuleField, schema: z.ZodInt): z.ZodType {
  if ('needed' in f && f.needed) return schema;
  return 'later' in f && f.later ? schema.nullable().optional() : schema.nullable();
}

const bodyOf = (kind: RuleKindName) =>
  z.object({ kind: z.literal(kind), ...Object.fromEntries(ruleFields(kind).map(([name, f]) => [name, SCHEMAS[f.type](f)])) });
const [first, ...others] = RULE_KIND_NAMES.map(bodyOf) as [ReturnType<typeof bodyOf>, ...ReturnType<typeof bodyOf>[]];

/** What a rule says, a schema for each kind. */
export const ruleBodies = [first, ...others] as const;
export const ruleBody = z.discriminatedUnion('kind', ruleBodies) as unknown as z.ZodType<RuleBody>;

/** A rule that is taken into the crew's copy: its lengths must not be crossed. */
export const newRuleBody = ruleBody.superRefine((r, c) => {
  const fault = ruleFault(r);
  if (fault) c.addIssue({ code: 'custom', path: [fault.field], message: fault.message });
});

/** A rule of the crew's copy, with where it stands and when it was last held against it. */
export const ruleRow = z.object({
  id,
  speciesId: id,
  zone: z.string().nullable(),
  body: ruleBody,
  source: z.string(),
  checkedOn: date,
});
export type RuleRow = z.infer<typeof ruleRow>;

export const ruleEdit = z
  .object({
    id,
    speciesId: id,
    /** Empty where it holds everywhere. */
    zone: z.string().trim().max(60),
    body: newRuleBody,
    source: z.string().trim().min(1, 'say where it stands').max(200),
    checkedOn: date,
  })
  .strict();
export type RuleEdit = z.infer<typeof ruleEdit>;

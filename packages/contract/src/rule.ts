import { z } from 'zod';
import { date, id, lengthKind } from './ids';

const monthDay = z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'expected MM-DD');

const mm = z.int().positive().max(5000);
const crossed = (least: number | null, most: number | null) => least === null || most === null || least <= most;

/** What a rule says. */
export const ruleBody = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('length'), minMm: mm.nullable(), maxMm: mm.nullable(), lengthKind }),
  z.object({ kind: z.literal('slot'), fromMm: mm, toMm: mm, lengthKind }),
  z.object({
    kind: z.literal('bag'),
    perAngler: z.int().nonnegative().nullable(),
    perBoat: z.int().nonnegative().nullable().optional(),
  }),
  z.object({ kind: z.literal('possession'), perAngler: z.int().nonnegative(), days: z.int().min(1).max(60) }),
  z.object({ kind: z.literal('closed'), from: monthDay, to: monthDay }),
  z.object({ kind: z.literal('hook'), words: z.string().trim().min(1).max(200) }),
  z.object({ kind: z.literal('bait'), words: z.string().trim().min(1).max(200) }),
]);

/** A rule that is taken into the crew's copy: its lengths must not be crossed. */
export const newRuleBody = ruleBody.superRefine((r, c) => {
  if (r.kind === 'length' && !crossed(r.minMm, r.maxMm))
    c.addIssue({ code: 'custom', path: ['maxMm'], message: `expected at least ${r.minMm}, got ${r.maxMm}: the lengths are crossed` });
  if (r.kind === 'length' && r.minMm === null && r.maxMm === null)
    c.addIssue({ code: 'custom', path: ['minMm'], message: 'a length rule needs a least or a greatest length' });
  if (r.kind === 'slot' && !crossed(r.fromMm, r.toMm))
    c.addIssue({ code: 'custom', path: ['toMm'], message: `expected at least ${r.fromMm}, got ${r.toMm}: the lengths are crossed` });
  if (r.kind === 'bag' && r.perAngler === null && r.perBoat == null)
    c.addIssue({ code: 'custom', path: ['perAngler'], message: 'a bag needs a number for each angler or for the boat' });
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

import { z } from 'zod';
import { lengthKind } from './ids';

const monthDay = z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'expected MM-DD');

/** What a rule says. */
export const ruleBody = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('length'),
    minMm: z.int().positive().nullable(),
    maxMm: z.int().positive().nullable(),
    lengthKind,
  }),
  z.object({ kind: z.literal('bag'), perAngler: z.int().nonnegative() }),
  z.object({ kind: z.literal('closed'), from: monthDay, to: monthDay }),
]);

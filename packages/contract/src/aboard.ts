// What lies aboard a boat, and what its captain goes through before leaving besides the usual list.
import { z } from 'zod';
import { date } from './ids';

const unlike = (texts: readonly string[]) => new Set(texts.map((t) => t.toLowerCase())).size === texts.length;

/** A thing aboard; one that may end, such as a flare, with its last day. */
export const gearAboard = z.object({ what: z.string().trim().min(1, 'needed').max(80), endsOn: date.nullable() }).strict();
export type GearAboard = z.infer<typeof gearAboard>;

export const aboardEdit = z
  .object({
    checks: z
      .array(z.string().trim().min(1).max(120, 'at most 120 letters a line'))
      .max(30, 'at most 30 lines')
      .refine(unlike, 'one line stands there twice'),
    gear: z.array(gearAboard).max(60, 'at most 60 things'),
  })
  .strict();
export type AboardEdit = z.infer<typeof aboardEdit>;

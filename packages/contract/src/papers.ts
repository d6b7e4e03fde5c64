// What people carry that ends some day, and days on which they are away.
import { z } from 'zod';
import { date, id } from './ids';
import { PAPER_KINDS } from './paperKinds';

export const paperEdit = z
  .object({ id, personId: id, kind: z.enum(PAPER_KINDS), name: z.string().trim().max(80).default(''), endsOn: date })
  .strict();
export type PaperEdit = z.infer<typeof paperEdit>;

export const awayEdit = z
  .object({ id, personId: id, fromOn: date, toOn: date, why: z.string().trim().max(80).default('') })
  .strict()
  .refine((a) => a.toOn >= a.fromOn, { path: ['toOn'], message: 'not before the first day' });
export type AwayEdit = z.infer<typeof awayEdit>;

/** Papers of oneself, or for the owner of everybody; days away of everybody, since trips are made by them. Why is one's own and the owner's. */
export const papersView = z.object({
  papers: z.array(z.object({ id, personId: id, kind: z.enum(PAPER_KINDS), name: z.string(), endsOn: date })),
  away: z.array(z.object({ id, personId: id, fromOn: date, toOn: date, why: z.string() })),
});
export type PapersView = z.infer<typeof papersView>;

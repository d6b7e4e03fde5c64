import { z } from 'zod';
import { zone } from './begin';
import { id, instant } from './ids';

/** How an outfit wants things kept. */
export const outfitSettings = z
  .object({
    /** A guest's medical note goes so many days after his last trip. */
    medicalNoteDays: z.int().min(1).max(3650),
    /** To whom a new spot is known where its captain says nothing else. */
    newSpots: z.enum(['crew', 'captain']),
  })
  .strict();
export type OutfitSettings = z.infer<typeof outfitSettings>;

/** What an outfit is called, and where its days begin and end. */
export const outfitName = z.object({ name: z.string().trim().min(1, 'needed').max(80), zone }).strict();
export type OutfitName = z.infer<typeof outfitName>;

/** Work that the server has tried in vain and laid aside. */
export const laidAside = z.object({ id, what: z.string(), at: instant, reason: z.string() });
export type LaidAside = z.infer<typeof laidAside>;

/** Work to be tried once more. */
export const tryAgain = z.object({ id }).strict();

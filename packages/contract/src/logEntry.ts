// One entry of the log from near: its fish, what was said of each and when, and what was logged twice made one.
import { z } from 'zod';
import { fishMore } from './deck';
import { id, instant, lengthKind } from './ids';

const word = z.object({ field: z.string(), value: z.unknown(), at: instant, by: z.string().nullable() });

const loggedFish = z.object({
  id,
  at: instant,
  outcome: z.enum(['landed', 'lost', 'missed']),
  speciesId: id.nullable(),
  clientId: id.nullable(),
  lengthMm: z.int().nullable(),
  lengthKind,
  kept: z.boolean(),
  more: fishMore,
  photos: z.int(),
  /** Everything that was said of it in turn, what it was logged with first (by nobody known). Nothing where it stands as it was logged. */
  words: z.array(word),
});
export type LoggedFish = z.infer<typeof loggedFish>;

export const logEntry = z.object({
  setId: id,
  tripId: id,
  spot: z.string(),
  bait: z.string(),
  boat: z.string(),
  from: instant,
  to: instant,
  rods: z.int(),
  rodHours: z.number(),
  fish: z.array(loggedFish),
  guests: z.array(z.object({ id, name: z.string() })),
  /** Merges that this entry or a fish of it came of, the latest first. */
  merges: z.array(z.object({ id, at: instant, by: z.string(), what: z.enum(['entry', 'fish']) })),
});
export type LogEntry = z.infer<typeof logEntry>;

/** Entries that are the same fishing, logged by more than one phone. */
export const logMerge = z.object({ setIds: z.array(id).min(2, 'choose two or more').max(20) }).strict();
/** Two fish of a trip that are the same fish. */
export const fishMerge = z.object({ keepId: id, otherId: id }).strict();
export const logMergedView = z.object({ mergeId: id, setId: id });
export type LogMergedView = z.infer<typeof logMergedView>;

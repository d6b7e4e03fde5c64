// Bait that goes in at a spot between trips, so that fish stay there.
import { z } from 'zod';
import { id, instant } from './ids';

export const feed = z
  .object({
    id,
    at: instant,
    what: z.string().trim().max(60).default(''),
    kg: z.number().positive('more than nothing').max(200, 'at most 200 kg'),
    /** In the outfit's own money. */
    cost: z.number().min(0).max(100_000).default(0),
    /** False while it is planned. */
    done: z.boolean(),
  })
  .strict();

export const newFeeds = z.object({ feeds: z.array(feed).min(1).max(60) }).strict();
export type NewFeeds = z.infer<typeof newFeeds>;

const fished = z.object({ fish: z.int(), rodHours: z.number() });
export const feedsView = z.object({
  feeds: z.array(feed.extend({ by: z.string() })),
  /** How the spot stands fed now. */
  stands: z.enum(['regularly', 'now and then', 'not of late']),
  kg: z.number(),
  cost: z.number(),
  /** What the spot gave in the ninety days before its first feed of late, and since. */
  before: fished,
  since: fished,
});
export type FeedsView = z.infer<typeof feedsView>;

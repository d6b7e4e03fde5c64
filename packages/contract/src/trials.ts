// Trials of leaders, hooks and lures on deck, what big lures draw, and what baits earned.
import { z } from 'zod';
import { faultOfArms, TRIED } from './trialKinds';

const arm = z.string().trim().min(1, 'say what these rods fish').max(40);

/** What is compared on a trip, rods divided among two to four of it. */
export const trialPlan = z
  .object({ what: z.enum(TRIED), arms: z.array(arm).max(100) })
  .strict()
  .superRefine(({ arms }, c) => {
    const message = faultOfArms(arms);
    if (message !== '') c.addIssue({ code: 'custom', path: ['arms'], message });
  });
/** Which of a trial some rods fish. */
export const trialRods = z.object({ what: z.enum(TRIED), arm }).strict();
export type TrialRods = z.infer<typeof trialRods>;

export type TrialPlan = z.infer<typeof trialPlan>;

const counts = { rodHours: z.number(), bites: z.int(), hooked: z.int(), landed: z.int() };

export const trialView = z.object({
  what: z.enum(TRIED),
  /** Bait that they were fished with. */
  bait: z.string(),
  trips: z.int(),
  arms: z.array(z.object({ arm: z.string(), ...counts })),
});
export type TrialView = z.infer<typeof trialView>;

export const bigLureSet = z.object({
  hour: z.number(),
  rodHours: z.number(),
  clarityM: z.number().nullable(),
  windMps: z.number().nullable(),
  cloud: z.number().nullable(),
  follows: z.int(),
  takes: z.int(),
});

export const comparisons = z.object({
  trials: z.array(trialView),
  bigLures: z.array(bigLureSet),
  /** Marks on the sounder by how they lay, and after how many a fish was landed within the hour. */
  marks: z.array(z.object({ relation: z.enum(['tight', 'above']).nullable(), seen: z.int(), fish: z.int() })),
});
export type Comparisons = z.infer<typeof comparisons>;

export const baitCount = z.object({
  presentationId: z.string(),
  name: z.string(),
  rodHours: z.number(),
  fish: z.int(),
  costPerHour: z.number(),
  lost: z.number(),
  lookedBackH: z.number(),
  pieceCost: z.number().nullable(),
});
export type BaitCountView = z.infer<typeof baitCount>;

import { z } from 'zod';
import { date, id, instant } from './ids';
import { savedPlan } from './plan';
import { riskLine } from './risk';
import { tripView } from './trips';

const rankChange = z.object({
  spotId: id,
  spotName: z.string(),
  rankBefore: z.int(),
  rankAfter: z.int(),
  rateBefore: z.number(),
  rateAfter: z.number(),
  sentence: z.string(),
});

export const briefView = z.object({
  date,
  debriefDate: date,
  zone: z.string(),
  writtenAt: instant,
  publishedAt: instant.nullable(),
  publishedBy: z.string().nullable(),
  /** True for the brief as it went out, false for how things stand now. */
  asPublished: z.boolean(),
  /** What has changed since it went out, in sentences. */
  since: z.array(z.string()),
  /** What a captain adds for everybody. */
  words: z.string(),
  trips: z.int(),
  fish: z.int(),
  rodHours: z.number(),
  expected: z.number(),
  summary: z.string(),
  againstPlan: z.array(
    z.object({
      spotId: id,
      spotName: z.string(),
      rodHours: z.number(),
      fish: z.int(),
      expected: z.number(),
      lo80: z.number(),
      hi80: z.number(),
      verdict: z.enum(['above', 'within', 'below']),
    }),
  ),
  changes: z.array(rankChange.extend({ water: z.string() })),
  boats: z.array(
    z.object({
      trip: tripView,
      plan: savedPlan.nullable(),
      /** What the same plan is worth with today's catches counted. */
      worthNow: z.number().nullable(),
      water: z.string(),
      cautions: z.array(riskLine),
      /** What speaks against each leg of the plan, in its order, and what has to be checked there. */
      legRisks: z.array(z.array(riskLine)),
      rules: z.array(z.string()),
      /** What is to be tied and got ready, each with whether it is done. */
      tonight: z.array(z.object({ key: z.string(), group: z.enum(['tie', 'bait', 'load']), what: z.string(), done: z.boolean() })),
      /** What a captain adds for this boat. */
      words: z.string(),
      /** Who goes out on it, and when each has read the brief since it last went out. */
      people: z.array(z.object({ name: z.string(), readAt: instant.nullable() })),
    }),
  ),
  /** What the crews said of the day, boat by boat. */
  said: z.array(
    z.object({
      tripId: id,
      boat: z.string(),
      said: z.string(),
      chips: z.array(z.string()),
      lost: z.array(z.object({ what: z.string(), number: z.int() })),
      baitLeft: z.string(),
      signedBy: z.string().nullable(),
    }),
  ),
  leaveAlone: z.array(z.string()),
  names: z.record(z.string(), z.string()),
});
/** What a captain adds: about a trip, or to everybody. Nothing takes it away again. */
export const briefWords = z.object({ tripId: id.nullable(), text: z.string().trim().max(2000) });
export type BriefWords = z.infer<typeof briefWords>;

/** The brief as a file. */
export const briefFile = z.object({ name: z.string(), base64: z.string() });

export type BriefView = z.infer<typeof briefView>;

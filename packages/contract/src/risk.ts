// What a judgement of risk is made from and how it is told; the judgement itself is the core's.
import { z } from 'zod';
import { id, instant } from './ids';

const bearing = z.number().min(0).max(360);
const maybe = (min: number, max: number) => z.number().min(min).max(max).nullable();

/** A hazard of a spot: all conditions that are given must be met for it to stand. */
export const hazard = z
  .object({
    kind: z.enum(['swell', 'rocks', 'current', 'shallow', 'traffic', 'overhead', 'other']),
    windSectorDeg: z.tuple([bearing, bearing]).nullable(),
    windMps: maybe(0, 60),
    waveM: maybe(0, 15),
    tideBelowM: maybe(-10, 20),
    tideAboveM: maybe(-10, 20),
    binds: z.boolean(),
    note: z.string().trim().min(1, 'say what it is').max(300),
  })
  .strict();

export const quantity = z.enum(['wind', 'gust', 'wave', 'keel', 'visibility', 'thunder', 'darkness', 'windAgainstCurrent', 'cold', 'heat']);
const limit = z.number().positive().nullable();

/** A boat as the judgement reads it; limits that are null are not known. */
export const boatLimits = z.object({
  windLimitMps: limit,
  gustLimitMps: limit,
  waveLimitM: limit,
  draughtM: z.number(),
  speedMps: z.number(),
  /** Speed left at the wave limit, m/s; half where null, and in desks that were kept before. */
  roughMps: z.number().nullable().optional(),
  /** False for people on foot. */
  afloat: z.boolean(),
});

/** Limits as the crew sets them; gusts left empty are taken as a quarter over the wind's. */
export const boatLimitsEdit = z
  .object({
    windLimitMps: z.number().positive().max(40, 'expected at most 40 m/s').nullable(),
    gustLimitMps: z.number().positive().max(50, 'expected at most 50 m/s').nullable(),
    waveLimitM: z.number().positive().max(10, 'expected at most 10 m').nullable(),
  })
  .strict()
  .superRefine((b, c) => {
    if (b.windLimitMps !== null && b.gustLimitMps !== null && b.gustLimitMps < b.windLimitMps)
      c.addIssue({ code: 'custom', path: ['gustLimitMps'], message: `expected at least the wind's limit of ${b.windLimitMps}` });
  });

export const newRefill = z.object({ id, at: instant }).strict();

export const party = z.object({
  children: z.int(),
  firstTimers: z.int(),
  nonSwimmers: z.int(),
  share: z.number().positive().max(1),
});

const level = z.enum(['over', 'near', 'unknown', 'within']);
/** One line of what speaks against a trip. */
export const riskLine = z.object({ level, text: z.string() });
export type RiskLine = z.infer<typeof riskLine>;

/** What speaks against a trip on what is known now: its plan's stops, or open water where it has none. */
export const tripRisk = z.object({
  tripId: id,
  worst: level,
  lines: z.array(riskLine),
  notKnown: z.array(quantity),
});
export type TripRisk = z.infer<typeof tripRisk>;
export const risksAsked = z.object({ date: z.iso.date() });

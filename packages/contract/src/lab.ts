// Input of the calculations that can be run from the command line; unknown fields are errors.
import { z } from 'zod';
import { date, instant, lengthKind } from './ids';
import { ruleBody } from './rule';

const constituent = z
  .object({ name: z.string(), amplitudeM: z.number().nonnegative(), phaseDeg: z.number(), speedDegPerHour: z.number().optional() })
  .strict();

export const labTide = z
  .object({
    constituents: z.array(constituent).min(1),
    z0M: z.number(),
    from: instant,
    to: instant,
    stepMin: z.number().positive().optional(),
  })
  .strict();

const height = z.object({ at: instant, heightM: z.number() }).strict();
export const labTideFit = z
  .object({
    heights: z.array(height).max(200_000).optional(),
    turns: z
      .array(height.extend({ kind: z.enum(['high', 'low']) }).strict())
      .max(20_000)
      .optional(),
    lat: z.number().min(-90).max(90).optional(),
  })
  .strict();

export const labSky = z
  .object({ lat: z.number().min(-90).max(90), lon: z.number().min(-180).max(180), from: instant, to: instant })
  .strict();

const step = z.int().nonnegative();
export const labItinerary = z
  .object({
    stepMin: z.number().positive(),
    steps: z.int().positive().max(2000),
    minStaySteps: z.int().min(1),
    dockTravelSteps: z.array(step),
    travelSteps: z.array(z.array(step)),
    spots: z.array(
      z
        .object({
          id: z.string(),
          ratePerHour: z.array(z.number().nonnegative()),
          fadePerHour: z.number().nonnegative(),
          open: z.array(z.tuple([step, step])).optional(),
        })
        .strict(),
    ),
    timeLimitMs: z.number().positive().optional(),
  })
  .strict();

export const labFleet = z
  .object({
    stepMin: z.number().positive(),
    steps: z.int().positive().max(2000),
    minStaySteps: z.int().min(1),
    marginSteps: step.optional(),
    timeLimitMs: z.number().positive().optional(),
    spots: z.array(
      z.object({ id: z.string(), fadePerHour: z.number().nonnegative(), open: z.array(z.tuple([step, step])).optional() }).strict(),
    ),
    boats: z
      .array(
        z
          .object({
            id: z.string(),
            startStep: step,
            endStep: step,
            dockTravelSteps: z.array(step),
            travelSteps: z.array(z.array(step)),
            ratePerHour: z.array(z.array(z.number().nonnegative())),
          })
          .strict(),
      )
      .min(1)
      .max(12),
  })
  .strict();

const minutes = z.number().nonnegative().max(1440);
export const labStay = z
  .object({
    belief: z.object({ a: z.number().positive(), b: z.number().positive() }).strict(),
    fadePerHour: z.number().nonnegative(),
    minutesFished: minutes,
    fish: z.int().nonnegative(),
    minutesLeft: minutes,
    alternatives: z.array(
      z
        .object({
          id: z.string(),
          a: z.number().positive(),
          b: z.number().positive(),
          fadePerHour: z.number().nonnegative(),
          travelMin: minutes,
        })
        .strict(),
    ),
  })
  .strict();

const maybe = z.number().nullable().optional();
const conditions = z
  .object({ tideStage: maybe, windMps: maybe, windFromDeg: maybe, waterTempC: maybe, clarityM: maybe, sunHeightDeg: maybe, cloud: maybe })
  .strict();

export const labRank = z
  .object({
    now: instant,
    stops: z.array(
      z
        .object({
          at: instant,
          spot: z.string(),
          presentation: z.string(),
          rodHours: z.number().positive(),
          fish: z.number().nonnegative(),
          conditions,
        })
        .strict(),
    ),
    queries: z.array(z.object({ at: instant, spot: z.string(), presentation: z.string(), conditions }).strict()),
    /** Envelopes of presentations, where the rules of depth and temperature are to speak. */
    priors: z
      .array(
        z
          .object({ presentation: z.string(), depthMinM: z.number(), depthMaxM: z.number(), tempMinC: z.number(), tempMaxC: z.number() })
          .strict(),
      )
      .optional(),
  })
  .strict();

const count = z.union([z.int().nonnegative(), z.boolean()]).default(0);
export const labJudge = z
  .object({
    boat: z.object({ windLimitMps: maybe, gustLimitMps: maybe, waveLimitM: maybe, draughtM: maybe, marginM: maybe }).strict(),
    party: z
      .object({ children: count, firstTimers: count, nonSwimmers: count, share: z.number().positive().max(1).nullable().optional() })
      .strict(),
    conditions: z
      .object({
        windMps: maybe,
        gustMps: maybe,
        windFromDeg: maybe,
        waveM: maybe,
        currentMps: maybe,
        currentToDeg: maybe,
        visibilityM: maybe,
        thunder: z.boolean().nullable().optional(),
        sunHeightDeg: maybe,
        depthM: maybe,
        waterTempC: maybe,
        airTempC: maybe,
      })
      .strict(),
  })
  .strict();

export const labVerdict = z
  .object({
    rules: z.array(
      z.union(
        ruleBody.options.map((o) =>
          o.extend({ id: z.string(), species: z.string(), zone: z.string().nullable(), checkedOn: date.nullable().optional() }).strict(),
        ),
      ),
    ),
    zone: z.string().nullable(),
    date,
    fish: z.object({ species: z.string(), lengthMm: z.number().positive().nullable(), lengthKind }).strict(),
    keptToday: z.int().nonnegative(),
    keptByBoat: z.int().nonnegative().optional(),
    keptBefore: z.array(z.object({ date, fish: z.int().nonnegative() }).strict()).optional(),
  })
  .strict();

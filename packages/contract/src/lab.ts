// Input of the calculations that can be run from the command line; unknown fields are errors.
import { z } from 'zod';
import { position } from './grounds';
import { date, instant, lengthKind } from './ids';
import { ruleBodies } from './rule';

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
        ruleBodies.map((o) =>
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

const real = z.number();
export const labSink = z
  .object({
    massG: real,
    materialKgM3: real.optional(),
    waterKgM3: real.optional(),
    cd: real.optional(),
    extraDragCm2: real.optional(),
    depthM: real,
  })
  .strict();

export const labPlumb = z
  .object({
    depthM: real,
    currentMps: real,
    lineMm: real,
    sinkerG: real,
    sinkerKgM3: real.optional(),
    waterKgM3: real.optional(),
    lineCd: real.optional(),
    sinkerCd: real.optional(),
  })
  .strict();

export const labDrift = z
  .object({
    windMps: real,
    windFromDeg: real,
    currentMps: real,
    currentToDeg: real,
    windageM2: real,
    windageCd: real.optional(),
    hullM2: real,
    hullCd: real.optional(),
    anchorDiameterM: real.optional(),
    anchorCd: real.optional(),
    airKgM3: real.optional(),
    waterKgM3: real.optional(),
  })
  .strict();
export const labAnchorSize = labDrift.extend({ wantedThroughWaterMps: real, sizesM: z.array(real).max(100) }).strict();

export const labFeeder = z.object({ clipM: real, depthM: real, fallMps: real, keepS: real }).strict();

export const labCountdown = z
  .object({
    bombMps: real.optional(),
    bombG: real.optional(),
    waterKgM3: real.optional(),
    casts: z.array(z.object({ bearingDeg: real, distanceM: real, seconds: real }).strict()).max(5000),
    at: position,
  })
  .strict();

export const labZone = z.object({ castM: real, bandM: real, angleDeg: real }).strict();
export const labDive = z.object({ ratedM: real, ratedLineMm: real, ratedCastM: real, lineMm: real, castM: real }).strict();

export const labSpread = z
  .object({
    boards: z
      .array(z.object({ side: z.enum(['port', 'starboard']), leaderM: real, outM: real, weightG: real, reachM: real.optional() }).strict())
      .max(20),
    boatMps: real,
    currentMps: real,
    currentToDeg: real,
    headingDeg: real,
    tideM: real.optional(),
    lineMm: real.optional(),
    track: z.array(position).max(20_000),
    bed: z
      .object({
        lat0: real,
        lon0: real,
        cellM: z.number().positive(),
        columns: z.int().positive(),
        rows: z.int().positive(),
        /** Row by row from the south-west; null where it is not sounded. */
        depthM: z.array(real.nullable()),
      })
      .strict()
      .refine((b) => b.depthM.length === b.columns * b.rows, 'expected columns x rows depths'),
  })
  .strict();

const believed = z.object({ a: z.number().positive(), b: z.number().positive() }).strict();
export const labLeader = z
  .object({
    strengths: z.array(z.object({ kg: real, rodHours: real, bites: z.int(), hooked: z.int(), landed: z.int() }).strict()).max(20),
    priors: z.object({ bites: believed.optional(), hook: believed.optional(), land: believed.optional() }).strict().optional(),
  })
  .strict();

export const labSearch = z.object({ swathM: real, speedMps: real, groups: real, minutes: real }).strict();
export const labSpares = z.object({ risk: real, rodHours: real, shortBelow: real.optional() }).strict();
export const labFish = z
  .object({
    lengthMm: real,
    girthMm: real.optional(),
    weightG: real.optional(),
    standardWeight: z.object({ a: real, b: real }).strict(),
  })
  .strict();
export const labBoyle = z.object({ depthM: real, waterKgM3: real.optional() }).strict();

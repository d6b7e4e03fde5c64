import { z } from 'zod';
import { id, instant } from './ids';
import { waterRecord } from './water';

const nullable = z.number().nullable();

/** Fished sets as columns; spot and presentation are indices into the lists beside them. */
export const evidence = z.object({
  version: z.string(),
  stopId: z.array(id),
  at: z.array(z.number()),
  spot: z.array(z.int()),
  presentation: z.array(z.int()),
  rodHours: z.array(z.number()),
  fish: z.array(z.int()),
  tideStage: z.array(nullable),
  windMps: z.array(nullable),
  windFromDeg: z.array(nullable),
  waterTempC: z.array(nullable),
  clarityM: z.array(nullable),
  sunHeightDeg: z.array(nullable),
  cloud: z.array(nullable),
  depthM: z.array(nullable),
});
export type Evidence = z.infer<typeof evidence>;

const savedLeg = z.object({
  spotId: id,
  presentationId: id,
  arriveAt: instant,
  startAt: instant,
  departAt: instant,
  expected: z.number(),
  lo80: z.number(),
  hi80: z.number(),
  pinned: z.boolean(),
});

export const savedPlan = z.object({
  id,
  version: z.int(),
  madeAt: instant,
  madeBy: z.string(),
  expected: z.number(),
  lo80: z.number(),
  hi80: z.number(),
  bound: z.number(),
  proved: z.boolean(),
  bans: z.array(id),
  legs: z.array(savedLeg),
  evidenceVersion: z.string(),
  forecastRunAt: instant.nullable(),
});
export type SavedPlan = z.infer<typeof savedPlan>;

export const planDesk = z.object({
  now: z.number(),
  startsAt: z.number(),
  endsAt: z.number(),
  zone: z.string(),
  rods: z.int(),
  skill: z.int(),
  boat: z.object({ draughtM: z.number(), windLimitMps: z.number(), waveLimitM: z.number() }),
  water: waterRecord,
  spots: z.array(
    z.object({
      id,
      name: z.string(),
      depthMinM: z.number(),
      depthMaxM: z.number(),
      bottom: z.string(),
      heatOffsetC: z.number(),
      heatSdC: z.number(),
      shoreNormalDeg: nullable,
      fetchM: z.array(z.int()),
      accessDepthM: nullable,
      fadePerHour: z.number(),
      lat: z.number(),
      lon: z.number(),
    }),
  ),
  presentations: z.array(
    z.object({
      id,
      name: z.string(),
      skill: z.int(),
      envelope: z.object({ depthMinM: z.number(), depthMaxM: z.number(), tempMinC: z.number(), tempMaxC: z.number() }),
    }),
  ),
  evidence,
  dockTravelMin: z.array(nullable),
  travelMin: z.array(z.array(nullable)),
  forecastRunAt: instant.nullable(),
  saved: savedPlan.nullable(),
});
export type PlanDesk = z.infer<typeof planDesk>;

/** A plan to keep: legs by time; the server scores them anew with its own evidence. */
export const newPlan = z
  .object({
    id,
    legs: z
      .array(z.object({ spotId: id, startAt: instant, departAt: instant, pinned: z.boolean() }).strict())
      .min(1, 'a plan needs at least one leg')
      .max(20),
    bans: z.array(id).max(100),
    /** Version this one replaces; 0 for the first. */
    replaces: z.int().nonnegative(),
  })
  .strict();

export const stopDetail = z.object({
  id,
  startedAt: instant,
  spotName: z.string(),
  sets: z.array(z.object({ presentation: z.string(), rodHours: z.number(), fish: z.int() })),
});
export const stopsAsked = z.object({ ids: z.array(id).max(60) }).strict();
export type StopDetail = z.infer<typeof stopDetail>;

import { z } from 'zod';
import { id, instant } from './ids';
import { partyFigures } from './partyFigures';
import { envelope } from './presentations';
import { boatLimits, hazard, party, quantity } from './risk';
import { sign } from './sign';
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
  fish: z.array(z.number()),
  /** Of these, how many the goal counts, and the measured lengths as shares of the length it asks for. */
  counts: z.array(z.number()),
  lengthCount: z.array(z.int()),
  lengthSum: z.array(z.number()),
  lengthSquares: z.array(z.number()),
  tideStage: z.array(nullable),
  windMps: z.array(nullable),
  windFromDeg: z.array(nullable),
  waterTempC: z.array(nullable),
  clarityM: z.array(nullable),
  sunHeightDeg: z.array(nullable),
  cloud: z.array(nullable),
  depthM: z.array(nullable),
  onshore: z.array(nullable),
  currentMps: z.array(nullable),
  sinceTurnH: z.array(nullable),
  tidePush: z.array(nullable),
  waterTemp48hC: z.array(nullable),
  flowM3s: z.array(nullable),
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
  parts: z.array(z.object({ presentationId: id, fromAt: instant, toAt: instant })),
});

/** What would change a plan, as it was worked out beside it. */
export const planTrigger = z
  .object({
    sentence: z.string().min(1).max(400),
    worth: z.number().min(0).max(1000),
    chance: z.number().min(0).max(1).nullable(),
    condition: z.object({ atMs: z.number(), aboveMps: z.number().nullable(), belowMps: z.number().nullable() }).strict().nullable(),
    planB: z.array(z.object({ spotId: id, startAt: instant, departAt: instant }).strict()).max(20),
  })
  .strict();
export type PlanTrigger = z.infer<typeof planTrigger>;

const why = z.object({ sign: z.enum(['+', '-']), text: z.string(), multiplier: z.number(), fish: z.number(), expected: z.number() });

/** Why a leg was chosen, as it was known when the plan was kept. */
export const legBasis = z.object({
  spotId: id,
  spotName: z.string(),
  presentation: z.string(),
  ratePerRodHour: z.number(),
  lo80: z.number(),
  hi80: z.number(),
  likeRodHours: z.number(),
  likeFish: z.number(),
  reasons: z.array(why),
  factors: z.array(z.object({ name: z.string(), multiplier: z.number(), fish: z.number(), expected: z.number() })),
  stopIds: z.array(id),
  conditions: z.object({ windMps: nullable, windFromDeg: nullable, waterTempC: nullable, tideHeightM: nullable, clarityM: nullable }),
});
export const planOptions = z
  .object({
    again: z.boolean(),
    /** Presentations that are aboard but left to other boats. */
    without: z.array(id).max(200).default([]),
  })
  .strict();

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
  modelVersion: z.string(),
  forecastRunAt: instant.nullable(),
  options: planOptions,
  triggers: z.array(planTrigger),
  basis: z.array(legBasis),
  /** What it was laid without; the captain said that he saw it. */
  notKnown: z.array(quantity),
  runMin: z.number().nullable(),
});
export type SavedPlan = z.infer<typeof savedPlan>;

/** A spot as planning sees it. */
export const planSpot = z.object({
  id,
  name: z.string(),
  structure: z.string(),
  pressure: z.int(),
  restsUntil: z.number().nullable(),
  depthMinM: z.number(),
  depthMaxM: z.number(),
  bottom: z.string(),
  heatOffsetC: z.number(),
  heatSdC: z.number(),
  shoreNormalDeg: nullable,
  fetchM: z.array(z.int()),
  accessDepthM: nullable,
  fadePerHour: z.number(),
  footing: z.int(),
  hazards: z.array(hazard),
  legality: z.string(),
  lat: z.number(),
  lon: z.number(),
  /** Of one drawn as a line; absent in desks that were kept before. */
  track: z
    .object({ lengthM: z.number(), bearingDeg: z.number(), bedM: z.array(nullable) })
    .nullable()
    .optional(),
});

export const planDesk = z.object({
  now: z.number(),
  startsAt: z.number(),
  endsAt: z.number(),
  zone: z.string(),
  counting: z.enum(['all', 'long', 'keepable', 'action']),
  /** Species of the goal with the weight of a fish of each. */
  species: z.array(z.object({ id, name: z.string(), weight: z.number() })),
  /** Fish that all anglers together may keep in the day by the crew's copy of the rules; null when no bag is on file or none is kept. */
  bag: z.int().nullable(),
  rods: z.int(),
  skill: z.int(),
  footing: z.int(),
  ...partyFigures,
  breaks: z.array(z.object({ name: z.string(), fromMs: z.number(), toMs: z.number() })),
  /** Presentations in the boat; null when all are. */
  aboard: z.array(id).nullable(),
  guests: z.array(
    z.object({
      id,
      name: z.string(),
      experience: z.int(),
      child: z.boolean(),
      hand: z.enum(['left', 'right']).nullable(),
      swims: z.boolean().nullable(),
      wishes: z.string(),
    }),
  ),
  boat: boatLimits.extend({
    runMin: z.number().nullable(),
    /** What it shows to wind and water, m2; absent on foot and in desks that were kept before. */
    drift: z.object({ windageM2: z.number(), hullM2: z.number() }).optional(),
  }),
  party,
  /** What the boat's other trips of the day burn, in words; empty for nothing. */
  fuel: z.string(),
  water: waterRecord,
  spots: z.array(planSpot),
  presentations: z.array(
    z.object({
      id,
      name: z.string(),
      family: z.string(),
      familyName: z.string(),
      skill: z.int(),
      coverRate: z.int(),
      snag: z.int(),
      rods: z.int(),
      /** Trips that the day's bait lasts for; null for any number. */
      tripsADay: z.int().nullable(),
      /** Boats that have the last of it. */
      heldBy: z.array(z.string()),
      zone: z.enum(['bottom', 'middle', 'surface']),
      look: z.string(),
      envelope,
      sizeMm: nullable,
      weightG: nullable,
      pauseS: nullable,
      leaderKg: nullable,
      colour: z.string(),
    }),
  ),
  evidence,
  /** Signs of fish seen on this water of late. */
  signs: z.array(
    z.object({
      at: z.number(),
      spot: id.nullable(),
      kind: sign,
      relation: z.enum(['tight', 'above']).nullable(),
      /** Where it was set on the chart; absent where only its spot is known. */
      lat: nullable.optional(),
      lon: nullable.optional(),
    }),
  ),
  /** Bait that went in at its spots, in the last seasons. */
  feeds: z.array(z.object({ at: z.number(), spot: id })),
  taken: z.array(z.object({ tripId: id, spotId: id, fromMs: z.number(), toMs: z.number(), boat: z.string() })),
  /** Wind of each member of the newest forecast. */
  members: z
    .object({ atMs: z.array(z.number()), members: z.array(z.object({ east: z.array(z.number()), north: z.array(z.number()) })) })
    .nullable(),
  dockTravelMin: z.array(nullable),
  travelMin: z.array(z.array(nullable)),
  /** The sea that ways cross: places, and which of them each way meets. */
  sea: z.object({
    places: z.array(
      z.object({
        lat: z.number(),
        lon: z.number(),
        depthM: z.number(),
        fetchM: z.array(z.int()),
        bar: z.string().nullable(),
        unsounded: z.boolean().optional(),
      }),
    ),
    dock: z.array(z.array(z.int())),
    between: z.array(z.array(z.array(z.int()))),
  }),
  /** Ways by height of tide, the lowest first. */
  byTide: z.array(
    z.object({
      tideM: z.number(),
      dockMin: z.array(nullable),
      betweenMin: z.array(z.array(nullable)),
      dockSea: z.array(z.array(z.int())),
      betweenSea: z.array(z.array(z.array(z.int()))),
    }),
  ),
  forecastRunAt: instant.nullable(),
  saved: savedPlan.nullable(),
  /** Legs of the kept plan at spots that only its captain and the owner see. */
  hiddenLegs: z.int(),
  /** Bare marks out of files, which nobody has described or fished: they are not planned for. */
  marksLeftOut: z.int(),
  /** Plans that were kept before, newest first. */
  earlier: z.array(z.object({ version: z.int(), madeAt: instant, madeBy: z.string(), expected: z.number() })),
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
    options: planOptions.default({ again: false, without: [] }),
    triggers: z.array(planTrigger).max(20).default([]),
    /** What is not known of the trip's hours and the captain has seen so: it is laid without. */
    seen: z.array(quantity).max(20).default([]),
    /** Version this one replaces; 0 for the first. */
    replaces: z.int().nonnegative(),
  })
  .strict();

export type NewPlan = z.infer<typeof newPlan>;

/** Plans of several trips of a day, kept together or not at all. */
export const fleetPlans = z
  .object({
    plans: z
      .array(newPlan.extend({ tripId: id }).strict())
      .min(1, 'no plan was sent')
      .max(20),
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

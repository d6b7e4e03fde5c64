// What the crew ties and loads: gear, figures of a rig set by hand, and ticks of the night before.
import { GEAR_KINDS } from '@bluffwind/core/tackle/gearKinds';
import { HAND_LIMITS, type HandPart } from '@bluffwind/core/tackle/handLimits';
import { z } from 'zod';
import { id, instant } from './ids';

export const gearKind = z.enum(GEAR_KINDS);

const maybe = (least: number, most: number) => z.number().min(least).max(most).nullable();

/** One thing in the boxes. A figure that is null is not known. */
export const gearEdit = z
  .object({
    id,
    kind: gearKind,
    name: z.string().trim().min(1, 'a name is needed').max(120),
    /** Weight of a sinker, head or lure, g. */
    massG: maybe(0.1, 20_000),
    /** Breaking strength of line or leader, kg. */
    strengthKg: maybe(0.1, 200),
    /** Across: line in mm, a sea anchor in m. */
    acrossMm: maybe(0.05, 30_000),
    /** Pieces in stock; null where nobody counts. */
    stock: z.int().min(0).max(100_000).nullable(),
    /** Of a piece, in the outfit's money. */
    cost: maybe(0, 100_000),
    note: z.string().max(500),
  })
  .strict();
export type GearEdit = z.infer<typeof gearEdit>;
export const gearView = gearEdit.extend({ outOfUse: z.boolean() });
export type GearView = z.infer<typeof gearView>;
export const gearList = z.array(gearView);

/** A bait as it was timed, or measured: it overrules the textbook from the first one on. */
export const baitTrial = z
  .object({
    presentationId: id,
    /** Sunk so deep in so long; null to forget. */
    sank: z
      .object({ depthM: z.number().min(0.3).max(100), seconds: z.number().min(0.2).max(600) })
      .strict()
      .nullable(),
    /** Depth that a diver was found to run at, m; null to forget. */
    divesM: maybe(0.1, 60),
  })
  .strict();

/** What a boat shows to the wind, and a drift that was timed. */
export const boatDrift = z
  .object({
    windageM2: z.number().min(0.2).max(500),
    timed: z
      .object({
        windMps: z.number().min(0.5).max(30),
        throughWaterMps: z.number().min(0.01).max(5),
        anchorDiameterM: z.number().min(0).max(10),
      })
      .strict(),
  })
  .strict();

export const handPart = z.enum(Object.keys(HAND_LIMITS) as [HandPart, ...HandPart[]]);
const rigChoiceFields = z.object({ spotId: id, presentationId: id, part: handPart, value: z.number().nullable() }).strict();
/** A figure of a card set by hand (g, kg, m or s); null gives it back to the arithmetic. */
export const rigChoice = rigChoiceFields.superRefine(({ part, value }, c) => {
  const [least, most] = HAND_LIMITS[part];
  if (value !== null && (value < least || value > most))
    c.addIssue({ code: 'custom', path: ['value'], message: `expected ${least} to ${most} for ${part}` });
});
export type RigChoice = z.infer<typeof rigChoice>;

const strengthCount = z.object({ kg: z.number(), rodHours: z.number(), bites: z.int(), hooked: z.int(), landed: z.int() });

/** What the rigs of a trip are made from beside its desk. */
export const tripRigs = z.object({
  choices: z.array(rigChoiceFields.extend({ value: z.number(), by: z.string() })),
  ticks: z.array(z.object({ key: z.string(), by: z.string(), at: instant })),
  box: z.object({
    weightsG: z.array(z.number()),
    headsG: z.array(z.number()),
    anchorsM: z.array(z.number()),
    /** True for what the crew has not listed: usual sizes stand for it. */
    usual: z.object({ weights: z.boolean(), heads: z.boolean(), anchors: z.boolean() }),
  }),
  boat: z.object({
    windageM2: z.number(),
    hullM2: z.number(),
    timed: z.boolean(),
    /** Parking, permits, gates, where one walks. */ accessNote: z.string(),
  }),
  trials: z.array(
    z.object({ presentationId: id, depthM: z.number().nullable(), seconds: z.number().nullable(), divesM: z.number().nullable() }),
  ),
  /** Bites and fish by leader, for families that were fished on more than one. */
  leaders: z.array(z.object({ familyId: z.string(), counts: z.array(strengthCount) })),
  /** How high over the bottom fish were marked last at a spot, m. */
  marks: z.array(z.object({ spotId: id, upM: z.number(), at: instant })),
  /** Rigs lost of each bait and the hours of rods in which they were, as far as days were looked back on. */
  losses: z.array(z.object({ presentationId: id, lost: z.number(), rodHours: z.number() })),
  /** What each bait is made of and costs an hour. */
  baits: z.array(z.object({ presentationId: id, forage: z.array(z.string()), costPerHour: z.number() })),
});
export type TripRigs = z.infer<typeof tripRigs>;

/** Bites and fish by leader of one family, over the whole log. */
export const leaderCounts = z.object({ familyId: z.string(), name: z.string(), counts: z.array(strengthCount) });
export type LeaderCounts = z.infer<typeof leaderCounts>;

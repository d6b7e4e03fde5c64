import { gearAboard } from './aboard';
import { DISTURBANCES } from '@bluffwind/core/turn/disturbances';
import { z } from 'zod';
import { id, instant, lengthKind } from './ids';
import { planTrigger } from './plan';
import { boatLimits, hazard, party } from './risk';
import { ruleBody } from './rule';
import { sign, signSide } from './sign';
import { trialPlan, trialRods } from './trials';
import { tripView } from './trips';
import { waterRecord } from './water';

const base = { entryId: id, at: instant };
/** What is told of a fish after it was logged; what is left out stays as it is. */
export const fishMore = z
  .object({
    speciesId: id,
    clientId: id.nullable(),
    lengthMm: z.int().min(10).max(4000).nullable(),
    lengthKind,
    kept: z.boolean(),
    weightG: z.int().min(1).max(900_000).nullable(),
    girthMm: z.int().min(10).max(4000).nullable(),
    hook: z.enum(['lip', 'scissors', 'deep', 'outside']).nullable(),
    /** Depth at which it took, m. */
    depthM: z.number().min(0).max(500).nullable(),
    /** When in the cast or drop it took. */
    take: z.enum(['on the drop', 'at the bottom', 'on the retrieve', 'at the boat']).nullable(),
    leader: z.string().trim().max(60).nullable(),
    colour: z.string().trim().max(60).nullable(),
    tag: z.string().trim().max(40).nullable(),
    /** What it had eaten. */
    forage: z.string().trim().max(60).nullable(),
    note: z.string().trim().max(300).nullable(),
  })
  .partial()
  .strict();
export type FishMore = z.infer<typeof fishMore>;

const setStart = z
  .object({
    id,
    presentationId: id,
    rods: z.int().min(1).max(20),
    /** What a trial compares, and which of it these rods fish. */
    trial: trialRods.optional(),
  })
  .strict();

/** A stop of the rest of a day that was laid anew on deck. */
export const takenLeg = z
  .object({
    spotId: id,
    presentationId: id,
    startAt: instant,
    departAt: instant,
    expected: z.number().min(0).max(10_000),
    lo80: z.number().min(0).max(10_000),
    hi80: z.number().min(0).max(10_000),
  })
  .strict();
export type TakenLeg = z.infer<typeof takenLeg>;

/** One thing that happened on deck, with a key made on the phone; sent again it changes nothing. */
export const deckEntry = z.discriminatedUnion('kind', [
  z.object({ ...base, kind: z.literal('begin-trip') }).strict(),
  z.object({ ...base, kind: z.literal('start-stop'), stopId: id, spotId: id, sets: z.array(setStart).min(1).max(8) }).strict(),
  z.object({ ...base, kind: z.literal('switch-set'), stopId: id, endSetId: id, set: setStart }).strict(),
  z
    .object({
      ...base,
      kind: z.literal('catch'),
      catchId: id,
      setId: id,
      speciesId: id.nullable(),
      clientId: id.nullable(),
      lengthMm: z.int().min(10).max(4000).nullable(),
      lengthKind,
      outcome: z.enum(['landed', 'lost', 'missed']),
      kept: z.boolean(),
    })
    .strict(),
  /** A fish told of more closely, or put right: the later word holds for each thing, and the earlier ones stay in its history. */
  z
    .object({ ...base, kind: z.literal('tell-catch'), catchId: id, told: fishMore })
    .strict()
    .refine((e) => Object.keys(e.told).length > 0, { path: ['told'], message: 'expected at least one thing told of the fish' }),
  z.object({ ...base, kind: z.literal('undo-catch'), catchId: id }).strict(),
  z
    .object({
      ...base,
      kind: z.literal('sighting'),
      sightingId: id,
      spotId: id.nullable(),
      what: sign,
      note: z.string().max(500),
      depthM: z.number().min(0).max(500).nullable().default(null),
      relation: z.enum(['tight', 'above']).nullable().default(null),
      /** Where it was set on the chart, and on which side of what stands there; left out where only its spot is told. */
      place: z
        .object({ lat: z.number().min(-90).max(90), lon: z.number().min(-180).max(180) })
        .strict()
        .nullable()
        .default(null),
      side: signSide.nullable().default(null),
    })
    .strict(),
  /** Lines out of the water, the boat stays: nothing fishes until they are in again. */
  z.object({ ...base, kind: z.literal('lines-out'), stopId: id, disturbanceId: id, what: z.enum(DISTURBANCES) }).strict(),
  z.object({ ...base, kind: z.literal('lines-in'), stopId: id, disturbanceId: id, sets: z.array(setStart).min(1).max(8) }).strict(),
  z.object({ ...base, kind: z.literal('end-stop'), stopId: id }).strict(),
  /** A part of the way that the boat went while it fished: a drift, boards, a trolled line. */
  z
    .object({
      ...base,
      kind: z.literal('track'),
      stopId: id,
      points: z
        .array(
          z.object({ lat: z.number().min(-90).max(90), lon: z.number().min(-180).max(180), atMs: z.number().min(0).max(4e12) }).strict(),
        )
        .min(1)
        .max(400),
    })
    .strict(),
  /** What is compared on this trip, and that it is compared no more (null): the later word holds. */
  z.object({ ...base, kind: z.literal('trial'), trial: trialPlan.nullable() }).strict(),
  /** The stops that are left as they were laid anew and taken on deck; null goes back to the plan: the later word holds. */
  z.object({ ...base, kind: z.literal('rest'), legs: z.array(takenLeg).min(1).max(40).nullable() }).strict(),
  /** A thing of the night before, tied, got ready or loaded, or not after all. */
  z.object({ ...base, kind: z.literal('tick'), key: z.string().min(1).max(120), done: z.boolean() }).strict(),
  /** The list before leaving, signed: what was done of it and what was not, and when somebody ashore is to worry. */
  z
    .object({
      ...base,
      kind: z.literal('depart'),
      done: z.array(z.string().min(1).max(140)).max(120),
      left: z.array(z.string().min(1).max(140)).max(120),
      signedBy: z.string().trim().min(1, 'sign with a name').max(120),
      dueAt: instant,
      ashore: z.string().trim().max(200),
    })
    .strict(),
  z.object({ ...base, kind: z.literal('end-trip') }).strict(),
]);
export type DeckEntry = z.infer<typeof deckEntry>;

export const deckBatch = z.object({ entries: z.array(z.unknown()).min(1).max(200) }).strict();

/** Per entry: stored, or refused for good with why. */
export const deckReceipt = z.object({
  receipts: z.array(
    z.object({
      entryId: z.string(),
      ok: z.boolean(),
      message: z.string(),
      /** Why it was not taken, as a stable code; an entry of an unknown kind waits on the phone for a newer server. */
      code: z.string().nullable(),
    }),
  ),
});
export type DeckReceipt = z.infer<typeof deckReceipt>;

const deckStop = z.object({
  id,
  spotId: id,
  startedAt: instant,
  endedAt: instant.nullable(),
  /** Times without lines; absent in packs that were kept before there were any. */
  outs: z.array(z.object({ id, what: z.enum(DISTURBANCES), fromAt: instant, toAt: instant.nullable() })).optional(),
  sets: z.array(
    z.object({
      id,
      presentationId: id,
      rods: z.int(),
      /** What a trial has on these rods; absent in packs that were kept before there were any. */
      trial: trialRods.nullable().optional(),
      startedAt: instant,
      endedAt: instant.nullable(),
      catches: z.array(
        z.object({
          id,
          speciesId: id.nullable(),
          clientId: id.nullable(),
          at: instant,
          lengthMm: z.int().nullable(),
          outcome: z.enum(['landed', 'lost', 'missed']),
          kept: z.boolean(),
          /** Told after it was logged; absent in packs that were kept before it could be. */
          more: fishMore.optional(),
          /** When each thing was told last, by whichever phone. */
          toldAt: z.record(z.string(), instant).optional(),
        }),
      ),
    }),
  ),
});
export type DeckStop = z.infer<typeof deckStop>;

const departureSigned = z.object({
  signedBy: z.string(),
  at: instant,
  dueAt: instant,
  ashore: z.string(),
  left: z.array(z.string()),
});

/** All that the phone needs for a trip without a network. */
export const deckPack = z.object({
  trip: tripView,
  beganAt: instant.nullable(),
  endedAt: instant.nullable(),
  zone: z.string(),
  ruleZone: z.string(),
  water: waterRecord,
  boat: boatLimits,
  party,
  legs: z.array(
    z.object({
      spotId: id,
      presentationId: id,
      secondId: id.nullable(),
      startAt: instant,
      departAt: instant,
      expected: z.number(),
      lo80: z.number(),
      hi80: z.number(),
      /** Stay or move, decided with the plan for every count and minute of the leg; null where the spot is no longer there. */
      table: z.object({ stepMin: z.number(), leastToStay: z.array(z.int()), to: z.array(id.nullable()), value: z.number() }).nullable(),
    }),
  ),
  /** Belief about each spot on arrival: Gamma(a, b) for all rods. */
  spots: z.array(
    z.object({
      id,
      name: z.string(),
      depthMinM: z.number(),
      depthMaxM: z.number(),
      lat: z.number(),
      lon: z.number(),
      bottom: z.string(),
      shoreNormalDeg: z.number().nullable(),
      fetchM: z.array(z.int()),
      heatOffsetC: z.number(),
      heatSdC: z.number(),
      accessDepthM: z.number().nullable(),
      hazards: z.array(hazard),
      legality: z.string(),
      a: z.number(),
      b: z.number(),
      /** Expected fish per hour for all rods, by hours of the trip. */
      hourly: z.object({ fromMs: z.number(), ratePerHour: z.array(z.number()) }).optional(),
      /** The same bait by bait, for all rods, hour by hour; absent in packs that were kept before it was told. */
      baits: z.array(z.object({ id, ratePerHour: z.array(z.number()) })).optional(),
      fadePerHour: z.number(),
      travelMin: z.record(z.string(), z.number()),
      /** The same by the hour, where tide and sea change it; absent where they do not, and in packs that were kept before. */
      byHour: z.object({ fromMs: z.number(), minutes: z.record(z.string(), z.array(z.number().nullable())) }).optional(),
      /** When the spot can be fished during the trip, ms: its way in, wind and waves. */
      open: z.array(z.tuple([z.number(), z.number()])),
    }),
  ),
  /** What would change the plan, as it was kept; absent in packs that were kept before it was told on deck. */
  triggers: z.array(planTrigger.pick({ sentence: true, worth: true, condition: true })).optional(),
  presentations: z.array(z.object({ id, name: z.string() })),
  species: z.array(
    z.object({
      id,
      name: z.string(),
      lengthKind,
      caution: z.string(),
      usual: z.boolean(),
      leastMm: z.int().nullable(),
      mostMm: z.int().nullable(),
    }),
  ),
  /** What the trip's guests kept on the days before, for rules of possession; absent in packs that were kept before it was told. */
  keptBefore: z.array(z.object({ clientId: id, speciesId: id, date: z.string(), fish: z.int() })).optional(),
  rules: z.array(z.object({ id, speciesId: id, zone: z.string().nullable(), body: ruleBody, source: z.string(), checkedOn: z.string() })),
  stops: z.array(deckStop),
  /** The list before leaving as it was signed; absent in packs that were kept before there was one. */
  departure: departureSigned.nullable().optional(),
  /** What lies aboard, and the boat's own lines of that list; absent in packs that were kept before boats had them. */
  aboard: z.object({ checks: z.array(z.string()), gear: z.array(gearAboard) }).optional(),
  /** What the trip compares on its rods; absent in packs that were kept before it could. */
  trial: trialPlan.nullable().optional(),
  /** The rest of the day as it was laid anew on deck, and when; absent in packs that were kept before it was told to the crew. */
  rest: z
    .object({ legs: z.array(takenLeg).nullable(), at: instant })
    .nullable()
    .optional(),
});
export type DeckPack = z.infer<typeof deckPack>;

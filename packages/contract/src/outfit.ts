import { z } from 'zod';
import { gearAboard } from './aboard';
import { id, lengthKind } from './ids';

export const boat = z.object({
  id,
  name: z.string(),
  craft: z.enum(['boat', 'foot']),
  castM: z.number().nullable(),
  accessNote: z.string(),
  hull: z.string(),
  seats: z.int(),
  speedMps: z.number(),
  roughMps: z.number().nullable(),
  draughtM: z.number(),
  windLimitMps: z.number().nullable(),
  gustLimitMps: z.number().nullable(),
  waveLimitM: z.number().nullable(),
  tankL: z.number(),
  burnLph: z.number(),
  checks: z.array(z.string()),
  gear: z.array(gearAboard),
});

export const species = z.object({
  id,
  name: z.string(),
  habitat: z.enum(['salt', 'fresh']),
  lengthKind,
  sizeGoalMm: z.int().nullable(),
  /** Usual lengths from least to most, mm; null where nobody has said. */
  leastMm: z.int().nullable(),
  mostMm: z.int().nullable(),
  caution: z.string(),
});

export const waterInfo = z.object({
  id,
  name: z.string(),
  kind: z.enum(['salt', 'fresh']),
  ruleZone: z.string(),
  lat: z.number(),
  lon: z.number(),
  dockLat: z.number(),
  dockLon: z.number(),
  tidal: z.boolean(),
});

export const presentationInfo = z.object({ id, name: z.string(), familyId: z.string(), habitat: z.enum(['salt', 'fresh', 'both']) });

/** What the whole application needs of an outfit. */
export const outfitView = z.object({
  /** To whom a new spot is known at first; absent in what a phone kept from before there was a choice. */
  newSpots: z.enum(['crew', 'captain']).optional(),
  boats: z.array(boat),
  crew: z.array(z.object({ id, name: z.string(), role: z.enum(['owner', 'captain', 'mate']) })),
  waters: z.array(waterInfo),
  species: z.array(species),
  presentations: z.array(presentationInfo),
  clients: z.array(z.object({ id, name: z.string(), experience: z.int(), child: z.boolean() })),
});
export type OutfitView = z.infer<typeof outfitView>;

/** A boat as the crew describes it; limits left open are not known, and said so wherever they matter. */
export const boatEdit = z
  .object({
    id,
    name: z.string().trim().min(1, 'needed').max(60),
    /** A boat, or people on foot: then the speed is a walking pace, a cast reaches so far from the bank, and there is no draught and no tank. */
    craft: z.enum(['boat', 'foot']).default('boat'),
    castM: z.number().min(5, 'expected 5 to 300 m').max(300, 'expected 5 to 300 m').nullable().default(null),
    /** Parking, permits, gates. */
    accessNote: z.string().trim().max(500).default(''),
    hull: z.string().trim().max(80),
    seats: z.int().min(1, 'expected 1 to 60').max(60, 'expected 1 to 60'),
    speedMps: z.number().min(0.2, 'expected 0.2 to 40 m/s').max(40, 'expected 0.2 to 40 m/s'),
    /** Speed left at the wave limit; null means half. */
    roughMps: z.number().min(0.2, 'expected 0.2 to 40 m/s').max(40, 'expected 0.2 to 40 m/s').nullable().default(null),
    draughtM: z.number().min(0, 'expected 0.05 to 10 m').max(10, 'expected 0.05 to 10 m'),
    windLimitMps: z.number().min(1).max(40).nullable(),
    gustLimitMps: z.number().min(1).max(50).nullable(),
    waveLimitM: z.number().min(0.05).max(10).nullable(),
    tankL: z.number().min(0).max(20_000),
    burnLph: z.number().min(0).max(2000),
  })
  .strict()
  .superRefine((b, c) => {
    const fault = (field: string, message: string) => c.addIssue({ code: 'custom', path: [field], message });
    if (b.roughMps !== null && b.roughMps > b.speedMps) fault('roughMps', 'expected at most its speed in calm water');
    if (b.craft === 'boat') {
      if (b.speedMps < 0.5) fault('speedMps', 'expected 0.5 to 40 m/s');
      if (b.draughtM < 0.05) fault('draughtM', 'expected 0.05 to 10 m');
      if (b.tankL < 0.5) fault('tankL', 'expected 0.5 to 20,000 l');
      if (b.burnLph < 0.1) fault('burnLph', 'expected 0.1 to 2,000 l an hour');
    } else {
      if (b.speedMps > 3) fault('speedMps', 'expected a walking pace of 0.2 to 3 m/s');
      if (b.castM === null) fault('castM', 'say how far a cast reaches');
      if (b.draughtM !== 0 || b.tankL !== 0 || b.burnLph !== 0) fault('craft', 'people on foot have no draught and no tank');
    }
  });
export type BoatEdit = z.infer<typeof boatEdit>;

export const speciesEdit = z
  .object({
    id,
    name: z.string().trim().min(1, 'needed').max(60),
    habitat: z.enum(['salt', 'fresh']),
    lengthKind,
    leastMm: z.int().min(10).max(5000).nullable(),
    mostMm: z.int().min(10).max(5000).nullable(),
    sizeGoalMm: z.int().min(10).max(5000).nullable(),
    caution: z.string().trim().max(300),
  })
  .strict()
  .refine((s) => s.leastMm === null || s.mostMm === null || s.leastMm < s.mostMm, {
    path: ['mostMm'],
    message: 'expected more than the least',
  });
export type SpeciesEdit = z.infer<typeof speciesEdit>;

/** Everything that is known of a client; the medical note goes to the owner and to captains of his trips only. */
export const clientView = z.object({
  id,
  name: z.string(),
  contact: z.string(),
  experience: z.int(),
  child: z.boolean(),
  swims: z.boolean().nullable(),
  hand: z.enum(['left', 'right']).nullable(),
  wishes: z.string(),
  note: z.string(),
  medicalNote: z.string().nullable(),
  trips: z.int(),
  fish: z.int(),
  lastTripAt: z.string().nullable(),
});
export type ClientView = z.infer<typeof clientView>;

export const clientEdit = z
  .object({
    id,
    name: z.string().trim().min(1, 'needed').max(80),
    contact: z.string().trim().max(200),
    experience: z.int().min(1).max(3),
    child: z.boolean(),
    swims: z.boolean().nullable(),
    hand: z.enum(['left', 'right']).nullable(),
    wishes: z.string().trim().max(500),
    note: z.string().trim().max(500),
    /** Left out, it stays as it is. */
    medicalNote: z.string().trim().max(500).optional(),
  })
  .strict();

/** What an outfit has so far, for its first evening. */
export const beginnings = z.object({
  waters: z.int(),
  /** Of waters that have a shore, soundings, a tide, readings. */
  shores: z.int(),
  surveys: z.int(),
  tides: z.int(),
  readings: z.int(),
  boats: z.int(),
  spots: z.int(),
  species: z.int(),
  baits: z.int(),
  people: z.int(),
  clients: z.int(),
  rules: z.int(),
  trips: z.int(),
  plans: z.int(),
  stops: z.int(),
  /** The sample water while it is there; 'none' where one can be added, null where this server ships none. Of none of the counts. */
  sample: z.union([z.object({ water: z.string(), boat: z.string() }), z.literal('none')]).nullable(),
});
export type Beginnings = z.infer<typeof beginnings>;

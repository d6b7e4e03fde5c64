import { z } from 'zod';
import { id, lengthKind } from './ids';

export const boat = z.object({
  id,
  name: z.string(),
  hull: z.string(),
  seats: z.int(),
  speedMps: z.number(),
  draughtM: z.number(),
  windLimitMps: z.number().nullable(),
  gustLimitMps: z.number().nullable(),
  waveLimitM: z.number().nullable(),
  tankL: z.number(),
  burnLph: z.number(),
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
  boats: z.array(boat),
  crew: z.array(z.object({ id, name: z.string(), role: z.enum(['owner', 'captain', 'mate']) })),
  waters: z.array(waterInfo),
  species: z.array(species),
  presentations: z.array(presentationInfo),
  clients: z.array(z.object({ id, name: z.string(), experience: z.int(), child: z.boolean() })),
});
export type OutfitView = z.infer<typeof outfitView>;

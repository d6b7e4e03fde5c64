// A whole outfit as one file: how the demo's world, or a backup from elsewhere, is loaded.
import { z } from 'zod';
import { gearAboard } from './aboard';
import { featureEdit, mark, position } from './grounds';
import { date, id, instant, lengthKind } from './ids';
import { closedLimits, openLimits } from './presentations';
import { hazard } from './risk';
import { newRuleBody } from './rule';
import { currentStation, tideRecord } from './water';

const bed = z.object({
  lat0: z.number(),
  lon0: z.number(),
  cellM: z.number().positive(),
  columns: z.int().positive(),
  rows: z.int().positive(),
  openBeyond: z.boolean(),
  depthM: z.array(z.number()),
});

const water = z.object({
  id,
  name: z.string(),
  kind: z.enum(['salt', 'fresh']),
  ruleZone: z.string(),
  lat: z.number(),
  lon: z.number(),
  dockLat: z.number(),
  dockLon: z.number(),
  tide: tideRecord.nullable(),
  currents: z.array(currentStation),
  bed,
  marks: z.array(mark),
  features: z.array(featureEdit),
});

const caught = z.object({
  id,
  speciesId: id,
  at: instant,
  lengthMm: z.int().positive().nullable(),
  outcome: z.enum(['landed', 'lost', 'missed']),
  kept: z.boolean(),
  clientId: id.nullable(),
});

const fishedSet = z.object({
  id,
  presentationId: id,
  rods: z.int().positive(),
  startedAt: instant,
  endedAt: instant,
  catches: z.array(caught),
});

const stop = z.object({ id, spotId: id, startedAt: instant, endedAt: instant, sets: z.array(fishedSet) });

const trip = z.object({
  id,
  boatId: id,
  captainId: id,
  waterId: id,
  startsAt: instant,
  endsAt: instant,
  goal: z.enum(['numbers', 'size', 'table', 'learn']),
  speciesIds: z.array(id),
  rods: z.int().positive(),
  skill: z.int().min(1).max(3),
  wish: z.string(),
  status: z.enum(['planned', 'under way', 'done']),
  clientIds: z.array(id),
  /** Mates aboard. */
  mateIds: z.array(id).optional(),
  patienceMin: z.int().nullable().optional(),
  stops: z.array(stop),
});

export const outfitScenario = z.object({
  outfit: z.object({ id, name: z.string(), zone: z.string() }),
  people: z.array(
    z.object({ id, name: z.string(), email: z.email(), password: z.string().min(8), role: z.enum(['owner', 'captain', 'mate']) }),
  ),
  boats: z.array(
    z.object({
      id,
      name: z.string(),
      hull: z.string(),
      seats: z.int().positive(),
      speedMps: z.number().positive(),
      draughtM: z.number().positive(),
      windLimitMps: z.number().positive().nullable(),
      gustLimitMps: z.number().positive().nullable().optional(),
      waveLimitM: z.number().positive().nullable(),
      tankL: z.number().positive(),
      burnLph: z.number().positive(),
      checks: z.array(z.string()).optional(),
      gear: z.array(gearAboard).optional(),
    }),
  ),
  waters: z.array(water),
  stations: z.array(z.object({ id, waterId: id, name: z.string(), path: z.string(), lat: z.number(), lon: z.number() })),
  species: z.array(
    z.object({
      id,
      name: z.string(),
      habitat: z.enum(['salt', 'fresh']),
      lengthKind,
      sizeGoalMm: z.int().nullable(),
      leastMm: z.int().nullable().optional(),
      mostMm: z.int().nullable().optional(),
      caution: z.string(),
    }),
  ),
  families: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      ...closedLimits,
      ...z.object(openLimits).partial().shape,
      coverRate: z.int(),
      skill: z.int(),
      snag: z.int(),
      handling: z.string(),
      light: z.array(z.int()).optional(),
      cover: z.array(z.string()).optional(),
      months: z.array(z.int()).optional(),
      zone: z.enum(['bottom', 'middle', 'surface']).optional(),
      look: z.string().optional(),
      rods: z.int().optional(),
      costPerHour: z.number().optional(),
      forage: z.array(z.string()).optional(),
    }),
  ),
  presentations: z.array(
    z.object({
      id,
      familyId: z.string(),
      name: z.string(),
      habitat: z.enum(['salt', 'fresh', 'both']),
      sizeMm: z.number().nullable().optional(),
      weightG: z.number().nullable().optional(),
      colour: z.string().optional(),
      leaderKg: z.number().nullable().optional(),
      retrieve: z.string().optional(),
      pauseS: z.number().nullable().optional(),
      look: z.string().nullable().optional(),
      tripsADay: z.int().nullable().optional(),
    }),
  ),
  spots: z.array(
    z.object({
      id,
      waterId: id,
      name: z.string(),
      structure: z.string(),
      bottom: z.string(),
      depthMinM: z.number(),
      depthMaxM: z.number(),
      lat: z.number(),
      lon: z.number(),
      shoreNormalDeg: z.number().nullable(),
      accessDepthM: z.number().nullable(),
      fadePerHour: z.number().nonnegative(),
      privacy: z.enum(['crew', 'captain']),
      keeperId: id.nullable().optional(),
      footing: z.int().min(1).max(3).optional(),
      hazards: z.array(hazard),
      legality: z.string(),
      restDays: z.int().nonnegative(),
      pressure: z.int().min(1).max(3),
      shape: z.enum(['point', 'line', 'area']),
      points: z.array(position),
    }),
  ),
  clients: z.array(
    z.object({
      id,
      name: z.string(),
      experience: z.int().min(1).max(3),
      child: z.boolean(),
      note: z.string(),
      medicalNote: z.string(),
      hand: z.enum(['left', 'right']).nullable().optional(),
      wishes: z.string().optional(),
      swims: z.boolean().nullable().optional(),
    }),
  ),
  rules: z.array(z.object({ id, speciesId: id, zone: z.string().nullable(), body: newRuleBody, source: z.string(), checkedOn: date })),
  crewReadings: z.array(z.object({ waterId: id, variable: z.string(), at: instant, value: z.number(), spotId: id.nullable() })),
  /** Boats whose instruments are listened to, and surveys: soundings as columns, at chart datum. */
  instruments: z.array(z.object({ id, boatId: id, waterId: id, name: z.string(), transducerM: z.number() })),
  surveys: z.array(
    z.object({
      id,
      waterId: id,
      name: z.string(),
      at: instant,
      lat: z.array(z.number()),
      lon: z.array(z.number()),
      depthM: z.array(z.number()),
      cellM: z.number().positive(),
    }),
  ),
  trips: z.array(trip),
});
export type OutfitScenario = z.infer<typeof outfitScenario>;

export const scenario = z.object({
  /** Spans for which the stations' history is fetched, in order. */
  history: z.array(z.object({ from: instant, to: instant })).min(1),
  now: instant,
  outfits: z.array(outfitScenario),
});
export type Scenario = z.infer<typeof scenario>;

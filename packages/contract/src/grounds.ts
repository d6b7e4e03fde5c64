import { z } from 'zod';
import { id, instant } from './ids';
import { hazard } from './risk';

const lat = z.number().min(-90).max(90);
const lon = z.number().min(-180).max(180);
/** A position as [lon, lat]. */
export const position = z.tuple([lon, lat]);
const shape = z.enum(['point', 'line', 'area']);
const privacy = z.enum(['crew', 'captain']);

export const spotView = z.object({
  id,
  waterId: id,
  name: z.string(),
  structure: z.string(),
  bottom: z.string(),
  depthMinM: z.number(),
  depthMaxM: z.number(),
  lat: z.number(),
  lon: z.number(),
  shape,
  points: z.array(position),
  shoreNormalDeg: z.number().nullable(),
  fetchM: z.array(z.int()),
  accessDepthM: z.number().nullable(),
  fadePerHour: z.number(),
  privacy,
  /** The captain who keeps it; null when nobody does. */
  keeperId: id.nullable(),
  /** 1 anyone, 2 sure feet, 3 a climb. */
  footing: z.int(),
  hazards: z.array(hazard),
  /** What files said of it, a line each. */
  note: z.string(),
  legality: z.string(),
  restDays: z.int(),
  pressure: z.int(),
  heatOffsetC: z.number(),
  heatSdC: z.number(),
  heatReadings: z.int(),
  /** Landed fish and rod-hours in the whole log, rod-hours of the last seven days, and the last stop. */
  fish: z.int(),
  rodHours: z.number(),
  weekRodHours: z.number(),
  lastFishedAt: instant.nullable(),
  /** Why the part of the water it lies in is written off, or null. */
  writtenOff: z.string().nullable(),
});
export type SpotView = z.infer<typeof spotView>;

/** A spot as it is drawn and described; depths left out are measured from the chart. */
export const spotEdit = z
  .object({
    id,
    name: z.string().trim().min(1).max(80),
    structure: z.string().trim().min(1).max(40),
    bottom: z.string().trim().min(1).max(40),
    shape,
    points: z.array(position).min(1).max(500),
    depthMinM: z.number().min(-10).max(500).nullable(),
    depthMaxM: z.number().min(-10).max(500).nullable(),
    accessDepthM: z.number().min(-10).max(50).nullable(),
    privacy,
    /** One captain and the owner only; needs privacy captain. Left out, it stays as it is. */
    keeperId: id.nullable().optional(),
    footing: z.int().min(1).max(3).optional(),
    hazards: z.array(hazard).max(8),
    legality: z.string().trim().max(500),
    restDays: z.int().min(0).max(60),
    pressure: z.int().min(1).max(3),
  })
  .strict();
export type SpotEdit = z.infer<typeof spotEdit>;

export const mergeSpots = z.object({ into: id }).strict();

/** What the crew draws on the chart: a part of the water, a place not to go, slow water, a track, a passage. */
export const featureKind = z.enum(['part', 'no-go', 'no-wake', 'track', 'passage']);
const featureDetail = z
  .object({
    /** Why a part is written off and since when (YYYY-MM-DD); null while it is fished. */
    writtenOff: z
      .object({ reason: z.string().trim().min(1).max(300), on: z.iso.date() })
      .nullable()
      .optional(),
    /** Speed allowed in slow water, m/s. */
    limitMps: z.number().positive().max(30).optional(),
    /** Charted depth of a passage, m below datum. */
    chartedDepthM: z.number().min(-10).max(100).optional(),
  })
  .strict();

export const featureEdit = z
  .object({
    id,
    kind: featureKind,
    name: z.string().trim().min(1).max(80),
    points: z.array(position).min(2).max(20_000),
    detail: featureDetail,
  })
  .strict();

export const featureView = featureEdit.extend({ madeAt: instant });
export type FeatureView = z.infer<typeof featureView>;

export const mark = z.object({
  kind: z.enum(['bridge', 'quay', 'dock', 'jetty', 'weed']),
  name: z.string(),
  points: z.array(position),
  /** Piles of a bridge: how many stand evenly between its ends, how wide they are, and how high the deck is above datum, m. */
  piles: z.object({ count: z.int().positive(), widthM: z.number().positive(), deckM: z.number().positive() }).optional(),
});
export type Mark = z.infer<typeof mark>;

/** A grid of depths; null where nothing was surveyed. */
export const grid = z.object({
  lat0: z.number(),
  lon0: z.number(),
  cellM: z.number().positive(),
  columns: z.int().positive(),
  rows: z.int().positive(),
  openBeyond: z.boolean(),
  depthM: z.array(z.number().nullable()).max(2_000_000),
});
export type Grid = z.infer<typeof grid>;

export const surveyView = z.object({
  id,
  name: z.string(),
  source: z.enum(['file', 'instrument']),
  madeAt: instant,
  soundings: z.int(),
  tideCorrected: z.boolean(),
  grid: grid.nullable(),
});

export const dismissal = z.object({ kind: z.string().max(40), lat, lon }).strict();

export const chart = z.object({
  bed: grid,
  marks: z.array(mark),
  features: z.array(featureView),
  surveys: z.array(surveyView),
  dismissed: z.array(dismissal),
});
export type Chart = z.infer<typeof chart>;

/** Soundings of all surveys as columns, to chart datum. */
/** Soundings to be drawn; of very many the shoalest of each few that follow each other, `total` being how many there are. */
export const soundings = z.object({
  lat: z.array(z.number()),
  lon: z.array(z.number()),
  depthM: z.array(z.number()),
  total: z.int().nonnegative(),
});
export type SoundingsView = z.infer<typeof soundings>;

export const exportQuery = z.object({
  format: z.enum(['gpx', 'kml', 'geojson']),
  /** Captains' spots are left out unless asked for, and asked for twice. */
  captains: z.enum(['no', 'yes']).default('no'),
  sure: z.enum(['no', 'yes']).default('no'),
  /** With the parts, tracks, passages and places to keep out of that the crew has drawn. */
  drawn: z.enum(['no', 'yes']).default('no'),
});
export const exported = z.object({ fileName: z.string(), mediaType: z.string(), text: z.string(), spots: z.int(), leftOut: z.int() });

export const spotStop = z.object({
  id,
  at: instant,
  presentation: z.string(),
  rodHours: z.number(),
  fish: z.int(),
  tideStage: z.number().nullable(),
  windMps: z.number().nullable(),
  windFromDeg: z.number().nullable(),
  waterTempC: z.number().nullable(),
});
export const spotHistory = z.object({
  stops: z.array(spotStop),
  /** Fish and rod-hours by quarter of the tide from low to low; empty on a lake. */
  byTide: z.array(z.object({ quarter: z.int(), fish: z.int(), rodHours: z.number() })),
});
export type SpotHistory = z.infer<typeof spotHistory>;

/** A ring of a shore; the last corner need not repeat the first. */
const ring = z.array(position).min(3, 'a shore needs at least three corners').max(20_000);
/** A drawn or imported shore: polygons, each an outer edge and the edges of its holes. */
export const shore = z
  .object({
    inside: z.enum(['water', 'land']),
    polygons: z.array(z.array(ring).min(1).max(500)).min(1, 'a shore needs at least one area').max(500),
  })
  .strict();

/** A water as it is begun and described. */
export const waterEdit = z
  .object({
    id,
    name: z.string().trim().min(1, 'needed').max(80),
    kind: z.enum(['salt', 'fresh']),
    /** By which the crew's rules know it. */
    ruleZone: z.string().trim().max(60),
    /** Where boats lie, or the party sets out. */
    dockLat: lat,
    dockLon: lon,
  })
  .strict();
export type WaterEdit = z.infer<typeof waterEdit>;

/** The chart of a water: a shore, or open water so many metres across where there is none. */
export const chartEdit = z
  .object({
    shore: shore.nullable(),
    acrossM: z.number().min(60).max(120_000).default(6000),
    /** Put to the areas that are there, in place of all of them. */ add: z.boolean().default(false),
  })
  .strict();
export type ChartEdit = z.input<typeof chartEdit>;

import { z } from 'zod';
import { id } from './ids';

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
  shoreNormalDeg: z.number().nullable(),
  fetchM: z.array(z.int()),
  accessDepthM: z.number().nullable(),
  fadePerHour: z.number(),
  privacy: z.enum(['crew', 'captain']),
  /** Landed fish and rod-hours in the whole log. */
  fish: z.int(),
  rodHours: z.number(),
});
export type SpotView = z.infer<typeof spotView>;

export const mark = z.object({
  kind: z.enum(['bridge', 'quay', 'dock', 'jetty', 'weed']),
  name: z.string(),
  points: z.array(z.tuple([z.number(), z.number()])),
});

export const chart = z.object({
  bed: z.object({
    lat0: z.number(),
    lon0: z.number(),
    cellM: z.number(),
    columns: z.int(),
    rows: z.int(),
    openBeyond: z.boolean(),
    depthM: z.array(z.number()),
  }),
  marks: z.array(mark),
});
export type Chart = z.infer<typeof chart>;

import { z } from 'zod';
import { id, instant } from './ids';

export const series = z.object({ atMs: z.array(z.number()), value: z.array(z.number()), forecastFrom: z.int() });
const maybe = series.nullable();

const tideDifferences = z.object({
  highMin: z.number(),
  lowMin: z.number(),
  highFactor: z.number().positive(),
  lowFactor: z.number().positive(),
  highM: z.number(),
  lowM: z.number(),
});

/** Harmonic constants of a water's tide, with differences where it is a secondary port. */
export const tideRecord = z.object({
  z0M: z.number(),
  constants: z.array(z.object({ name: z.string(), amplitudeM: z.number(), phaseDeg: z.number() })),
  differences: tideDifferences.nullable().optional(),
});

/** A place whose tidal current is known. */
export const currentStation = z.object({
  name: z.string(),
  lat: z.number(),
  lon: z.number(),
  floodToDeg: z.number(),
  ebbToDeg: z.number(),
  meanMps: z.number(),
  constants: z.array(z.object({ name: z.string(), amplitudeMps: z.number(), phaseDeg: z.number() })),
});

/** A water through time, as the core's conditions read it. */
export const waterRecord = z.object({
  lat: z.number(),
  lon: z.number(),
  tide: tideRecord.nullable(),
  currents: z.array(currentStation),
  levelM: maybe,
  wind: z.object({ east: series, north: series, gust: maybe }).nullable(),
  airTempC: maybe,
  dewPointC: maybe,
  visibilityM: maybe,
  pressureHpa: maybe,
  cloud: maybe,
  waterTempC: maybe,
  clarityM: maybe,
  flowM3s: maybe,
  /** Reports of thunder, 0 or 1; of a forecast, the share of its members. */
  thunder: maybe,
  /** Variables that no model reads, by name. */
  others: z.record(z.string(), series).optional(),
  /** No tide and no stream to speak of. */
  still: z.boolean(),
  sources: z.record(z.string(), z.string()),
});

/** Spread of the ensemble for one variable: lowest and highest member by time. */
const spread = z.object({ atMs: z.array(z.number()), low: z.array(z.number()), high: z.array(z.number()) });
export type Spread = z.infer<typeof spread>;

export const stationView = z.object({
  id,
  name: z.string(),
  /** Up to when it has answered, and the time of its newest good reading. */
  polledTo: instant.nullable(),
  lastGoodAt: instant.nullable(),
  lastError: z.string().nullable(),
  failures: z.int(),
  nextTryAt: instant.nullable(),
  /** Readings of the span that failed their quality checks or are suspect, by variable. */
  failed: z.array(z.object({ variable: z.string(), count: z.int(), since: instant, suspect: z.int() })),
});

/** Two stations that tell different things of one variable. */
export const disagreement = z.object({
  variable: z.string(),
  a: z.string(),
  b: z.string(),
  aValue: z.number(),
  bValue: z.number(),
  hours: z.int(),
});

export const instrumentView = z.object({
  id,
  name: z.string(),
  boat: z.string(),
  lastHeardAt: instant.nullable(),
  lastError: z.string().nullable(),
});

export const crewReading = z.object({
  id: z.string(),
  at: instant,
  variable: z.string(),
  value: z.number(),
  by: z.string().nullable(),
  spotName: z.string().nullable(),
  note: z.string(),
  corrected: z.boolean(),
});

export const waterState = z.object({
  record: waterRecord,
  windSpread: spread.nullable(),
  /** By variable, where the forecast has it. */
  spreads: z.record(z.string(), spread),
  forecastRunAt: instant.nullable(),
  stations: z.array(stationView),
  instruments: z.array(instrumentView),
  disagreements: z.array(disagreement),
  crewReadings: z.array(crewReading),
});
export type WaterStateView = z.infer<typeof waterState>;

export const span = z.object({ from: instant, to: instant });

/** A reading typed in by the crew, of a variable that can be read by eye or hand; a note may stand alone. */
export const newReading = z.union([
  z
    .object({
      id,
      variable: z.literal('note'),
      at: instant,
      value: z.literal(0).default(0),
      spotId: id.nullable().default(null),
      note: z.string().trim().min(1).max(500),
    })
    .strict(),
  z
    .object({
      id,
      variable: z
        .string()
        .max(40)
        .refine((v) => v !== 'note'),
      at: instant,
      value: z.number(),
      spotId: id.nullable().default(null),
      note: z.string().trim().max(500).default(''),
    })
    .strict(),
]);

/** A correction of a typed reading: a new row that supersedes it. */
export const readingCorrection = z
  .object({ id, value: z.number(), at: instant.optional(), note: z.string().trim().max(500).optional() })
  .strict();

/** The tide of a water, or null where it has none. Constants as they are published, or as they were fitted. */
export const tideEdit = z
  .object({
    tide: z
      .object({
        z0M: z.number().min(-50).max(50),
        constants: z
          .array(
            z
              .object({
                name: z.string().max(12),
                amplitudeM: z.number().min(0).max(15, 'expected at most 15 m'),
                phaseDeg: z.number().min(-360).max(720),
              })
              .strict(),
          )
          .min(1)
          .max(80),
        differences: tideDifferences.strict().nullable().optional(),
      })
      .strict()
      .nullable(),
  })
  .strict();

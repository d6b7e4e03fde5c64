import { LOG_AXES } from '@bluffwind/core/log/rateBy';
import { z } from 'zod';
import { date, id, instant } from './ids';
import { LOG_GAVE, LOG_ORDERS, LOG_TIDES, LOG_WINDS } from './logOrders';

export const logFilter = z.object({
  waterId: id.optional(),
  spotId: id.optional(),
  presentationId: id.optional(),
  speciesId: id.optional(),
  from: date.optional(),
  to: date.optional(),
  boatId: id.optional(),
  /** Run of the tide. */
  tide: z.enum(LOG_TIDES).optional(),
  wind: z.enum(LOG_WINDS).optional(),
  /** With fish landed, or without. */
  gave: z.enum(LOG_GAVE).optional(),
  limit: z.coerce.number().int().min(1).max(1000).default(200),
});

/** A part of the log in its order. */
export const logPart = logFilter.extend({
  order: z.enum(LOG_ORDERS).default('when'),
  dir: z.enum(['up', 'down']).default('down'),
  offset: z.coerce.number().int().min(0).max(10_000_000).default(0),
});

const logRow = z.object({
  setId: id,
  stopId: id,
  tripId: id,
  at: instant,
  water: z.string(),
  spotId: id,
  spot: z.string(),
  presentation: z.string(),
  boat: z.string(),
  rods: z.int(),
  rodHours: z.number(),
  fish: z.int(),
  lost: z.int(),
  largestMm: z.int().nullable(),
  tideStage: z.number().nullable(),
  windMps: z.number().nullable(),
  windFromDeg: z.number().nullable(),
  waterTempC: z.number().nullable(),
});
export type LogRow = z.infer<typeof logRow>;
export const logRows = z.object({ rows: z.array(logRow) });

/** Entries put right at once: they were fished with another bait than was logged. */
export const logFix = z.object({ setIds: z.array(id).min(1, 'choose an entry').max(500), presentationId: id }).strict();
/** What each was logged with before, so that it can be taken back. */
export const logFixed = z.object({ fixed: z.int(), before: z.array(z.object({ presentationId: id, setIds: z.array(id) })) });
export type LogFixed = z.infer<typeof logFixed>;

export const logView = z.object({
  rows: z.array(logRow),
  total: z.object({
    sets: z.int(),
    fish: z.int(),
    rodHours: z.number(),
    blankSets: z.int(),
    rate: z.number().nullable(),
    se: z.number().nullable(),
  }),
});
export type LogView = z.infer<typeof logView>;

export const logRatesFilter = logFilter.omit({ limit: true }).extend({ by: z.enum(LOG_AXES).default('tide') });

export const logRates = z.object({
  groups: z.array(
    z.object({
      name: z.string(),
      sets: z.int(),
      fish: z.int(),
      rodHours: z.number(),
      rate: z.number(),
      lo80: z.number(),
      hi80: z.number(),
      thin: z.boolean(),
    }),
  ),
  unknown: z.object({ sets: z.int(), rodHours: z.number() }),
  /** Lengths of measured fish, in steps. */
  sizes: z.array(z.object({ fromMm: z.int(), toMm: z.int(), fish: z.int() })),
  /** How fat weighed fish were for their length, per cent of what is usual, by month; and weighed fish of which nothing is known to be usual. */
  condition: z.object({
    months: z.array(z.object({ month: z.int(), fish: z.int(), middle: z.number(), lo: z.number(), hi: z.number(), thin: z.boolean() })),
    left: z.int(),
  }),
});
export type LogRates = z.infer<typeof logRates>;

/** What the log is written as. */
export const LOG_FILES = ['csv', 'geojson', 'gpx', 'json'] as const;
export const logFileFilter = logFilter.omit({ limit: true }).extend({ as: z.enum(LOG_FILES).default('csv') });

export const logFile = z.object({ name: z.string(), text: z.string(), lines: z.int() });

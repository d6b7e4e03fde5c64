import { z } from 'zod';
import { id, instant } from './ids';

export const series = z.object({ atMs: z.array(z.number()), value: z.array(z.number()), forecastFrom: z.int() });
const maybe = series.nullable();

/** A water through time, as the core's conditions read it. */
export const waterRecord = z.object({
  lat: z.number(),
  lon: z.number(),
  tide: z
    .object({ z0M: z.number(), constants: z.array(z.object({ name: z.string(), amplitudeM: z.number(), phaseDeg: z.number() })) })
    .nullable(),
  wind: z.object({ east: series, north: series, gust: maybe }).nullable(),
  airTempC: maybe,
  pressureHpa: maybe,
  cloud: maybe,
  waterTempC: maybe,
  clarityM: maybe,
  flowM3s: maybe,
});

/** Spread of the ensemble for one variable: lowest and highest member by time. */
const spread = z.object({ atMs: z.array(z.number()), low: z.array(z.number()), high: z.array(z.number()) });
export type Spread = z.infer<typeof spread>;

export const stationView = z.object({
  id,
  name: z.string(),
  polledTo: instant.nullable(),
  lastError: z.string().nullable(),
  /** Readings of the span that failed their quality checks, by variable. */
  failed: z.array(z.object({ variable: z.string(), count: z.int(), since: instant })),
});

export const waterState = z.object({
  record: waterRecord,
  /** Measured level against chart datum, m. */
  measuredLevelM: maybe,
  windSpread: spread.nullable(),
  waterTempSpread: spread.nullable(),
  forecastRunAt: instant.nullable(),
  stations: z.array(stationView),
  crewReadings: z.array(z.object({ at: instant, variable: z.string(), value: z.number(), by: z.string().nullable() })),
});
export type WaterStateView = z.infer<typeof waterState>;

export const span = z.object({ from: instant, to: instant });

/** A reading typed in by the crew. */
export const newReading = z.discriminatedUnion('variable', [
  z.object({ id, variable: z.literal('waterTempC'), at: instant, value: z.number().min(-2).max(36) }).strict(),
  z.object({ id, variable: z.literal('clarityM'), at: instant, value: z.number().min(0.05).max(40) }).strict(),
]);

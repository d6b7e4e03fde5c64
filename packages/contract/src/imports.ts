// Files brought in: parsed on the device, sent as rows, stored whole or not at all, undone whole.
import { z } from 'zod';
import { position, spotEdit } from './grounds';
import { count, EARLIEST_MS, id, instant, LATEST_MS } from './ids';

const file = { id, fileName: z.string().trim().min(1).max(200), refused: count };

/** Readings as columns. */
export const importReadings = z
  .object({
    ...file,
    source: z.enum(['csv', 'json', 'nmea', 'metar', 'river', 'tide', 'forecast']),
    /** Member of the forecast, by row; 0 for all where it is left out. What lies ahead of the server's clock is foretold. */
    member: z.array(z.int().min(0).max(100)).max(200_000).optional(),
    atMs: z
      .array(z.int().min(EARLIEST_MS, 'expected 1900 to 2199').max(LATEST_MS, 'expected 1900 to 2199'))
      .min(1, 'the file gave no readings')
      .max(200_000),
    variable: z.array(z.string().max(40)),
    value: z.array(z.number().min(-1e6).max(1e6)),
  })
  .strict();

/** Soundings as columns, as sounded, with the grid made of them. */
export const importSoundings = z
  .object({
    ...file,
    transducerM: z.number().min(-5).max(10),
    lat: z.array(z.number().min(-90).max(90)).min(3, 'a survey needs at least 3 soundings').max(300_000),
    lon: z.array(z.number().min(-180).max(180)),
    soundedM: z.array(z.number().min(-20).max(1000)),
    /** Instants, 0 where unknown; the height of tide is taken off where they are known. */
    atMs: z.array(z.int().nonnegative().max(LATEST_MS, 'expected up to 2199')),
  })
  .strict();

const place = z
  .object({
    name: z.string().trim().max(80),
    note: z.string().max(2000),
    shape: z.enum(['point', 'line', 'area']),
    points: z.array(position).min(1).max(20_000),
    /** A new spot, a track on the chart, or a note added to a spot that is the same. */
    as: z.enum(['spot', 'track', 'merge']),
    into: id.nullable(),
    /** What a file of ours says of a spot; left out, the chart is asked. */
    facts: spotEdit
      .pick({
        structure: true,
        bottom: true,
        depthMinM: true,
        depthMaxM: true,
        accessDepthM: true,
        privacy: true,
        hazards: true,
        legality: true,
        restDays: true,
        pressure: true,
      })
      .extend({ footing: z.int().min(1).max(3), note: z.string().max(2000) })
      .optional(),
  })
  .strict();

export const importPlaces = z
  .object({
    ...file,
    privacy: z.enum(['crew', 'captain']),
    /** Depths of places where nobody has sounded and the file says nothing; null refuses them. */
    unsounded: z
      .object({ depthMinM: z.number().min(-10).max(500), depthMaxM: z.number().min(-10).max(500) })
      .strict()
      .nullable()
      .default(null),
    places: z.array(place).min(1, 'the file gave no places').max(5000),
  })
  .strict();

/** Trips of past years as they were told: by day, each with its stops, baits and fish. */
export const importTrips = z
  .object({
    ...file,
    boatId: id,
    captainId: id,
    trips: z
      .array(
        z
          .object({
            stops: z
              .array(
                z
                  .object({
                    spotId: id,
                    fromMs: z.int().min(EARLIEST_MS).max(LATEST_MS),
                    toMs: z.int().min(EARLIEST_MS).max(LATEST_MS),
                    sets: z
                      .array(
                        z
                          .object({
                            presentationId: id,
                            rods: z.int().min(1).max(20),
                            fish: z
                              .array(
                                z
                                  .object({
                                    speciesId: id,
                                    lengthMm: z.int().min(10).max(4000).nullable(),
                                    /** When it came, within its stop; null where nobody has said. */
                                    atMs: z.int().min(EARLIEST_MS).max(LATEST_MS).nullable().default(null),
                                  })
                                  .strict(),
                              )
                              .max(500),
                          })
                          .strict(),
                      )
                      .min(1)
                      .max(20),
                  })
                  .strict(),
              )
              .min(1)
              .max(60),
          })
          .strict(),
      )
      .min(1, 'the file gave no trips')
      .max(3000),
  })
  .strict();
export type ImportTrips = z.infer<typeof importTrips>;

export const importView = z.object({
  id,
  kind: z.enum(['readings', 'places', 'soundings', 'trips']),
  fileName: z.string(),
  madeAt: instant,
  by: z.string(),
  stored: z.int(),
  /** Rows that were there already, and lines of the file that were refused. */
  known: z.int(),
  refused: z.int(),
  undoneAt: instant.nullable(),
});
export type ImportView = z.infer<typeof importView>;

// Stations by address: what their answer is, and what its columns are.
import { READING_KINDS } from '@bluffwind/core/formats/readingFile';
import { z } from 'zod';
import { id } from './ids';

const readingMapping = z
  .object({
    timeColumns: z.array(z.int().min(0).max(500)).max(4),
    zone: z.string().max(60),
    order: z.enum(['dmy', 'mdy']),
    decimal: z.enum(['.', ',']),
    values: z.array(z.object({ column: z.int().min(0).max(500), variable: z.string().max(40), unit: z.string().max(20) }).strict()).max(40),
  })
  .strict();

/** How a station's answer is read. */
export const stationReading = z
  .object({
    kind: z.enum(READING_KINDS),
    unit: z.enum(['metric', 'us']),
    /** What the columns are; null for layouts that say so themselves. */
    mapping: readingMapping.nullable(),
  })
  .strict();
export type StationReading = z.infer<typeof stationReading>;

const url = z.string().trim().min(8, 'an address is needed').max(2000);
/** An address to be tried, as it would be read; with null it is found out. */
export const stationTry = z.object({ url, reading: stationReading.nullable() }).strict();

/** What came of trying. */
export const stationTried = z.object({
  reading: stationReading,
  /** Columns with their first rows, where they are to be chosen. */
  header: z.array(z.string()),
  rows: z.array(z.array(z.string())),
  readings: z.int(),
  ahead: z.int(),
  /** The newest value of each variable, SI. */
  latest: z.array(z.object({ variable: z.string(), at: z.string(), value: z.number() })),
  refused: z.array(z.object({ line: z.int(), reason: z.string(), remedy: z.string() })),
});
export type StationTried = z.infer<typeof stationTried>;

export const stationEdit = z
  .object({
    id,
    waterId: id,
    name: z.string().trim().min(1, 'a name is needed').max(80),
    url,
    reading: stationReading,
    lat: z.number().min(-90).max(90),
    lon: z.number().min(-180).max(180),
  })
  .strict();
export type StationEdit = z.infer<typeof stationEdit>;

/** A station as the crew gave it. */
export const stationGiven = stationEdit.extend({ lastError: z.string().nullable(), lastGoodAt: z.string().nullable() });
export type StationGiven = z.infer<typeof stationGiven>;

/** A boat's instrument: NMEA 0183 over TCP, or over a cable to a computer aboard, whose browser hands on what it hears. */
export const instrumentEdit = z
  .object({
    id,
    boatId: id,
    waterId: id,
    name: z.string().trim().min(1, 'a name is needed').max(80),
    address: z
      .string()
      .trim()
      .regex(/^(cable|[A-Za-z0-9.:[\]-]{1,250}:\d{1,5})$/, 'expected a name or number and a port, such as plotter.example:10110'),
    /** How deep its transducer hangs, m; negative where it counts from the keel up. */
    transducerM: z.number().min(-10).max(10),
  })
  .strict();
export type InstrumentEdit = z.infer<typeof instrumentEdit>;
export const instrumentGiven = instrumentEdit.extend({
  /** Empty where it is the one that the server was started with. */
  address: z.string(),
  lastHeardAt: z.string().nullable(),
  lastError: z.string().nullable(),
});
export type InstrumentGiven = z.infer<typeof instrumentGiven>;

/** Sentences as they came over a cable, in the order in which they came. */
export const heardLines = z.object({ lines: z.array(z.string().max(1000)).min(1).max(20_000) }).strict();
/** The newest instant that is stored now; null where no sentence had a time. */
export const heardReceipt = z.object({ heardTo: z.string().nullable(), garbled: z.int() });
export type HeardReceipt = z.infer<typeof heardReceipt>;

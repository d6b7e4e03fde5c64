// Files are read here, off the screen's own thread: a large or hostile one can only hold up this worker, which is ended.
import { readNmeaLog, type TrackSounding } from '@bluffwind/core/formats/nmeaLog';
import { guessPastMapping, pastTable, type PastMapping, readPastTrips } from '@bluffwind/core/formats/pastTrips';
import { photoTable } from '@bluffwind/core/formats/photoTable';
import type { PlacesRead } from '@bluffwind/core/formats/places';
import { isNmea, type ReadingKind, readingKindOf, type ReadingTerms, readReadingFile, tableOf } from '@bluffwind/core/formats/readingFile';
import { guessMapping, type ReadingMapping, type ReadingsRead } from '@bluffwind/core/formats/readingsCsv';
import { readPlaces } from '@bluffwind/core/formats/readPlaces';
import { type Refused, UnreadableFile } from '@bluffwind/core/formats/refused';
import {
  guessSoundingMapping,
  readSoundings,
  type SoundingMapping,
  type SoundingsRead,
  xyzTable,
} from '@bluffwind/core/formats/soundingsCsv';
import { requireSomeDepth } from '@bluffwind/core/formats/someDepth';
import { readTable, type Table } from '@bluffwind/core/formats/table';
import { readShore } from '@bluffwind/core/formats/shoreFile';
import { readTideTable, type TideTable, type TideTableTerms } from '@bluffwind/core/formats/tideTable';
import { fitTide } from '@bluffwind/core/tide/fitTide';
import type { HarmonicConstant } from '@bluffwind/core/tide/tideModel';
import type { BookingsRead } from './bookings';
import { thinLine } from '@bluffwind/core/ground/thinLine';
import { expose } from 'comlink';
import type { PlacedPicture } from './pictureFile';
import type { DepthPoints, DepthTerms } from './depthFile';

const MOST_POINTS = 5000;
const MOST_SHEET_BYTES = 20 * 1024 * 1024;
const MOST_UNPACKED_BYTES = 300 * 1024 * 1024;
/** Corners of a shore that a chart can show. */
const MOST_CORNERS = 4000;

/** Head of a table with a first guess of its mapping. */
export interface TableHead<M> {
  readonly header: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly guess: M;
}

/** A tide out of a file: its constants, as they stood there or as they were fitted. */
export interface TideRead {
  readonly kind: TideTable['kind'];
  readonly constants: readonly (HarmonicConstant & { readonly errorM?: number })[];
  /** Mean level above the heights' datum; null where the file does not say. */
  readonly z0M: number | null;
  readonly refused: readonly Refused[];
  readonly gaps: readonly (readonly [number, number])[];
  readonly records: number;
  readonly days: number | null;
  /** What the heights stand from the fit, m. */
  readonly rmsM: number | null;
}

type Fault = { readonly fault: string; readonly remedy: string };
export type Answer<T> = T | Fault;

/** Refusals of a whole file cross to the screen as plain data. */
function plainly<T>(read: () => T): Answer<T> {
  try {
    return read();
  } catch (error) {
    if (error instanceof UnreadableFile) return { fault: error.reason, remedy: error.remedy };
    if (error instanceof RangeError) return { fault: error.message, remedy: 'Change the choice named and try again.' };
    return { fault: `The file could not be read: ${(error as Error).message}.`, remedy: 'Check that it is the right file.' };
  }
}

const headOf = (t: Table) => ({ header: t.header, rows: t.records.slice(0, 5).map((r) => r.cells) });

/** The first sheet of a workbook as a table of texts; formulas give what they last came to. */
async function sheetOf(file: File): Promise<Table> {
  if (file.size > MOST_SHEET_BYTES)
    throw new UnreadableFile('The workbook is too large.', `Up to ${MOST_SHEET_BYTES / 1024 / 1024} MB; save the sheet as CSV instead.`);
  if ((await unpackedBytes(file)) > MOST_UNPACKED_BYTES)
    throw new UnreadableFile('The workbook is far larger than it looks.', 'Save the sheet as CSV and import that.');
  // Fetched when a workbook is to be opened.
  const { readSheet } = await import('read-excel-file/web-worker');
  const rows = await readSheet(file).catch(() => {
    throw new UnreadableFile('It is no workbook that can be opened, or it has a password.', 'Save the sheet as CSV and import that.');
  });
  const texts = rows.map((cells, i) => ({ line: i + 1, cells: cells.map(textOf) })).filter((r) => r.cells.some((c) => c !== ''));
  const header = texts.shift();
  if (!header) throw new UnreadableFile('The first sheet is empty.', 'Put the trips on the first sheet.');
  return { header: header.cells, records: texts, delimiter: '' };
}

/** What a workbook comes to when it is unpacked, by its own list of contents; nothing is unpacked for it. */
async function unpackedBytes(file: File): Promise<number> {
  const { unzipSync } = await import('fflate');
  let bytes = 0;
  try {
    unzipSync(new Uint8Array(await file.arrayBuffer()), {
      filter: (entry) => {
        bytes += entry.originalSize;
        return false;
      },
    });
  } catch {
    // No archive at all: told when it is read.
  }
  return bytes;
}

/** A cell as it would stand in a text file: days without their empty clock time, clock times without the day that spreadsheets give them. */
function textOf(cell: unknown): string {
  if (cell === null || cell === undefined) return '';
  if (!(cell instanceof Date)) return String(cell);
  const iso = cell.toISOString();
  if (iso < '1901') return iso.slice(11, 16);
  return iso.endsWith('T00:00:00.000Z') ? iso.slice(0, 10) : iso.slice(0, 16).replace('T', ' ');
}

/** The file of depths that was read last; its points stay here while it is settled what they mean. */
let depths: DepthPoints | null = null;

const work = {
  readingKind: (text: string): Answer<{ kind: ReadingKind }> => plainly(() => ({ kind: readingKindOf(text) })),
  readingTable(text: string, zone: string, kind: 'csv' | 'json'): Answer<TableHead<ReadingMapping>> {
    return plainly(() => {
      const t = tableOf(text, kind);
      return { ...headOf(t), guess: guessMapping(t, zone) };
    });
  },
  readings: (text: string, kind: ReadingKind, terms: ReadingTerms): Answer<ReadingsRead> =>
    plainly((): ReadingsRead => readReadingFile(text, kind, terms)),
  places: (text: string): Answer<PlacesRead> =>
    plainly(() => {
      const read = readPlaces(text);
      // A day's track can have a point a second; the chart needs far fewer, and its times are not kept.
      const places = read.places.map(({ times: _, ...p }) =>
        p.points.length > MOST_POINTS
          ? { ...p, points: thinLine(p.points, MOST_POINTS), note: `${p.note} Thinned from ${p.points.length} points.`.trim() }
          : p,
      );
      return { places, refused: read.refused.slice(0, 1000) };
    }),
  async shore(file: File): Promise<Answer<{ readonly polygons: ReturnType<typeof readShore>; readonly thinned: boolean }>> {
    let text: string;
    try {
      text = /\.zip$/i.test(file.name) ? JSON.stringify(await (await import('./depthFile')).shapesOf(file)) : await file.text();
    } catch (error) {
      return plainly(() => {
        throw error;
      });
    }
    return plainly(() => {
      const polygons = readShore(text);
      const thin = polygons.map((rings) => rings.map((r) => (r.length > MOST_CORNERS ? (thinLine(r, MOST_CORNERS) as typeof r) : r)));
      return { polygons: thin, thinned: thin.some((rings, i) => rings.some((r, k) => r !== polygons[i]?.[k])) };
    });
  },
  tide(text: string, terms: TideTableTerms, latDeg: number): Answer<TideRead> {
    return plainly((): TideRead => {
      const table = readTideTable(text, terms);
      const refused = table.refused.slice(0, 100);
      if (table.kind === 'constants')
        return {
          kind: table.kind,
          constants: table.constants,
          z0M: table.z0M,
          refused,
          gaps: [],
          records: table.constants.length,
          days: null,
          rmsM: null,
        };
      const fit = fitTide(table.kind === 'turns' ? { turns: table.turns, latDeg } : { heights: table.heights, latDeg });
      return {
        kind: table.kind,
        constants: fit.constants,
        z0M: fit.z0M,
        refused,
        gaps: table.gaps.slice(0, 20),
        records: table.kind === 'turns' ? table.turns.length : table.heights.length,
        days: fit.days,
        rmsM: fit.rmsM,
      };
    });
  },
  async pastTable(file: File, zone: string): Promise<Answer<TableHead<PastMapping> & { readonly table: Table }>> {
    try {
      const table = /\.xlsx$/i.test(file.name) ? await sheetOf(file) : pastTable(await file.text());
      return { ...headOf(table), guess: guessPastMapping(table, zone), table };
    } catch (error) {
      return plainly(() => {
        throw error;
      });
    }
  },
  /** Photos of fish as a table of past trips: only what the camera wrote is read, and nothing of it leaves but place and hour. */
  async photos(
    files: readonly File[],
    spots: readonly { readonly name: string; readonly lat: number; readonly lon: number }[],
    zone: string,
  ): Promise<Answer<TableHead<PastMapping> & { readonly table: Table; readonly without: readonly string[] }>> {
    const { photoFacts } = await import('./photoFacts');
    const facts = await photoFacts(files);
    return plainly(() => {
      const { table, without } = photoTable(facts, spots, zone);
      if (table.records.length === 0)
        throw new UnreadableFile(
          'None of these photos says when it was taken.',
          'Choose them as they came from the phone or camera: a picture that was sent by a messenger or edited has lost it.',
        );
      return { ...headOf(table), guess: guessPastMapping(table, zone), table, without };
    });
  },
  async picture(file: File, sidePx: number): Promise<Answer<PlacedPicture>> {
    const { pictureOfTiff } = await import('./pictureFile');
    try {
      return await pictureOfTiff(file, sidePx);
    } catch (error) {
      return plainly(() => {
        throw error;
      });
    }
  },
  async bookings(text: string, span: Parameters<typeof import('./bookings').readBookings>[1]): Promise<Answer<BookingsRead>> {
    // Fetched when a calendar is to be read.
    const { readBookings } = await import('./bookings');
    return plainly(() => readBookings(text, span));
  },
  pastTrips: (table: Table, mapping: PastMapping): Answer<ReturnType<typeof readPastTrips>> => plainly(() => readPastTrips(table, mapping)),
  async soundingTable(
    text: string,
    zone: string,
    near: readonly [number, number],
  ): Promise<Answer<TableHead<SoundingMapping> | { nmea: true }>> {
    const { utmOf } = await import('./projections');
    return plainly(() => {
      if (isNmea(text)) return { nmea: true as const };
      const t = xyzTable(text) ?? readTable(text);
      const guess = guessSoundingMapping(t, zone);
      return { ...headOf(t), guess: guess.projection === null ? guess : { ...guess, projection: utmOf(near[0], near[1]) } };
    });
  },
  async soundings(text: string, mapping: SoundingMapping | null): Promise<Answer<SoundingsRead>> {
    const { toDegrees } = await import('./projections');
    return plainly(() => {
      if (mapping) {
        const turn = mapping.projection === null ? undefined : toDegrees(mapping.projection);
        return requireSomeDepth(readSoundings(xyzTable(text) ?? readTable(text), mapping, turn));
      }
      const { soundings, refused } = readNmeaLog(text);
      return requireSomeDepth({ soundings: soundings as readonly TrackSounding[], refused });
    });
  },
  /** Reads a file of depths and keeps its points here; what comes back says what it is. */
  async depthFile(file: File, near: readonly [number, number]): Promise<Answer<Omit<DepthPoints, 'points'> & { readonly count: number }>> {
    const { readDepthFile } = await import('./depthFile');
    try {
      depths = await readDepthFile(file, near);
      const { points, ...about } = depths;
      return { ...about, count: points.length };
    } catch (error) {
      return plainly(() => {
        throw error;
      });
    }
  },
  /** The points read last, as soundings. */
  async depthSoundings(terms: DepthTerms): Promise<Answer<SoundingsRead & { readonly ashore: number }>> {
    const { soundingsOfPoints } = await import('./depthFile');
    return plainly(() => {
      if (!depths) throw new UnreadableFile('No file of depths is open.', 'Choose it again.');
      return requireSomeDepth(soundingsOfPoints(depths, terms));
    });
  },
};

export type FilesWork = typeof work;
expose(work);

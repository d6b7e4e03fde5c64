// Readings in whatever layout they come, from a file or from an address: which layout it is, and what it says.
import { isTideFile, isRiverFile, readRiverFile, readTideFile } from './agencyFiles';
import { type Foretold, isForecastJson, readForecastJson } from './forecastJson';
import { isJsonRows, jsonTable } from './jsonRows';
import { readMetars } from './metar';
import { readNmeaLog } from './nmeaLog';
import { type FileReading, guessMapping, type ReadingMapping, readReadings } from './readingsCsv';
import type { Refused } from './refused';
import { readTable, type Table } from './table';

/** Layouts that readings come in; of `csv` and `json` somebody has to say what the columns are. */
export const READING_KINDS = ['csv', 'json', 'nmea', 'metar', 'river', 'tide', 'forecast'] as const;
export type ReadingKind = (typeof READING_KINDS)[number];

export const isNmea = (text: string) => /^[$!][A-Z]{5},/m.test(text.slice(0, 4000));
const isMetar = (text: string) => /^(METAR |SPECI )?[A-Z][A-Z0-9]{3} \d{6}Z /m.test(text.slice(0, 2000));

/** Layouts whose columns are chosen. */
export const isTableKind = (kind: ReadingKind): kind is 'csv' | 'json' => kind === 'csv' || kind === 'json';

export interface ReadingTerms {
  readonly mapping: ReadingMapping | null;
  readonly zone: string;
  readonly nowMs: number;
  readonly unit: 'metric' | 'us';
}

/** Which layout a text is in; a table of unknown columns where it is none of the others. Throws UnreadableFile for what is no text. */
export function readingKindOf(text: string): ReadingKind {
  if (isNmea(text)) return 'nmea';
  if (isMetar(text)) return 'metar';
  if (isForecastJson(text)) return 'forecast';
  if (isJsonRows(text)) return 'json';
  if (isRiverFile(text)) return 'river';
  return isTideFile(readTable(text)) ? 'tide' : 'csv';
}

/** The table of a layout whose columns are chosen. */
export const tableOf = (text: string, kind: 'csv' | 'json'): Table => (kind === 'json' ? jsonTable(text) : readTable(text));

/** What a text in a layout says. Throws as the reader of the layout does. */
export function readReadingFile(
  text: string,
  kind: ReadingKind,
  o: ReadingTerms,
): { readonly readings: readonly (FileReading | Foretold)[]; readonly refused: readonly Refused[] } {
  switch (kind) {
    case 'nmea':
      return readNmeaLog(text);
    case 'forecast':
      return readForecastJson(text, o.zone);
    case 'metar':
      return readMetars(text, o.nowMs);
    case 'river':
      return readRiverFile(text);
    case 'tide':
      return readTideFile(text, o.zone, o.unit);
    case 'csv':
    case 'json': {
      const t = tableOf(text, kind);
      return readReadings(t, o.mapping ?? guessMapping(t, o.zone));
    }
  }
}

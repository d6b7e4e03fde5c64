// The log as a table that comes in again as it went out: a line a fish, and one for every empty time. RFC 4180 by papaparse.
import Papa from 'papaparse';
import { localDate, localTime } from '../units/time';

/** A fish, or an empty time (no outcome), of the log. */
export interface LogLine {
  readonly fromMs: number;
  readonly toMs: number;
  readonly water: string;
  readonly boat: string;
  readonly captain: string;
  readonly spot: string;
  readonly bait: string;
  readonly rods: number;
  readonly outcome: 'landed' | 'lost' | 'missed' | null;
  readonly species: string;
  readonly lengthMm: number | null;
  readonly kept: boolean;
  readonly windMps: number | null;
  readonly windFromDeg: number | null;
  readonly waterTempC: number | null;
  readonly tideStage: number | null;
}

/** Columns in their order; documented in docs/files.md. */
export const LOG_COLUMNS = [
  'date',
  'from',
  'to',
  'spot',
  'bait',
  'rods',
  'species',
  'fish',
  'length mm',
  'outcome',
  'kept',
  'water',
  'boat',
  'captain',
  'wind m/s',
  'wind bearing',
  'water C',
  'tide stage',
] as const;

/** A cell that a spreadsheet would take for a formula is written as text. @param zone - Of dates and times. */
export function logCsv(lines: readonly LogLine[], zone: string): string {
  const figure = (v: number | null, digits: number) => (v === null ? '' : v.toFixed(digits));
  return Papa.unparse(
    {
      fields: [...LOG_COLUMNS],
      data: lines.map((l) => [
        localDate(l.fromMs, zone),
        localTime(l.fromMs, zone),
        localTime(l.toMs, zone),
        l.spot,
        l.bait,
        String(l.rods),
        l.outcome === 'landed' ? l.species : '',
        l.outcome === 'landed' ? '1' : '0',
        l.outcome === 'landed' ? figure(l.lengthMm, 0) : '',
        l.outcome ?? 'nothing',
        l.outcome === 'landed' ? (l.kept ? 'yes' : 'no') : '',
        l.water,
        l.boat,
        l.captain,
        figure(l.windMps, 1),
        figure(l.windFromDeg, 0),
        figure(l.waterTempC, 1),
        figure(l.tideStage, 2),
      ]),
    },
    { escapeFormulae: true, newline: '\r\n' },
  );
}

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
  /** Of the spot: where the fish itself was is not logged. */
  readonly lat: number;
  readonly lon: number;
  /** Instant of the fish; null of an empty time. */
  readonly atMs: number | null;
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

/** A line's cells by column. @param zone - Of dates and times. */
export function logCells(l: LogLine, zone: string): Record<(typeof LOG_COLUMNS)[number], string> {
  const figure = (v: number | null, digits: number) => (v === null ? '' : v.toFixed(digits));
  const landed = l.outcome === 'landed';
  return {
    date: localDate(l.fromMs, zone),
    from: localTime(l.fromMs, zone),
    to: localTime(l.toMs, zone),
    spot: l.spot,
    bait: l.bait,
    rods: String(l.rods),
    species: landed ? l.species : '',
    fish: landed ? '1' : '0',
    'length mm': landed ? figure(l.lengthMm, 0) : '',
    outcome: l.outcome ?? 'nothing',
    kept: landed ? (l.kept ? 'yes' : 'no') : '',
    water: l.water,
    boat: l.boat,
    captain: l.captain,
    'wind m/s': figure(l.windMps, 1),
    'wind bearing': figure(l.windFromDeg, 0),
    'water C': figure(l.waterTempC, 1),
    'tide stage': figure(l.tideStage, 2),
  };
}

/** A cell that a spreadsheet would take for a formula is written as text. @param zone - Of dates and times. */
export function logCsv(lines: readonly LogLine[], zone: string): string {
  const data = lines.map((l) => Object.values(logCells(l, zone)));
  return Papa.unparse({ fields: [...LOG_COLUMNS], data }, { escapeFormulae: true, newline: '\r\n' });
}

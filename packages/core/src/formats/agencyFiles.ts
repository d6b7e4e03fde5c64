// The two layouts in which public agencies hand out readings: tab-separated river data (comment lines, a header, a line of
// column widths, codes such as 00060 for discharge), and comma-separated tide and weather data. Both become tables.
import type { FileReading, ReadingMapping } from './readingsCsv';
import { guessMapping, readReadings } from './readingsCsv';
import { quote, type Refused, UnreadableFile } from './refused';
import { readTable, type Table } from './table';

/** Parameter codes of the river layout. */
const CODES: Record<string, { variable: string; unit: string }> = {
  '00060': { variable: 'flowM3s', unit: 'cfs' },
  '00065': { variable: 'waterLevelM', unit: 'ft' },
  '00010': { variable: 'waterTempC', unit: 'c' },
  '00020': { variable: 'airTempC', unit: 'c' },
  '00025': { variable: 'pressureHpa', unit: 'hpa' },
};

const ZONES: Record<string, string> = {
  UTC: '+00:00',
  GMT: '+00:00',
  EST: '-05:00',
  EDT: '-04:00',
  CST: '-06:00',
  CDT: '-05:00',
  MST: '-07:00',
  MDT: '-06:00',
  PST: '-08:00',
  PDT: '-07:00',
  AKST: '-09:00',
  AKDT: '-08:00',
  HST: '-10:00',
};

/** Whether a file is tab-separated river data: a line of widths such as 5s 15s 20d stands under the header. */
export function isRiverFile(text: string): boolean {
  return /^(\d+[sdn]\t)+\d+[sdn]\s*$/m.test(text.slice(0, 60_000));
}

/** Reads tab-separated river data; flagged values such as Ice, Eqp are passed over. */
export function readRiverFile(text: string): { readings: FileReading[]; refused: Refused[] } {
  const table = readTable(text, '\t');
  const widths = table.records[0];
  if (!widths?.cells.every((c) => /^\d+[sdn]$/.test(c)))
    throw new UnreadableFile('The line of column widths is missing.', 'Take the file as the agency gives it.');
  const time = table.header.indexOf('datetime');
  const zone = table.header.indexOf('tz_cd');
  if (time < 0) throw new UnreadableFile('There is no column datetime.', 'Take the file as the agency gives it.');
  const values = table.header.flatMap((name, column) => {
    const code = /^\d+_(\d{5})(_\d{5})?$/.exec(name)?.[1];
    const known = code === undefined ? undefined : CODES[code];
    return known ? [{ column, ...known }] : [];
  });
  if (values.length === 0)
    throw new UnreadableFile('It holds none of flow, level or temperature.', 'Ask the agency for 00060, 00065 or 00010.');
  const bad: Refused[] = [];
  const records = table.records.slice(1).flatMap((r) => {
    if (/^\d+[sdn]$/.test(r.cells[0] ?? '')) return [];
    const offset = zone < 0 ? '' : ZONES[r.cells[zone] ?? ''];
    if (offset === undefined) {
      bad.push({
        line: r.line,
        text: quote(r.cells.join(' ')),
        reason: `zone ${r.cells[zone]} is not known`,
        remedy: 'Ask the agency for UTC.',
      });
      return [];
    }
    const cells = r.cells.map((c, i) =>
      i === time ? `${c} ${offset}`.trim() : values.some((v) => v.column === i) && !/^[-+.\d]+$/.test(c) ? '' : c,
    );
    return [{ line: r.line, cells }];
  });
  const mapping: ReadingMapping = { timeColumns: [time], zone: 'UTC', order: 'mdy', decimal: '.', values };
  const read = readReadings({ ...table, records }, mapping);
  return { readings: [...read.readings], refused: [...bad, ...read.refused] };
}

/** Whether a table is comma-separated tide and weather data: Date Time first, then a named quantity and its quality columns. */
export function isTideFile(table: Table): boolean {
  return /^date[ _]?time$/i.test(table.header[0] ?? '') && table.header.some((h) => /^(quality|sigma|[oxrnflt])$/i.test(h.trim()));
}

/** Reads comma-separated tide and weather data. Values that the agency marks as failed (last flag columns) are left out. */
export function readTideFile(
  text: string,
  zone: string,
  unit: 'metric' | 'us' = 'metric',
): { readings: FileReading[]; refused: Refused[] } {
  const table = readTable(text, ',');
  if (!isTideFile(table))
    throw new UnreadableFile('It is not tide and weather data of that layout.', 'Import it as CSV and choose the columns.');
  const guess = guessMapping(table, zone);
  const us: Record<string, string> = { waterLevelM: 'ft', waterTempC: 'f', airTempC: 'f', windMps: 'kn', windGustMps: 'kn' };
  const values = guess.values
    .filter((v) => !/^(quality|sigma|[oxrnflt])$/i.test(table.header[v.column]?.trim() ?? ''))
    .map((v) => ({ ...v, unit: unit === 'us' ? (us[v.variable] ?? v.unit) : v.unit }));
  const read = readReadings(table, { ...guess, timeColumns: [0], zone, order: 'mdy', decimal: '.', values });
  return { readings: [...read.readings], refused: [...read.refused] };
}

// Readings from a table: which column is the time, which are variables and in which units. Flags what cannot be read by line.
import { ALL_VARIABLES, isVariable, variable as known } from '../weather/variables';
import { clockReader, type DateOrder, parseDateTime } from './localTime';
import { decimalOf, parseNumber } from './number';
import { quote, type Refused } from './refused';
import type { Table } from './table';
import { inputUnit, unitsOf } from './unitsOf';
import { nth } from '../units/indexed';

/** One reading of a file. */
export interface FileReading {
  readonly atMs: number;
  readonly variable: string;
  readonly value: number;
}

/** How a table is to be read. */
export interface ReadingMapping {
  /** Columns whose texts joined by a space give the time. */
  readonly timeColumns: readonly number[];
  /** IANA zone for times that have none. */
  readonly zone: string;
  readonly order: DateOrder;
  readonly decimal: '.' | ',';
  readonly values: readonly { readonly column: number; readonly variable: string; readonly unit: string }[];
}

/** What was read, and what not. */
export interface ReadingsRead {
  readonly readings: readonly FileReading[];
  readonly refused: readonly Refused[];
}

const UNIT_HINTS: readonly (readonly [RegExp, string])[] = [
  [/(knot|\bkn\b|\bkt\b|kts)/i, 'kn'],
  [/(km\/?h|kph)/i, 'kmh'],
  [/mph/i, 'mph'],
  [/(°f|deg\s*f|fahren|\(f\))/i, 'f'],
  [/(inhg|in\.?\s*hg)/i, 'inhg'],
  [/(kpa)/i, 'kpa'],
  [/(cfs|ft3|ft³|cubic feet)/i, 'cfs'],
  [/(feet|\bft\b)/i, 'ft'],
  [/(fathom|\bfm\b)/i, 'fm'],
  [/(%|percent)/i, 'percent'],
  [/(okta|eighth)/i, 'okta'],
  [/\bkm\b/i, 'km'],
];

/** The unit of a variable that words such as a heading name, by its id; null where they name none. */
export function unitHinted(variable: string, words: string): string | null {
  const units = unitsOf(variable);
  // wind_speed_kn and wind.speed.kn are words as well.
  const apart = words.replaceAll(/[_.]/g, ' ');
  return UNIT_HINTS.find(([pattern, id]) => pattern.test(apart) && units.some((u) => u.id === id))?.[1] ?? null;
}

/** A first guess at how a table is to be read, from its header and first lines; the user confirms it. */
export function guessMapping(table: Table, zone: string): ReadingMapping {
  const sample = table.records.slice(0, 40);
  const column = (i: number) => sample.map((r) => r.cells[i] ?? '');
  const timeLike = table.header.map(
    (_, i) => column(i).filter((c) => c !== '' && (parseDateTime(c) ?? parseDateTime(c, 'mdy'))).length > sample.length / 2,
  );
  let timeColumns = timeLike.flatMap((t, i) => (t ? [i] : [])).slice(0, 1);
  const first = timeColumns[0];
  // Date and time in two columns.
  if (first !== undefined) {
    const next = column(first + 1);
    if (next.filter((c) => /^\d{1,2}:\d{2}/.test(c)).length > sample.length / 2) timeColumns = [first, first + 1];
  }
  const values: { column: number; variable: string; unit: string }[] = [];
  table.header.forEach((name, i) => {
    if (timeColumns.includes(i)) return;
    const variable = ALL_VARIABLES.find(([, v]) => v.heading?.test(name.trim()))?.[0];
    if (!variable || values.some((v) => v.variable === variable)) return;
    values.push({ column: i, variable, unit: unitHinted(variable, name) ?? unitsOf(variable)[0]?.id ?? '' });
  });
  const figures = values.flatMap((v) => column(v.column));
  const dates = first === undefined ? [] : column(first);
  const order: DateOrder = dates.some((d) => Number(/^\d{1,2}\/(\d{1,2})\//.exec(d)?.[1]) > 12) ? 'mdy' : 'dmy';
  return { timeColumns, zone, order, decimal: decimalOf(figures), values };
}

/**
 * Reads a table by a mapping. A line with a bad time or figure is refused with what to do; the others are taken.
 * Throws RangeError when the mapping names a column, variable or unit that is not there.
 */
export function readReadings(table: Table, mapping: ReadingMapping): ReadingsRead {
  if (mapping.timeColumns.length === 0) throw new RangeError('time: choose the column that holds it');
  if (mapping.values.length === 0) throw new RangeError('values: choose at least one column to take');
  const units = mapping.values.map((v) => {
    if (!isVariable(v.variable)) throw new RangeError(`variable: unknown ${v.variable}`);
    if (v.column >= table.header.length) throw new RangeError(`column: there are ${table.header.length}, got ${v.column + 1}`);
    return inputUnit(v.variable, v.unit);
  });
  const clock = clockReader(mapping.zone, mapping.order);
  const readings: FileReading[] = [];
  const refused: Refused[] = [];
  for (const { line, cells } of table.records) {
    const refuse = (reason: string, remedy: string) => refused.push({ line, text: quote(cells.join(' ')), reason, remedy });
    if (cells.length < table.header.length && cells.length <= Math.max(...mapping.timeColumns, ...mapping.values.map((v) => v.column))) {
      refuse(`has ${cells.length} columns, the header has ${table.header.length}`, 'Complete the line or take it out.');
      continue;
    }
    const time = clock(mapping.timeColumns.map((c) => cells[c] ?? '').join(' '));
    if (!('atMs' in time)) {
      refuse(time.reason, time.remedy);
      continue;
    }
    const taken: FileReading[] = [];
    let fault: [string, string] | null = null;
    mapping.values.forEach((v, i) => {
      const text = cells[v.column] ?? '';
      if (text === '' || /^(na|n\/a|nan|null|mm|-+|\*+)$/i.test(text)) return;
      const raw = parseNumber(text, mapping.decimal);
      if (raw === null)
        fault = [
          `"${quote(text)}" in ${table.header[v.column]} is not a number`,
          `Check the decimal sign (${mapping.decimal}) and the column.`,
        ];
      else {
        const value = nth(units, i).toSi(raw);
        const { limits } = known(v.variable);
        // Out of range altogether speaks for a wrong unit rather than a bad sensor; flags deal with the latter.
        if (Math.abs(value) > 10 * Math.max(Math.abs(limits.min), Math.abs(limits.max)))
          fault = [`${text} in ${table.header[v.column]} is far out of range`, 'Check the unit chosen for the column.'];
        else taken.push({ atMs: time.atMs, variable: v.variable, value });
      }
    });
    if (fault) refuse(fault[0], fault[1]);
    else readings.push(...taken);
  }
  return { readings, refused };
}

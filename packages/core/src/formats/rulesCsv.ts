// The crew's copy of the rules as a table: read line by line, and written so that it comes in again.
import type { LengthKind } from '../rules/verdict';
import { decimalOf, parseNumber } from './number';
import { quote, type Refused, UnreadableFile } from './refused';
import type { Table } from './table';
import { nth, num } from '../units/indexed';

/** What a line says, as the crew's copy keeps it. */
export type FileRuleBody =
  | { readonly kind: 'length'; readonly minMm: number | null; readonly maxMm: number | null; readonly lengthKind: LengthKind }
  | { readonly kind: 'slot'; readonly fromMm: number; readonly toMm: number; readonly lengthKind: LengthKind }
  | { readonly kind: 'bag'; readonly perAngler: number | null; readonly perBoat: number | null }
  | { readonly kind: 'possession'; readonly perAngler: number; readonly days: number }
  | { readonly kind: 'closed'; readonly from: string; readonly to: string }
  | { readonly kind: 'hook' | 'bait'; readonly words: string };

export interface FileRule {
  readonly line: number;
  readonly species: string;
  readonly zone: string;
  readonly body: FileRuleBody;
  readonly source: string;
  /** Empty where the file does not say when it was checked. */
  readonly checkedOn: string;
}

/** Columns of a file of rules, by their heads; species and kind are needed, the others as the kind asks for them. */
export const RULE_COLUMNS = [
  'species',
  'zone',
  'kind',
  'least',
  'most',
  'unit',
  'measured',
  'angler',
  'boat',
  'days',
  'from',
  'to',
  'words',
  'source',
  'checked',
] as const;
type Column = (typeof RULE_COLUMNS)[number];

const UNIT_MM: Readonly<Record<string, number>> = { cm: 10, mm: 1, in: 25.4, inch: 25.4, inches: 25.4 };
const MEASURED: readonly LengthKind[] = ['total', 'fork', 'standard', 'disc'];
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const DAYS_IN = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

class Wrong extends Error {
  constructor(
    readonly reason: string,
    readonly remedy: string,
  ) {
    super(reason);
  }
}

/**
 * Reads rules; a line that cannot be one is refused by itself.
 * @throws UnreadableFile when the table has no column for the species or for the kind of rule.
 */
export function readRules(table: Table): { readonly rules: readonly FileRule[]; readonly refused: readonly Refused[] } {
  const at = new Map(RULE_COLUMNS.map((c) => [c, table.header.findIndex((h) => h.trim().toLowerCase() === c)]));
  for (const needed of ['species', 'kind'] as const)
    if ((at.get(needed) ?? -1) < 0)
      throw new UnreadableFile(`The table has no column "${needed}".`, `Its first line names the columns: ${RULE_COLUMNS.join(', ')}.`);
  const decimal = decimalOf(table.records.slice(0, 200).flatMap((r) => r.cells));
  const rules: FileRule[] = [];
  const refused: Refused[] = [];
  for (const { line, cells } of table.records) {
    const cell = (c: Column) => (cells[at.get(c) ?? -1] ?? '').trim();
    try {
      if (cell('species') === '') throw new Wrong('it names no species', 'Write the species as it stands in your list.');
      rules.push({
        line,
        species: cell('species'),
        zone: cell('zone'),
        body: bodyOf(cell, decimal),
        source: cell('source'),
        checkedOn: checkedOf(cell('checked')),
      });
    } catch (error) {
      if (!(error instanceof Wrong)) throw error;
      refused.push({ line, text: quote(cells.join(' ')), reason: error.reason, remedy: error.remedy });
    }
  }
  return { rules, refused };
}

function bodyOf(cell: (c: Column) => string, decimal: '.' | ','): FileRuleBody {
  const number = (c: Column): number | null => {
    if (cell(c) === '') return null;
    const v = parseNumber(cell(c), decimal);
    if (v === null || v < 0) throw new Wrong(`${c} is "${cell(c)}"`, 'Write a number, or leave it empty.');
    return v;
  };
  const whole = (c: Column): number | null => {
    const v = number(c);
    if (v !== null && !Number.isInteger(v)) throw new Wrong(`${c} is ${v}`, 'Write a whole number of fish or days.');
    return v;
  };
  const needed = (c: Column, v: number | null): number => {
    if (v === null) throw new Wrong(`a rule of this kind needs ${c}`, `Fill in the column ${c}.`);
    return v;
  };
  const kind = cell('kind').toLowerCase();
  switch (kind) {
    case 'length':
    case 'slot': {
      const mm = UNIT_MM[cell('unit').toLowerCase() || 'cm'];
      if (mm === undefined) throw new Wrong(`its unit is "${cell('unit')}"`, 'Lengths are in cm, mm or inches.');
      const whole = (c: 'least' | 'most') => {
        const v = number(c);
        return v === null ? null : Math.round(v * mm);
      };
      const [least, most] = [whole('least'), whole('most')];
      if (least !== null && most !== null && most < least) throw new Wrong('its lengths are crossed', 'The least stands before the most.');
      if (least === null && most === null) throw new Wrong('it names no length', 'Fill in least, most or both.');
      const lengthKind = MEASURED.find((m) => m === (cell('measured').toLowerCase() || 'total'));
      if (!lengthKind) throw new Wrong(`it is measured "${cell('measured')}"`, `Write ${MEASURED.join(', ')}.`);
      if (kind === 'length') return { kind, minMm: least, maxMm: most, lengthKind };
      return { kind, fromMm: needed('least', least), toMm: needed('most', most), lengthKind };
    }
    case 'bag': {
      const [perAngler, perBoat] = [whole('angler'), whole('boat')];
      if (perAngler === null && perBoat === null) throw new Wrong('a bag without a number', 'Fill in angler, boat or both.');
      return { kind, perAngler, perBoat };
    }
    case 'possession':
      return { kind, perAngler: needed('angler', whole('angler')), days: needed('days', whole('days')) };
    case 'closed':
      return { kind, from: monthDay('from', cell('from')), to: monthDay('to', cell('to')) };
    case 'hook':
    case 'bait':
      if (cell('words') === '') throw new Wrong('it does not say what', 'Write it in the column words.');
      return { kind, words: cell('words').slice(0, 200) };
    default:
      throw new Wrong(`its kind is "${cell('kind')}"`, 'Write length, slot, bag, possession, closed, hook or bait.');
  }
}

/** MM-DD of "05-15", "15.5.", "15 May" or "May 15". */
function monthDay(column: string, text: string): string {
  const iso = /^(\d{1,2})-(\d{1,2})$/.exec(text);
  const dotted = /^(\d{1,2})\.(\d{1,2})\.?$/.exec(text);
  const words = /^(\d{1,2})\.?\s+([a-z]+)$/i.exec(text) ?? /^([a-z]+)\s+(\d{1,2})$/i.exec(text);
  let [month, day] = [0, 0];
  if (iso) [month, day] = [Number(iso[1]), Number(iso[2])];
  else if (dotted) [month, day] = [Number(dotted[2]), Number(dotted[1])];
  else if (words) {
    const [a, b] = [nth(words, 1), nth(words, 2)];
    const [name, figure] = /^\d/.test(a) ? [b, a] : [a, b];
    [month, day] = [MONTHS.indexOf(name.slice(0, 3).toLowerCase()) + 1, Number(figure)];
  }
  if (!(month >= 1 && month <= 12 && day >= 1 && day <= num(DAYS_IN, month - 1)))
    throw new Wrong(`${column} is "${text}"`, 'Write a day and a month, such as 15 May or 05-15.');
  return `${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
}

function checkedOf(text: string): string {
  if (text === '') return '';
  if (/^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text))) return text;
  throw new Wrong(`checked is "${text}"`, 'Write the day as 2026-05-15, or leave it empty.');
}

/** Rules as a table that comes in again; lengths in cm. */
export function rulesCsv(rules: readonly Omit<FileRule, 'line'>[]): string {
  const cm = (mm: number | null) => (mm === null ? '' : String(mm / 10));
  const rows = rules.map(({ species, zone, body: b, source, checkedOn }) => {
    const row: Partial<Record<Column, string>> = { species, zone, kind: b.kind, source, checked: checkedOn };
    if (b.kind === 'length') Object.assign(row, { least: cm(b.minMm), most: cm(b.maxMm), unit: 'cm', measured: b.lengthKind });
    if (b.kind === 'slot') Object.assign(row, { least: cm(b.fromMm), most: cm(b.toMm), unit: 'cm', measured: b.lengthKind });
    if (b.kind === 'bag') Object.assign(row, { angler: String(b.perAngler ?? ''), boat: String(b.perBoat ?? '') });
    if (b.kind === 'possession') Object.assign(row, { angler: String(b.perAngler), days: String(b.days) });
    if (b.kind === 'closed') Object.assign(row, { from: b.from, to: b.to });
    if (b.kind === 'hook' || b.kind === 'bait') row.words = b.words;
    return RULE_COLUMNS.map((c) => cellOf(row[c] ?? '')).join(',');
  });
  return `${[RULE_COLUMNS.join(','), ...rows].join('\r\n')}\r\n`;
}

/** Quoted where it must be (RFC 4180); what a spreadsheet would reckon out is kept a text. */
function cellOf(text: string): string {
  const safe = /^[=+\-@\t]/.test(text) && !/^-?\d/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}

// The crew's copy of the rules as a table: read line by line, and written so that it comes in again.
import { LENGTH_KINDS, MOST_WORDS, RULE_KIND_NAMES, type RuleBody, type RuleField, ruleFault, ruleFields } from '../rules/ruleKinds';
import { decimalOf, parseNumber } from './number';
import { quote, type Refused, UnreadableFile } from './refused';
import type { Table } from './table';
import { nth, num } from '../units/indexed';

export interface FileRule {
  readonly line: number;
  readonly species: string;
  readonly zone: string;
  readonly body: RuleBody;
  readonly source: string;
  /** Empty where the file does not say when it was checked. */
  readonly checkedOn: string;
}

const SAID = [...new Set(RULE_KIND_NAMES.flatMap((k) => ruleFields(k).map(([, f]) => f.column)))];
/** Columns of a file of rules, by their heads; species and kind are needed, the others as the kind asks for them. */
export const RULE_COLUMNS: readonly string[] = ['species', 'zone', 'kind', ...SAID, 'unit', 'source', 'checked'];

const UNIT_MM: Readonly<Record<string, number>> = { cm: 10, mm: 1, in: 25.4, inch: 25.4, inches: 25.4 };
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
    const cell = (c: string) => (cells[at.get(c) ?? -1] ?? '').trim();
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

function bodyOf(cell: (column: string) => string, decimal: '.' | ','): RuleBody {
  const kind = RULE_KIND_NAMES.find((k) => k === cell('kind').toLowerCase());
  if (!kind) throw new Wrong(`its kind is "${cell('kind')}"`, `Write ${orWords(RULE_KIND_NAMES)}.`);
  const mm = UNIT_MM[cell('unit').toLowerCase() || 'cm'];
  const fields = ruleFields(kind);
  if (mm === undefined && fields.some(([, f]) => f.type === 'mm'))
    throw new Wrong(`its unit is "${cell('unit')}"`, 'Lengths are in cm, mm or inches.');
  const said = fields.map(([name, field]) => [name, fieldOf(field, cell(field.column), decimal, mm ?? 10)] as const);
  const body = { kind, ...Object.fromEntries(said) };
  const fault = ruleFault(body);
  if (fault)
    throw new Wrong(fault.plain, `Fill in or put right ${orWords(fields.map(([, f]) => f.column).filter((c) => c !== 'measured'))}.`);
  // biome-ignore lint/plugin: each field of the kind was read as the table says
  return body as unknown as RuleBody;
}

const orWords = (list: readonly string[]) => (list.length < 2 ? list.join() : `${list.slice(0, -1).join(', ')} or ${list.at(-1)}`);

/** What a cell says of a field; lengths in mm. Throws Wrong for one that cannot be it. */
function fieldOf(field: RuleField, text: string, decimal: '.' | ',', mm: number): number | string | null {
  const { column } = field;
  switch (field.type) {
    case 'words':
      if (text === '') throw new Wrong('it does not say what', `Write it in the column ${column}.`);
      return text.slice(0, MOST_WORDS);
    case 'day':
      return monthDay(column, text);
    case 'measured': {
      const kind = LENGTH_KINDS.find((k) => k === (text.toLowerCase() || 'total'));
      if (!kind) throw new Wrong(`it is measured "${text}"`, `Write ${LENGTH_KINDS.join(', ')}.`);
      return kind;
    }
    case 'mm':
    case 'count': {
      if (text === '') {
        if (field.needed) throw new Wrong(`a rule of this kind needs ${column}`, `Fill in the column ${column}.`);
        return null;
      }
      const v = parseNumber(text, decimal);
      if (v === null || v < 0) throw new Wrong(`${column} is "${text}"`, 'Write a number, or leave it empty.');
      if (field.type === 'mm') return Math.round(v * mm);
      if (!Number.isInteger(v)) throw new Wrong(`${column} is ${v}`, 'Write a whole number of fish or days.');
      return v;
    }
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
  const rows = rules.map(({ species, zone, body, source, checkedOn }) => {
    const row: Record<string, string> = { species, zone, kind: body.kind, source, checked: checkedOn };
    const said: Readonly<Record<string, unknown>> = body;
    for (const [name, { type, column }] of ruleFields(body.kind)) {
      const v = said[name];
      row[column] = typeof v === 'number' && type === 'mm' ? String(v / 10) : String(v ?? '');
      if (type === 'mm') row.unit = 'cm';
    }
    return RULE_COLUMNS.map((c) => cellOf(row[c] ?? '')).join(',');
  });
  return `${[RULE_COLUMNS.join(','), ...rows].join('\r\n')}\r\n`;
}

/** Quoted where it must be (RFC 4180); what a spreadsheet would reckon out is kept a text. */
function cellOf(text: string): string {
  const safe = /^[=+\-@\t]/.test(text) && !/^-?\d/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}

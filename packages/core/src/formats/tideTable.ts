// A table of high and low waters, a series of heights, or harmonic constants, as people have them: CSV with a date, a time, a height and
// perhaps H or L; or name, amplitude, phase. What is fitted from them is the tide's business; here they are only read.
import type { HarmonicConstant } from '../tide/tideModel';
import type { HeightRecord, TurnRecord } from '../tide/fitSums';
import { HOUR } from '../units/time';
import { clockReader, type DateOrder } from './localTime';
import { decimalOf, parseNumber } from './number';
import { quote, type Refused, UnreadableFile } from './refused';
import { readTable } from './table';

export interface TideTableTerms {
  /** IANA zone of times without an offset. */
  readonly zone: string;
  readonly order: DateOrder;
  /** Metres a unit of height: 1, or 0.3048. */
  readonly metres: number;
}

export type TideTable =
  | {
      readonly kind: 'constants';
      readonly constants: readonly HarmonicConstant[];
      readonly z0M: number | null;
      readonly refused: readonly Refused[];
    }
  | {
      readonly kind: 'turns';
      readonly turns: readonly TurnRecord[];
      readonly gaps: readonly (readonly [number, number])[];
      readonly refused: readonly Refused[];
    }
  | {
      readonly kind: 'heights';
      readonly heights: readonly HeightRecord[];
      readonly gaps: readonly (readonly [number, number])[];
      readonly refused: readonly Refused[];
    };

/** Turns are no further apart than this where none is missing, and records of a series no further than its own step thrice. */
const TURN_GAP_MS = 18 * HOUR;
/** Records further apart on the whole are turns. */
const SERIES_STEP_MS = 3 * HOUR;
const MOST_M = 25;

/** Reads it by what it holds. Throws UnreadableFile when it is none of them. */
export function readTideTable(text: string, terms: TideTableTerms): TideTable {
  // Semicolons on every line part its columns, whatever commas stand in its figures.
  const head = text.split(/\r?\n/, 20).filter((l) => l.trim() !== '');
  const first = readTable(text, head.length > 0 && head.every((l) => l.includes(';')) ? ';' : undefined);
  const hasHeader = !first.header.some((c) => looksLikeTime(c));
  const records = hasHeader ? first.records : [{ line: 1, cells: first.header }, ...first.records];
  const header = hasHeader ? first.header.map((h) => h.toLowerCase()) : [];
  if (isConstants(header, records)) return constantsOf(records, terms.metres);
  return recordsOf(header, records, terms);
}

type Rows = readonly { readonly line: number; readonly cells: readonly string[] }[];

const looksLikeTime = (cell: string): boolean => /^\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}|^\d{1,2}:\d{2}|^\d{8}$|^\d{10}$/.test(cell.trim());

function isConstants(header: readonly string[], records: Rows): boolean {
  if (header.some((h) => /ampl/.test(h)) && header.some((h) => /phase|lag|^g$|kappa/.test(h))) return true;
  const cells = records[0]?.cells ?? [];
  return (
    cells.length >= 3 && /^[A-Za-z0-9]{2,6}$/.test(cells[0] ?? '') && /[A-Za-z]/.test(cells[0] ?? '') && !looksLikeTime(cells[1] ?? '')
  );
}

function constantsOf(records: Rows, metres: number): TideTable {
  const refused: Refused[] = [];
  const constants: HarmonicConstant[] = [];
  let z0M: number | null = null;
  for (const { line, cells } of records) {
    const [name = '', a = '', g = ''] = cells;
    const amplitude = parseNumber(a, '.');
    if (/^(z0|msl|a0|mean)$/i.test(name) && amplitude !== null) {
      z0M = amplitude * metres;
      continue;
    }
    const phase = parseNumber(g, '.');
    if (amplitude === null || phase === null || amplitude < 0)
      refused.push({
        line,
        text: quote(cells.join(', ')),
        reason: 'it has no amplitude and phase',
        remedy: 'Write name, amplitude, phase in degrees.',
      });
    else constants.push({ name, amplitudeM: amplitude * metres, phaseDeg: phase });
  }
  if (constants.length === 0) throw new UnreadableFile('It has no constants.', 'Write one a line: name, amplitude, phase in degrees.');
  return { kind: 'constants', constants, z0M, refused };
}

interface Columns {
  readonly when: readonly number[];
  readonly height: number;
  readonly kind: number | null;
}

function columnsOf(header: readonly string[], records: Rows): Columns {
  const sample = records.slice(0, 30);
  const share = (i: number, test: (cell: string) => boolean) =>
    sample.filter((r) => test(r.cells[i] ?? '')).length / Math.max(1, sample.length);
  const indices = Array.from({ length: Math.max(0, ...sample.map((r) => r.cells.length)) }, (_, i) => i);
  const when = indices.filter((i) => share(i, looksLikeTime) > 0.7).slice(0, 2);
  const kind =
    indices.find((i) => !when.includes(i) && share(i, (c) => /^(h|l|hw|lw|high|low|high water|low water)$/i.test(c)) > 0.7) ?? null;
  const named = indices.find((i) => /height|level|depth|^m$|^ft$|pred|\(m\)|\(ft\)|verified/.test(header[i] ?? '') && !when.includes(i));
  const height =
    named ?? indices.find((i) => !when.includes(i) && i !== kind && share(i, (c) => /^[-+]?\d*[.,]?\d+\s*(m|ft)?$/i.test(c)) > 0.7);
  if (when.length === 0 || height === undefined)
    throw new UnreadableFile(
      when.length === 0 ? 'No column has dates or times.' : 'No column has heights.',
      'Give a table with a date, a time, a height and, where it has them, H or L; such as 2026-06-19, 04:12, 3.4, H.',
    );
  return { when, height, kind };
}

function recordsOf(header: readonly string[], records: Rows, { zone, order, metres }: TideTableTerms): TideTable {
  const columns = columnsOf(header, records);
  const decimal = decimalOf(records.slice(0, 200).map((r) => r.cells[columns.height] ?? ''));
  const clock = clockReader(zone, order);
  const refused: Refused[] = [];
  const read: { atMs: number; heightM: number; kind: 'high' | 'low' | null; line: number; text: string }[] = [];
  // A table may give its date once for the turns of a day.
  let lastDate = '';
  for (const { line, cells } of records) {
    const text = quote(cells.join(', '));
    const refuse = (reason: string, remedy: string) => refused.push({ line, text, reason, remedy });
    const parts = columns.when.map((i) => cells[i] ?? '');
    if (columns.when.length === 2 && parts[0] === '') parts[0] = lastDate;
    else lastDate = parts[0] ?? '';
    const when = clock(whole(parts.join(' ')));
    if ('reason' in when) {
      refuse(when.reason, when.remedy);
      continue;
    }
    const height = parseNumber((cells[columns.height] ?? '').replace(/\s*(m|ft)$/i, ''), decimal);
    if (height === null || Math.abs(height * metres) > MOST_M) {
      refuse(
        height === null ? 'it has no height' : `a height of ${height} is none of a tide`,
        'Check the column and the unit of the heights.',
      );
      continue;
    }
    const word = columns.kind === null ? '' : (cells[columns.kind] ?? '');
    read.push({ atMs: when.atMs, heightM: height * metres, kind: /^h/i.test(word) ? 'high' : /^l/i.test(word) ? 'low' : null, line, text });
  }
  read.sort((a, b) => a.atMs - b.atMs);
  const once = read.filter((r, i) => r.atMs !== read[i - 1]?.atMs);
  const steps = once
    .slice(1)
    .map((r, i) => r.atMs - (once[i]?.atMs ?? 0))
    .sort((a, b) => a - b);
  const step = steps[Math.floor(steps.length / 2)] ?? 0;
  if (once.length < 2)
    throw new UnreadableFile(
      'It has no heights with times.',
      refused[0] ? `Line ${refused[0].line}: ${refused[0].reason}.` : 'Check that it is the right file.',
    );
  if (columns.kind === null && step < SERIES_STEP_MS)
    return { kind: 'heights', heights: once.map(({ atMs, heightM }) => ({ atMs, heightM })), gaps: gapsOf(once, 3 * step), refused };
  const turns: TurnRecord[] = [];
  once.forEach((r, i) => {
    const beside = [once[i - 1], once[i + 1]].filter((n) => n !== undefined && Math.abs(n.atMs - r.atMs) < TURN_GAP_MS);
    const above = beside.filter((n) => r.heightM > (n?.heightM ?? 0)).length;
    const kind = r.kind ?? (above * 2 >= beside.length ? 'high' : 'low');
    if (beside.length === 2 && r.kind !== null && above !== 1 && (above === 2) !== (r.kind === 'high'))
      refused.push({
        line: r.line,
        text: r.text,
        reason: `a ${r.kind} water that stands ${r.kind === 'high' ? 'below' : 'above'} both its neighbours`,
        remedy: 'Highs and lows are swapped here, or a figure is wrong.',
      });
    else turns.push({ atMs: r.atMs, heightM: r.heightM, kind });
  });
  return { kind: 'turns', turns, gaps: gapsOf(turns, TURN_GAP_MS), refused };
}

/** A date and time as the reader of clocks knows them: twelve-hour clocks and dates without dashes written out. */
function whole(text: string): string {
  return text
    .trim()
    .replace(/^(\d{4})(\d{2})(\d{2})\b/, '$1-$2-$3')
    .replace(/(\d{1,2}):(\d{2})(?::\d{2})?\s*([ap])\.?m\.?/i, (_, h: string, m: string, half: string) => {
      const hour = (Number(h) % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
      return `${String(hour).padStart(2, '0')}:${m}`;
    });
}

function gapsOf(records: readonly { readonly atMs: number }[], longestMs: number): [number, number][] {
  return records.slice(1).flatMap((r, i): [number, number][] => {
    const before = records[i]?.atMs ?? 0;
    return r.atMs - before > longestMs ? [[before, r.atMs]] : [];
  });
}

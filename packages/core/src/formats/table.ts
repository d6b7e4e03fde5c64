// Comma, semicolon or tab separated text to cells (papaparse, RFC 4180 quoting), with the line each record stands on.
import Papa from 'papaparse';
import { requireSize, UnreadableFile } from './refused';

/** A table: its header and its records with their line numbers. */
export interface Table {
  readonly header: readonly string[];
  readonly records: readonly { readonly line: number; readonly cells: readonly string[] }[];
  readonly delimiter: string;
}

/**
 * Reads a delimited file. Lines that begin with # and empty lines are passed over; the first line left is the header.
 * @param text - The file. @param delimiter - Given, or found out.
 */
export function readTable(text: string, delimiter?: string): Table {
  requireSize(text.length);
  if (text.includes('\u0000')) throw new UnreadableFile('The file is not text.', 'Save it as CSV (UTF-8) and import that.');
  const clean = text.replace(/^\uFEFF/, '');
  const parsed = Papa.parse<string[]>(clean, {
    header: false,
    skipEmptyLines: false,
    comments: false,
    delimiter: delimiter ?? delimiterOf(clean),
  });
  const found = parsed.meta.delimiter || ',';
  let line = 1;
  const records: { line: number; cells: string[] }[] = [];
  for (const cells of parsed.data) {
    const at = line;
    // A quoted cell may span lines.
    line += 1 + cells.reduce((n, c) => n + (c.match(/\r\n|\n|\r/g)?.length ?? 0), 0);
    if (cells.length === 1 && (cells[0]?.trim() === '' || cells[0] === undefined)) continue;
    if (cells[0]?.startsWith('#')) continue;
    records.push({ line: at, cells: cells.map((c) => c.trim()) });
  }
  const header = records.shift();
  if (!header) throw new UnreadableFile('The file has no lines.', 'Check that it is the right file.');
  return { header: header.cells, records, delimiter: found };
}

/** The delimiter of the first lines, comments left out: they may hold any of them. */
function delimiterOf(text: string): string {
  const lines = text.slice(0, 100_000).split(/\r\n|\n|\r/);
  const head = lines.filter((l) => !l.startsWith('#') && l.trim() !== '').slice(0, 20);
  return Papa.parse(head.join('\n'), { delimitersToGuess: [',', ';', '\t', '|'] }).meta.delimiter || ',';
}

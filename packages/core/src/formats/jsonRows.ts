// JSON answers as tables: a list of objects anywhere in them, its names joined by dots (wind.speed), one row an object.
import { UnreadableFile } from './refused';
import type { Table } from './table';

type Json = Readonly<Record<string, unknown>>;
const isObject = (v: unknown): v is Json => typeof v === 'object' && v !== null && !Array.isArray(v);
const MOST_DEEP = 6;
const MOST_COLUMNS = 200;

/** Whether a text is JSON that holds a list of objects, or one object with figures. */
export function isJsonRows(text: string): boolean {
  if (!/^\uFEFF?\s*[[{]/.test(text.slice(0, 200))) return false;
  try {
    return rowsOf(JSON.parse(text.replace(/^\uFEFF/, '')), 0).length > 0;
  } catch {
    return false;
  }
}

/**
 * Its rows as a table; the longest list of objects counts, and where there is none, the answer itself is one row.
 * @throws UnreadableFile for JSON without any.
 */
export function jsonTable(text: string): Table {
  const rows = rowsOf(JSON.parse(text.replace(/^\uFEFF/, '')), 0).map((o) => flat(o));
  const header = [...new Set(rows.flatMap((r) => [...r.keys()]))].slice(0, MOST_COLUMNS);
  if (header.length === 0) throw new UnreadableFile('The answer holds no figures.', 'Give the address of the readings themselves.');
  return { header, delimiter: ',', records: rows.map((r, i) => ({ line: i + 1, cells: header.map((h) => r.get(h) ?? '') })) };
}

function rowsOf(v: unknown, deep: number): readonly Json[] {
  if (deep > MOST_DEEP) return [];
  if (Array.isArray(v)) {
    const own = v.filter(isObject);
    const inner = own.length === 0 ? [] : own.slice(0, 3).map((o) => rowsIn(o, deep + 1));
    const longest = inner.reduce<readonly Json[]>((a, b) => (b.length > a.length ? b : a), []);
    return longest.length > own.length ? longest : own;
  }
  if (!isObject(v)) return [];
  const found = rowsIn(v, deep);
  return found.length > 0 || deep > 0 ? found : [v];
}

function rowsIn(o: Json, deep: number): readonly Json[] {
  return Object.values(o)
    .map((x) => (Array.isArray(x) || isObject(x) ? rowsOf(x, deep + 1) : []))
    .reduce<readonly Json[]>((a, b) => (b.length > a.length ? b : a), []);
}

/** Names and texts of an object's plain values, those of objects within it by names joined by dots. */
function flat(o: Json, at = '', out = new Map<string, string>()): Map<string, string> {
  for (const [name, v] of Object.entries(o)) {
    const key = at === '' ? name : `${at}.${name}`;
    if (isObject(v)) {
      if (key.split('.').length < MOST_DEEP) flat(v, key, out);
    } else if (!Array.isArray(v) && v !== null && v !== undefined) out.set(key, String(v));
  }
  return out;
}

// Trips of past years out of a table, as guides keep them: a line for each bait at a place, or for each fish. Which column is what is
// guessed from the header and confirmed by whoever brings the file; names are matched by him too. A line that cannot be used is refused
// with what to do; the others are taken.
import { addDays } from '../units/time';
import { clockReader, type DateOrder, parseDateTime } from './localTime';
import { decimalOf, parseNumber } from './number';
import { quote, type Refused } from './refused';
import { isJsonRows, jsonTable } from './jsonRows';
import { readTable, type Table } from './table';

export const PAST_COLUMNS = ['date', 'from', 'to', 'hours', 'spot', 'bait', 'species', 'fish', 'length', 'rods', 'at'] as const;
export type PastColumn = (typeof PAST_COLUMNS)[number];

export interface PastMapping {
  /** Columns by what they hold; -1 where there is none. */
  readonly columns: Readonly<Record<PastColumn, number>>;
  readonly zone: string;
  readonly order: DateOrder;
  readonly decimal: '.' | ',';
  /** Millimetres a unit of length: 10, 1 or 25.4. */
  readonly lengthMm: number;
}

/** The table of a text file: separated by commas or the like, JSON, or GeoJSON, whose features say it in their properties. */
export function pastTable(text: string): Table {
  if (!isJsonRows(text)) return readTable(text);
  const table = jsonTable(text);
  return { ...table, header: table.header.map((h) => h.replace(/^properties\./, '')) };
}

/** One line of the file. */
export interface PastRow {
  readonly line: number;
  /** Local date, YYYY-MM-DD. */
  readonly date: string;
  readonly fromMs: number | null;
  readonly toMs: number | null;
  /** Hours fished, where the line says so. */
  readonly hours: number | null;
  readonly spot: string;
  readonly bait: string;
  readonly species: string;
  readonly fish: number;
  readonly lengthMm: number | null;
  readonly rods: number | null;
  /** When the fish came, where the line says so. */
  readonly atMs: number | null;
}

const HEADINGS: Readonly<Record<PastColumn, RegExp>> = {
  date: /^(date|day|datum|when)/i,
  from: /^(from|start|begin|time|lines in|in$)/i,
  to: /^(to$|end|until|stop|lines out|out$)/i,
  hours: /(hours|hrs|duration|effort)/i,
  spot: /(spot|place|mark|location|where|area|ground)/i,
  bait: /(bait|lure|fly|presentation|method|rig)/i,
  species: /(species|fish type|kind|what)/i,
  fish: /(^fish$|count|number|caught|catch|qty|no\.? of|landed)/i,
  length: /(length|size|cm|inch)/i,
  rods: /(rods|anglers|lines$)/i,
  at: /^(caught at|at$|hooked|landed at|time of (the )?fish)/i,
};

/** A first guess of the columns. */
export function guessPastMapping(table: Table, zone: string): PastMapping {
  const taken = new Set<number>();
  // biome-ignore lint/plugin: Object.fromEntries forgets the names of the keys, which are all there.
  const columns = Object.fromEntries(
    // When a fish came is looked for first: its heading holds words of others.
    (['at', ...PAST_COLUMNS.filter((c) => c !== 'at')] as const).map((name) => {
      const i = table.header.findIndex((h, k) => !taken.has(k) && HEADINGS[name].test(h.trim()));
      if (i >= 0) taken.add(i);
      return [name, i];
    }),
  ) as Record<PastColumn, number>;
  const cells = (i: number) => (i < 0 ? [] : table.records.slice(0, 200).map((r) => r.cells[i] ?? ''));
  const order: DateOrder = cells(columns.date).some((d) => Number(/^\d{1,2}\/(\d{1,2})\//.exec(d)?.[1]) > 12) ? 'mdy' : 'dmy';
  const head = table.header[columns.length] ?? '';
  return {
    columns,
    zone,
    order,
    decimal: decimalOf([...cells(columns.hours), ...cells(columns.length)]),
    lengthMm: /mm/i.test(head) ? 1 : /in/i.test(head) ? 25.4 : 10,
  };
}

const MOST_FISH = 500;

/** Reads a table by a mapping. */
export function readPastTrips(table: Table, m: PastMapping): { rows: PastRow[]; refused: Refused[] } {
  const rows: PastRow[] = [];
  const refused: Refused[] = [];
  const clock = clockReader(m.zone, m.order);
  // Merged cells and ditto: a date or a place holds until another is written.
  let [lastDate, lastSpot] = ['', ''];
  for (const { line, cells } of table.records) {
    const text = quote(cells.join(', '));
    const cell = (name: PastColumn) => (m.columns[name] < 0 ? '' : (cells[m.columns[name]] ?? '').trim());
    const refuse = (reason: string, remedy: string) => refused.push({ line, text, reason, remedy });
    const written = cell('date') || lastDate;
    const parts = parseDateTime(written, m.order);
    if (!parts) {
      refuse(written === '' ? 'it has no date' : `"${written}" is no date`, 'Write it as 2026-06-18.');
      continue;
    }
    lastDate = written;
    const date = new Date(parts.wallMs).toISOString().slice(0, 10);
    const spot = cell('spot') || lastSpot;
    lastSpot = spot;
    if (spot === '') {
      refuse('it has no place', 'Write where it was, by the name that you know it by.');
      continue;
    }
    const at = (name: 'from' | 'to' | 'at', day: string): number | null | undefined => {
      const raw = cell(name);
      if (raw === '') return null;
      // Some programs write the day with the hour.
      const when = clock(/\d{4}-\d{2}-\d{2}[ T]\d/.test(raw) ? raw : `${day} ${twentyFour(raw)}`);
      if ('atMs' in when) return when.atMs;
      refuse(when.reason, when.remedy);
      return undefined;
    };
    const fromMs = at('from', date);
    let toMs = at('to', date);
    const atMs = at('at', date);
    if (fromMs === undefined || toMs === undefined || atMs === undefined) continue;
    if (fromMs !== null && toMs !== null && toMs <= fromMs) toMs = at('to', addDays(date, 1)) ?? null;
    const figure = (name: PastColumn): number | null | undefined => {
      const t = cell(name);
      if (t === '' || t === '-') return null;
      const v = parseNumber(t.replace(/\s*(cm|mm|in|h|hrs?|")$/i, ''), m.decimal);
      if (v !== null && v >= 0) return v;
      refuse(`"${t}" is no figure for ${name}`, 'Write a plain figure.');
      return undefined;
    };
    const [hours, fish, length, rods] = [figure('hours'), figure('fish'), figure('length'), figure('rods')];
    if (hours === undefined || fish === undefined || length === undefined || rods === undefined) continue;
    const species = cell('species');
    // A species without a number is one fish; neither is an empty time, which counts as much.
    const caught = fish ?? (species !== '' || length !== null ? 1 : 0);
    if (caught > MOST_FISH || !Number.isInteger(caught)) {
      refuse(`${caught} fish on one line`, `A whole number up to ${MOST_FISH}.`);
      continue;
    }
    if (hours !== null && hours > 24) {
      refuse(`${hours} hours on one line`, 'Hours of one stop, up to 24.');
      continue;
    }
    rows.push({
      line,
      date,
      fromMs,
      toMs,
      hours: hours === 0 ? null : hours,
      spot,
      bait: cell('bait'),
      species,
      fish: caught,
      lengthMm: length === null || length === 0 ? null : Math.round(length * m.lengthMm),
      rods: rods === null || rods === 0 ? null : Math.round(rods),
      atMs,
    });
  }
  return { rows, refused };
}

/** A time of day without am and pm; dates of spreadsheets give their clock time with seconds. */
function twentyFour(text: string): string {
  const m = /(\d{1,2})[:.h](\d{2})(?::\d{2})?\s*([ap])?\.?m?\.?$/i.exec(text) ?? /^(\d{1,2})()\s*([ap])\.?m\.?$/i.exec(text);
  if (!m) return text === '' ? '' : text;
  const half = m[3]?.toLowerCase();
  const hour = half ? (Number(m[1]) % 12) + (half === 'p' ? 12 : 0) : Number(m[1]);
  return `${String(hour).padStart(2, '0')}:${m[2] || '00'}`;
}

/** A stop of a past trip: one place, from when to when, with the baits fished there. */
export interface PastStop {
  readonly spot: string;
  readonly fromMs: number;
  readonly toMs: number;
  readonly sets: readonly {
    readonly bait: string;
    readonly rods: number;
    readonly fish: readonly { readonly species: string; readonly lengthMm: number | null; readonly atMs: number | null }[];
  }[];
}

export interface PastTrip {
  readonly date: string;
  readonly fromMs: number;
  readonly toMs: number;
  readonly stops: readonly PastStop[];
}

const HOUR_MS = 3_600_000;

/**
 * Lines to trips: one a day, its stops in order. A stop without times follows the one before it; one without hours lasts as long as is
 * usual there, which whoever brings the file says.
 * @param usualHours - Hours of a stop whose line has none; null leaves such lines out.
 * @param rods - Rods where the line has none. @param dayStartMs - Instant at which a day's first stop began when no line says so.
 */
export function tripsOf(
  rows: readonly PastRow[],
  { usualHours, rods, dayStartMs }: { usualHours: number | null; rods: number; dayStartMs: (date: string) => number },
): { trips: PastTrip[]; without: number } {
  let without = 0;
  const trips = [...new Set(rows.map((r) => r.date))].sort().map((date): PastTrip => {
    const stops: PastStop[] = [];
    let next = dayStartMs(date);
    // Lines of one place at one time are one stop, whatever stands between them.
    const groups = new Map<string, PastRow[]>();
    for (const r of rows.filter((x) => x.date === date)) {
      const key = `${r.spot.toLowerCase()} ${r.fromMs ?? ''}`;
      groups.set(key, [...(groups.get(key) ?? []), r]);
    }
    for (const group of groups.values()) {
      const first = group[0];
      if (!first) continue;
      const told = Math.max(0, ...group.map((r) => r.hours ?? 0));
      const until = Math.max(0, ...group.map((r) => r.toMs ?? 0));
      const fromMs = Math.max(first.fromMs ?? next, stops.at(-1)?.toMs ?? 0);
      const hours = told > 0 ? told : until > fromMs ? (until - fromMs) / HOUR_MS : usualHours;
      if (hours === null) {
        without += group.length;
        continue;
      }
      const toMs = until > fromMs ? until : fromMs + hours * HOUR_MS;
      next = toMs;
      const baits = [...new Set(group.map((r) => r.bait))];
      stops.push({
        spot: first.spot,
        fromMs,
        toMs,
        sets: baits.map((bait) => {
          const own = group.filter((r) => r.bait === bait);
          return {
            bait,
            rods: Math.max(1, ...own.map((r) => r.rods ?? 0), own.some((r) => r.rods !== null) ? 1 : rods),
            fish: own.flatMap((r) =>
              Array.from({ length: r.fish }, () => ({ species: r.species, lengthMm: r.fish === 1 ? r.lengthMm : null, atMs: r.atMs })),
            ),
          };
        }),
      });
    }
    return { date, fromMs: stops[0]?.fromMs ?? next, toMs: stops.at(-1)?.toMs ?? next, stops };
  });
  return { trips: trips.filter((t) => t.stops.length > 0), without };
}

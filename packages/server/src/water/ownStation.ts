// What a station by address says now, in whatever layout it says it.
import type { StationReading, StationTried } from '@bluffwind/contract/stations';
import { type ReadingKind, isTableKind, readingKindOf, readReadingFile, tableOf } from '@bluffwind/core/formats/readingFile';
import { guessMapping } from '@bluffwind/core/formats/readingsCsv';
import { isVariable } from '@bluffwind/core/weather/variables';
import { type FetchTerms, fetchOutside } from '../http/fetchOutside';

export interface Spoken {
  readonly readings: readonly { readonly atMs: number; readonly variable: string; readonly value: number; readonly member: number }[];
  readonly refused: readonly { readonly line: number; readonly reason: string; readonly remedy: string }[];
}

/** Reads an answer. Throws an Error in plain words. */
export function readAnswer(text: string, reading: StationReading, zone: string, nowMs: number): Spoken {
  const { readings, refused } = readReadingFile(text, reading.kind, { mapping: reading.mapping, zone, nowMs, unit: reading.unit });
  return {
    readings: readings
      .filter((r) => isVariable(r.variable) && Number.isFinite(r.value))
      .map((r) => ({ atMs: r.atMs, variable: r.variable, value: r.value, member: 'member' in r ? r.member : 0 })),
    refused: refused.map(({ line, reason, remedy }) => ({ line, reason, remedy })),
  };
}

/** Asks a station of the crew. Throws an Error in plain words. */
export async function askStation(url: string, reading: StationReading, zone: string, nowMs: number, terms: FetchTerms): Promise<Spoken> {
  return readAnswer(await fetchOutside(url, terms), reading, zone, nowMs);
}

const MOST_ROWS = 5;
const MOST_REFUSED = 20;

/** Tries an address: what it answers, how that would be read, and the newest of each. Throws an Error in plain words. */
export async function tryStation(
  url: string,
  wanted: StationReading | null,
  zone: string,
  nowMs: number,
  terms: FetchTerms,
): Promise<StationTried> {
  const text = await fetchOutside(url, terms);
  if (text.trim() === '') throw new Error('it answers nothing');
  const kind: ReadingKind = wanted?.kind ?? readingKindOf(text);
  const table = isTableKind(kind) ? tableOf(text, kind) : null;
  const reading: StationReading = wanted ?? { kind, unit: 'metric', mapping: table ? plain(guessMapping(table, zone)) : null };
  const chosen = !table || (reading.mapping !== null && reading.mapping.values.length > 0 && reading.mapping.timeColumns.length > 0);
  const { readings, refused } = chosen ? readAnswer(text, reading, zone, nowMs) : { readings: [], refused: [] };
  const latest = new Map<string, { at: number; value: number }>();
  for (const r of readings)
    if (r.atMs <= nowMs && r.atMs > (latest.get(r.variable)?.at ?? 0)) latest.set(r.variable, { at: r.atMs, value: r.value });
  return {
    reading,
    header: [...(table?.header ?? [])],
    rows: (table?.records ?? []).slice(0, MOST_ROWS).map((r) => [...r.cells]),
    readings: readings.length,
    ahead: readings.filter((r) => r.atMs > nowMs).length,
    latest: [...latest].map(([variable, { at, value }]) => ({ variable, at: new Date(at).toISOString(), value })),
    refused: refused.slice(0, MOST_REFUSED),
  };
}

const plain = (m: ReturnType<typeof guessMapping>): NonNullable<StationReading['mapping']> => ({
  ...m,
  timeColumns: [...m.timeColumns],
  values: m.values.map((v) => ({ ...v })),
});

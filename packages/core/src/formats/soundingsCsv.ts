// Soundings from a table of positions and depths: which columns, which unit, and whether depths count down or up.
import { clockReader } from './localTime';
import { decimalOf, parseNumber } from './number';
import { positionFault } from './places';
import { quote, type Refused } from './refused';
import type { TrackSounding } from './nmeaLog';
import type { Table } from './table';
import { inputUnit } from './unitsOf';

/** How a table of soundings is to be read. */
export interface SoundingMapping {
  readonly latColumn: number;
  readonly lonColumn: number;
  readonly depthColumn: number;
  readonly timeColumn: number | null;
  readonly zone: string;
  readonly unit: string;
  /** Depths written negative below the surface. */
  readonly positiveUp: boolean;
  readonly decimal: '.' | ',';
  /** The projection that x and y are metres of; null for degrees. */
  readonly projection: string | null;
}

export interface SoundingsRead {
  readonly soundings: readonly TrackSounding[];
  readonly refused: readonly Refused[];
}

/** A first guess from the header and first lines; the user confirms it. */
export function guessSoundingMapping(table: Table, zone: string): SoundingMapping {
  const at = (pattern: RegExp, fallback: number) => {
    const i = table.header.findIndex((h) => pattern.test(h.trim()));
    return i >= 0 ? i : fallback;
  };
  const depthColumn = at(/(depth|^z$|sounding|tiefe)/i, 2);
  const name = table.header[depthColumn] ?? '';
  const sample = table.records.slice(0, 200).map((r) => r.cells[depthColumn] ?? '');
  const decimal = decimalOf([...sample, ...table.records.slice(0, 50).flatMap((r) => r.cells)]);
  const figures = sample.map((s) => parseNumber(s, decimal)).filter((v) => v !== null);
  const time = at(/(time|date|utc)/i, -1);
  const latColumn = at(/^(lat|north|y$)/i, 0);
  const lonColumn = at(/^(lon|lng|east|x$)/i, 1);
  const beyond = table.records
    .slice(0, 50)
    .some(
      (r) =>
        Math.abs(parseNumber(r.cells[latColumn] ?? '', decimal) ?? 0) > 180 ||
        Math.abs(parseNumber(r.cells[lonColumn] ?? '', decimal) ?? 0) > 180,
    );
  return {
    latColumn,
    lonColumn,
    // Where figures are no degrees they are metres of a projection, which is chosen.
    projection: beyond ? '' : null,
    depthColumn,
    timeColumn: time < 0 ? null : time,
    zone,
    unit: /(ft|feet)/i.test(name) ? 'ft' : /(fm|fathom)/i.test(name) ? 'fm' : 'm',
    positiveUp: figures.length > 0 && figures.filter((v) => v < 0).length > figures.length / 2,
    decimal,
  };
}

/** Deeper than any water this is for, m: the unit is wrong. */
const DEEPEST_M = 1000;

/** Figures alone in lines, as surveys give them: x, y and depth with blanks between and no head. */
const BARE = /^\s*[-+]?[\d.]+(?:e[-+]?\d+)?[ \t]+[-+]?[\d.]+(?:e[-+]?\d+)?[ \t]+[-+]?[\d.]+(?:e[-+]?\d+)?(?:[ \t]+\S+)*\s*$/i;

/** A text of bare figures as a table with the columns x, y and z; null when it is none. */
export function xyzTable(text: string): Table | null {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\n|\r/);
  const told = lines.findIndex((l) => l.trim() !== '' && !l.startsWith('#'));
  if (told < 0 || !BARE.test(lines[told] ?? '')) return null;
  const records = lines.flatMap((l, i) => (l.trim() === '' || l.startsWith('#') ? [] : [{ line: i + 1, cells: l.trim().split(/\s+/) }]));
  return { header: ['x', 'y', 'z'], records, delimiter: ' ' };
}

/**
 * Reads soundings by a mapping; bad lines are refused one by one.
 * @param turn - Metres of the mapping's projection to [longitude, latitude]; needed where it has one.
 */
export function readSoundings(table: Table, m: SoundingMapping, turn?: (x: number, y: number) => readonly [number, number]): SoundingsRead {
  const unit = inputUnit('depthM', m.unit);
  const clock = clockReader(m.zone, 'dmy');
  const soundings: TrackSounding[] = [];
  const refused: Refused[] = [];
  for (const { line, cells } of table.records) {
    const refuse = (reason: string, remedy: string) => refused.push({ line, text: quote(cells.join(' ')), reason, remedy });
    const [y, x, raw] = [m.latColumn, m.lonColumn, m.depthColumn].map((c) => parseNumber(cells[c] ?? '', m.decimal));
    if (y == null || x == null || raw == null) {
      refuse('latitude, longitude or depth is not a number', `Check the columns and the decimal sign (${m.decimal}).`);
      continue;
    }
    const [lon, lat] = m.projection !== null && turn ? turn(x, y) : [x, y];
    const fault = positionFault(lat, lon);
    if (fault) {
      refuse(fault.reason, fault.remedy);
      continue;
    }
    const soundedM = unit.toSi(m.positiveUp ? -raw : raw);
    if (soundedM > DEEPEST_M || soundedM < -20) {
      refuse(`a depth of ${soundedM.toFixed(0)} m cannot be`, 'Check the unit, and whether depths count up or down.');
      continue;
    }
    const text = m.timeColumn === null ? '' : (cells[m.timeColumn] ?? '');
    const time = text === '' ? null : clock(text);
    if (time && !('atMs' in time)) {
      refuse(time.reason, time.remedy);
      continue;
    }
    soundings.push({ lat, lon, soundedM, offsetM: null, atMs: time?.atMs ?? null });
  }
  return { soundings, refused };
}

// Sentences of NMEA 0183 that a boat's instruments send, with their checksum (exclusive or of what stands between $ and *).
// Fields after the public summaries of the standard; checked against nmea-simple.
import { nth } from '../units/indexed';

/** What one sentence says, SI; only what was valid in it. */
export interface NmeaFact {
  readonly kind: 'position' | 'depth' | 'water temperature' | 'wind' | 'time';
  readonly lat?: number;
  readonly lon?: number;
  /** Instant, when the sentence has date and time; Unix ms. */
  readonly atMs?: number;
  /** Time of day alone, ms since midnight UTC. */
  readonly timeOfDayMs?: number;
  /** Depth below the transducer, m, and the offset to surface (positive) or keel (negative) that it gives. */
  readonly depthM?: number;
  readonly offsetM?: number;
  readonly tempC?: number;
  readonly windMps?: number;
  /** Degrees: from the bow when relative, else true. */
  readonly windFromDeg?: number;
  readonly relative?: boolean;
  readonly speedMps?: number;
  readonly courseDeg?: number;
}

export type NmeaLine = { readonly fact: NmeaFact | null } | { readonly reason: string; readonly remedy: string };

const KNOT = 1852 / 3600;
const LONGEST = 160;

/** Checksum of the text between $ and *, two hex digits. */
export function nmeaChecksum(body: string): string {
  let sum = 0;
  for (let i = 0; i < body.length; i++) sum ^= body.charCodeAt(i);
  return sum.toString(16).toUpperCase().padStart(2, '0');
}

/** A sentence with its checksum and line end. */
export const nmeaSentence = (body: string): string => `$${body}*${nmeaChecksum(body)}\r\n`;

/** Reads one line. A sentence that is well formed but says nothing used here gives the fact null. */
export function parseNmea(line: string): NmeaLine {
  const t = line.trim();
  if (t.length > LONGEST) return { reason: 'the line is longer than a sentence can be', remedy: 'Check that it is an NMEA 0183 log.' };
  const m = /^[$!]([A-Z]{2}[A-Z0-9]{3},[^*]*)(?:\*([0-9A-Fa-f]{2}))?$/.exec(t);
  if (!m) return { reason: 'it is not an NMEA sentence', remedy: 'Check that it is an NMEA 0183 log.' };
  const body = nth(m, 1);
  if (m[2] === undefined) return { reason: 'the checksum is missing', remedy: 'The line was cut off; it is passed over.' };
  if (m[2].toUpperCase() !== nmeaChecksum(body))
    return {
      reason: `the checksum is ${m[2]}, expected ${nmeaChecksum(body)}`,
      remedy: 'The line was garbled on the way; it is passed over.',
    };
  const f = body.split(',');
  return { fact: factOf(nth(f, 0).slice(2), f) };
}

function factOf(type: string, f: readonly string[]): NmeaFact | null {
  switch (type) {
    case 'RMC': {
      if (f[2] !== 'A') return null;
      const p = position(f[3], f[4], f[5], f[6]);
      const timeOfDayMs = timeOfDay(f[1]);
      const day = date(f[9]);
      return (
        p && {
          kind: 'position',
          ...p,
          ...(timeOfDayMs === null ? {} : { timeOfDayMs, ...(day === null ? {} : { atMs: day + timeOfDayMs }) }),
          ...some('speedMps', scale(f[7], KNOT)),
          ...some('courseDeg', num(f[8])),
        }
      );
    }
    case 'GGA': {
      if (!f[6] || f[6] === '0') return null;
      const p = position(f[2], f[3], f[4], f[5]);
      return p && { kind: 'position', ...p, ...some('timeOfDayMs', timeOfDay(f[1])) };
    }
    case 'GLL': {
      if (f[6] !== 'A') return null;
      const p = position(f[1], f[2], f[3], f[4]);
      return p && { kind: 'position', ...p, ...some('timeOfDayMs', timeOfDay(f[5])) };
    }
    case 'ZDA': {
      const t = timeOfDay(f[1]);
      const [d, mo, y] = [num(f[2]), num(f[3]), num(f[4])];
      return t === null || d === null || mo === null || y === null ? null : { kind: 'time', atMs: Date.UTC(y, mo - 1, d) + t };
    }
    case 'DPT': {
      const depthM = num(f[1]);
      return depthM === null ? null : { kind: 'depth', depthM, offsetM: num(f[2]) ?? 0 };
    }
    case 'DBT': {
      const depthM = num(f[3]) ?? scale(f[1], 0.3048) ?? scale(f[5], 1.8288);
      return depthM === null ? null : { kind: 'depth', depthM, offsetM: 0 };
    }
    case 'MTW': {
      const tempC = num(f[1]);
      return tempC === null ? null : { kind: 'water temperature', tempC: f[2] === 'F' ? (tempC - 32) / 1.8 : tempC };
    }
    case 'MWV': {
      if (f[5] !== 'A') return null;
      const factor = { N: KNOT, M: 1, K: 1 / 3.6, S: 0.44704 }[f[4] ?? ''];
      const windMps = factor === undefined ? null : scale(f[3], factor);
      const deg = num(f[1]);
      return windMps === null || deg === null ? null : { kind: 'wind', windMps, windFromDeg: deg, relative: f[2] !== 'T' };
    }
    case 'MWD': {
      const windMps = num(f[7]) ?? scale(f[5], KNOT);
      const deg = num(f[1]);
      return windMps === null || deg === null ? null : { kind: 'wind', windMps, windFromDeg: deg, relative: false };
    }
    default:
      return null;
  }
}

function num(text: string | undefined): number | null {
  if (text === undefined || !/^[+-]?\d+(\.\d+)?$/.test(text)) return null;
  return Number(text);
}
const scale = (text: string | undefined, factor: number) => {
  const v = num(text);
  return v === null ? null : v * factor;
};
// biome-ignore lint/plugin: a computed key is a string to the compiler, whatever its type.
const some = <K extends string>(key: K, value: number | null) => (value === null ? {} : ({ [key]: value } as Record<K, number>));

function timeOfDay(text: string | undefined): number | null {
  const m = /^(\d{2})(\d{2})(\d{2})(\.\d+)?$/.exec(text ?? '');
  if (!m || Number(m[1]) > 23 || Number(m[2]) > 59 || Number(m[3]) > 60) return null;
  return (Number(m[1]) * 3600 + Number(m[2]) * 60 + Number(m[3]) + Number(m[4] ?? 0)) * 1000;
}

function date(text: string | undefined): number | null {
  const m = /^(\d{2})(\d{2})(\d{2})$/.exec(text ?? '');
  // Two digits: no sounder log is older than 1990.
  return m ? Date.UTC(Number(m[3]) + (Number(m[3]) >= 90 ? 1900 : 2000), Number(m[2]) - 1, Number(m[1])) : null;
}

function position(lat?: string, ns?: string, lon?: string, ew?: string): { lat: number; lon: number } | null {
  const degrees = (text: string | undefined, digits: number) => {
    const m = new RegExp(`^(\\d{${digits}})(\\d{2}(?:\\.\\d+)?)$`).exec(text ?? '');
    return m && Number(m[2]) < 60 ? Number(m[1]) + Number(m[2]) / 60 : null;
  };
  const [a, o] = [degrees(lat, 2), degrees(lon, 3)];
  if (a === null || o === null || a > 90 || o > 180 || !/^[NS]$/.test(ns ?? '') || !/^[EW]$/.test(ew ?? '')) return null;
  return { lat: ns === 'S' ? -a : a, lon: ew === 'W' ? -o : o };
}

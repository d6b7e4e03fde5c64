// Date and time as files write them, with or without a zone, to instants. Hours that a clock change skips do not exist;
// hours that it repeats are told apart by the order of the file or by an offset.
import { HOUR, MINUTE, zoneOffsetMin } from '../units/time';
import { lastOf, num } from '../units/indexed';

/** A wall-clock time read against a zone. */
export type LocalInstant =
  | { readonly kind: 'one'; readonly atMs: number }
  /** The clock was put forward over it. */
  | { readonly kind: 'skipped' }
  /** The clock was put back: both instants. */
  | { readonly kind: 'twice'; readonly firstMs: number; readonly secondMs: number };

/** Instants at which a zone's clock shows a wall time (given as if it were UTC, Unix ms). */
export function fromWallClock(wallMs: number, zone: string): LocalInstant {
  // Offsets lie within 14 hours; a change is seen from a day on either side.
  const offsets = new Set([-24, -3, 3, 24].map((h) => zoneOffsetMin(wallMs + h * HOUR, zone)));
  const hits = [...offsets]
    .map((o) => wallMs - o * MINUTE)
    .filter((at) => at + zoneOffsetMin(at, zone) * MINUTE === wallMs)
    .sort((a, b) => a - b);
  const distinct = [...new Set(hits)];
  if (distinct.length === 0) return { kind: 'skipped' };
  if (distinct.length === 1) return { kind: 'one', atMs: num(distinct, 0) };
  return { kind: 'twice', firstMs: num(distinct, 0), secondMs: lastOf(distinct) };
}

/** How day and month stand in dates such as 03/04/2026. */
export type DateOrder = 'dmy' | 'mdy';

interface Parts {
  readonly wallMs: number;
  /** Minutes east of UTC, or null without a zone. */
  readonly offsetMin: number | null;
}

const ISO = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ](\d{1,2}):?(\d{2})(?::?(\d{2})(?:[.,]\d+)?)?)?\s*(Z|UTC|GMT|[+-]\d{2}:?\d{2}|[+-]\d{2})?$/i;
const SLASHED = /^(\d{1,2})([/.])(\d{1,2})[/.](\d{4})(?:,?\s+(\d{1,2}):(\d{2})(?::(\d{2}))?)?\s*(Z|UTC|GMT|[+-]\d{2}:?\d{2})?$/i;
const UNIX = /^1[0-9]{9}(\d{3})?$/;

/** Reads a date with time; null when it is neither ISO 8601, a slashed or dotted date, nor Unix seconds. */
export function parseDateTime(text: string, order: DateOrder = 'dmy'): Parts | null {
  const t = text.trim();
  if (UNIX.test(t)) return { wallMs: t.length === 13 ? Number(t) : Number(t) * 1000, offsetMin: 0 };
  const iso = ISO.exec(t);
  if (iso) return partsOf(iso[1], iso[2], iso[3], iso[4], iso[5], iso[6], iso[7]);
  const s = SLASHED.exec(t);
  if (!s) return null;
  // A dotted date has its day first everywhere that dots are used.
  const dayFirst = s[2] === '.' || order === 'dmy';
  return partsOf(s[4], dayFirst ? s[3] : s[1], dayFirst ? s[1] : s[3], s[5], s[6], s[7], s[8]);
}

function partsOf(year?: string, month?: string, day?: string, hour = '0', minute = '0', second = '0', zone?: string): Parts | null {
  const [y, mo, d] = [Number(year), Number(month), Number(day)];
  const [h, mi, se] = [Number(hour), Number(minute), Number(second)];
  if (mo < 1 || mo > 12 || h > 24 || mi > 59 || se > 60) return null;
  const wallMs = Date.UTC(y, mo - 1, d, h, mi, se);
  if (new Date(Date.UTC(y, mo - 1, d)).getUTCDate() !== d) return null;
  return { wallMs, offsetMin: zone === undefined ? null : offsetOf(zone) };
}

function offsetOf(zone: string): number {
  if (/^(Z|UTC|GMT)$/i.test(zone)) return 0;
  const m = /^([+-])(\d{2}):?(\d{2})?$/.exec(zone);
  return m ? (m[1] === '-' ? -1 : 1) * (Number(m[2]) * 60 + Number(m[3] ?? 0)) : 0;
}

/**
 * Turns a file's times into instants one after the other. A repeated hour is taken the first time round until the file's
 * clock jumps back, then the second time round.
 * @param zone - IANA zone for times without one.
 * @returns For each text an instant, or what is wrong with it.
 */
export function clockReader(zone: string, order: DateOrder): (text: string) => { atMs: number } | { reason: string; remedy: string } {
  let lastWall = Number.NEGATIVE_INFINITY;
  let second = false;
  return (text) => {
    const parts = parseDateTime(text, order);
    if (!parts)
      return {
        reason: `"${text.slice(0, 40)}" is not a date and time`,
        remedy: 'Write it as 2026-06-18 17:40, with an offset such as +02:00 if it has one.',
      };
    if (parts.offsetMin !== null) return { atMs: parts.wallMs - parts.offsetMin * MINUTE };
    const local = fromWallClock(parts.wallMs, zone);
    if (local.kind === 'skipped')
      return {
        reason: `${text} does not exist in ${zone}: the clock was put forward over it`,
        remedy: 'Check the zone chosen for the file, or add the offset to the time.',
      };
    if (local.kind === 'one') {
      [lastWall, second] = [parts.wallMs, false];
      return { atMs: local.atMs };
    }
    if (parts.wallMs < lastWall) second = true;
    lastWall = parts.wallMs;
    return { atMs: second ? local.secondMs : local.firstMs };
  };
}

/** Milliseconds in a minute, an hour and a day. */
export const MINUTE = 60_000;
export const HOUR = 3_600_000;
export const DAY = 86_400_000;

/** Formatters by zone: making one takes two hundred times as long as using it. */
const formatters = new Map<string, Intl.DateTimeFormat>();

function formatterOf(zone: string): Intl.DateTimeFormat {
  const known = formatters.get(zone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    second: 'numeric',
  });
  formatters.set(zone, made);
  return made;
}

/**
 * Offset of a zone from UTC at an instant.
 * @param atMs - Instant, Unix milliseconds.
 * @param zone - IANA zone name; throws RangeError when unknown.
 * @returns Minutes to add to UTC to get local time.
 */
export function zoneOffsetMin(atMs: number, zone: string): number {
  const parts = formatterOf(zone).formatToParts(atMs);
  const n = (type: string) => Number(parts.find((p) => p.type === type)?.value);
  const local = Date.UTC(n('year'), n('month') - 1, n('day'), n('hour'), n('minute'), n('second'));
  return Math.round((local - Math.floor(atMs / 1000) * 1000) / MINUTE);
}

/** Calendar date (YYYY-MM-DD) of an instant in a zone. */
export function localDate(atMs: number, zone: string): string {
  return new Date(atMs + zoneOffsetMin(atMs, zone) * MINUTE).toISOString().slice(0, 10);
}

/** Clock time (HH:MM) of an instant in a zone. */
export function localTime(atMs: number, zone: string): string {
  return new Date(atMs + zoneOffsetMin(atMs, zone) * MINUTE).toISOString().slice(11, 16);
}

/** Hour of the day of an instant in a zone, 0 to 24 with its fraction. */
export function localHour(atMs: number, zone: string): number {
  const [h = '0', m = '0'] = localTime(atMs, zone).split(':');
  return Number(h) + Number(m) / 60;
}

/**
 * Instant of local midnight that begins a date in a zone.
 * @param date - YYYY-MM-DD; throws RangeError when it is not a calendar date.
 */
export function startOfLocalDay(date: string, zone: string): number {
  const utc = Date.parse(`${date}T00:00:00Z`);
  if (!/^\d{4}-\d{2}-\d{2}$/.test(date) || Number.isNaN(utc)) {
    throw new RangeError(`date: expected YYYY-MM-DD, got ${date}`);
  }
  // Twice, because the offset at the first guess may lie on the other side of a clock change.
  const guess = utc - zoneOffsetMin(utc, zone) * MINUTE;
  return utc - zoneOffsetMin(guess, zone) * MINUTE;
}

/** The date a number of days after (or, when negative, before) a date. */
export function addDays(date: string, days: number): string {
  return new Date(Date.parse(`${date}T00:00:00Z`) + days * DAY).toISOString().slice(0, 10);
}

/** Days from one date to another, negative when the other lies before. */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY);
}

/** The day that can still be planned at an instant: from three in the afternoon on it is the next one. */
export function planningDay(atMs: number, zone: string): string {
  return localDate(atMs + 9 * HOUR, zone);
}

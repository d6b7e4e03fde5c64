import { compassPoint } from '@bluffwind/core/units/angle';
import { localDate, localTime } from '@bluffwind/core/units/time';

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

/** Clock time of an instant in a zone. */
export const clock = (at: number | string, zone: string): string => localTime(typeof at === 'string' ? Date.parse(at) : at, zone);

/** "Fri 19 June" of an instant in a zone. */
export function dayName(at: number | string, zone: string): string {
  return dateName(localDate(typeof at === 'string' ? Date.parse(at) : at, zone));
}

/** "Fri 19 June" of a calendar date. */
export function dateName(date: string): string {
  const d = new Date(`${date}T00:00:00Z`);
  return `${DAYS[d.getUTCDay()]} ${d.getUTCDate()} ${MONTHS[d.getUTCMonth()]}`;
}

/** Two figures: 0.42, 1.4, 12. */
export function rate(value: number): string {
  if (value >= 9.95) return value.toFixed(0);
  return value >= 0.995 ? value.toFixed(1) : value.toFixed(2);
}

/** Fish to one decimal. */
export const fish = (value: number): string => (value < 9.95 ? value.toFixed(1) : value.toFixed(0));

/** Depth to 0.1 m below 10 m, whole metres deeper. */
export const depth = (m: number): string => (Math.abs(m) < 10 ? m.toFixed(1) : m.toFixed(0));

/** "SW 4" or "calm". */
export function wind(mps: number | null, fromDeg: number | null): string {
  if (mps === null || fromDeg === null) return 'not known';
  return mps < 0.5 ? 'calm' : `${compassPoint(fromDeg)} ${mps.toFixed(0)}`;
}

/** "action", "size" ... as a guide says a goal. */
export const GOALS = { numbers: 'action', size: 'one big fish', table: 'dinner', learn: 'to learn' } as const;

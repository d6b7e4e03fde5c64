import { compassPoint } from '@bluffwind/core/units/angle';
import { clockWords, dateWords } from '@bluffwind/core/units/measure';
import { localDate, localTime } from '@bluffwind/core/units/time';
import { amount, inMine, myUnits } from '../data/units';

/** Clock time of an instant in a zone. */
export const clock = (at: number | string, zone: string): string =>
  clockWords(localTime(typeof at === 'string' ? Date.parse(at) : at, zone), myUnits());

/** "Fri 19 June" of an instant in a zone. */
export function dayName(at: number | string, zone: string): string {
  return dateName(localDate(typeof at === 'string' ? Date.parse(at) : at, zone));
}

/** "Fri 19 June" or "Fri June 19" of a calendar date. */
export const dateName = (date: string): string => dateWords(date, myUnits());

/** Two figures: 0.42, 1.4, 12. */
export function rate(value: number): string {
  if (value >= 9.95) return value.toFixed(0);
  return value >= 0.995 ? value.toFixed(1) : value.toFixed(2);
}

/** Fish to one decimal. */
export const fish = (value: number): string => (value < 9.95 ? value.toFixed(1) : value.toFixed(0));

/** Depth to 0.1 m below 10 m, whole metres deeper: "3.2 m". */
export const depth = (m: number): string => amount(m, 'depth', Math.abs(m) < 10 ? 1 : 0);

/** "SW 4 m/s", "calm" or "not known". */
export function wind(mps: number | null, fromDeg: number | null): string {
  if (mps === null || fromDeg === null) return 'not known';
  return mps < 0.5 ? 'calm' : `${compassPoint(fromDeg)} ${amount(mps, 'wind', 0)}`;
}

/** The same without its unit, where that stands beside it. */
export function windFigure(mps: number, fromDeg: number): string {
  return mps < 0.5 ? 'calm' : `${compassPoint(fromDeg)} ${inMine(mps, 'wind').toFixed(0)}`;
}

/** "action", "size" ... as a guide says a goal. */
export const GOALS = { numbers: 'action', size: 'one big fish', table: 'dinner', learn: 'to learn' } as const;

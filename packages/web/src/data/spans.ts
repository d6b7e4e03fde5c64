// The hours that screens show of a water, in one place: what is taken along must be what is asked for.
import { DAY, HOUR, startOfLocalDay } from '@bluffwind/core/units/time';

type Span = [from: number, to: number];

/** The daylight round a trip. */
export const tripSpan = (startMs: number, endMs: number): Span => [startMs - 2.5 * HOUR, endMs + 4 * HOUR];

/** Water: the days before and after; in the pocket today and tomorrow, so that the hours can be read. */
export function waterSpan(today: string, zone: string, pocket: boolean): Span {
  const start = startOfLocalDay(today, zone);
  return pocket ? [start, start + 2 * DAY] : [start - 2 * DAY, start + 2.9 * DAY];
}

/** The Board: the day's hours of use. */
export function boardSpan(day: string, zone: string): Span {
  const start = startOfLocalDay(day, zone);
  return [start + 4 * HOUR, start + 22 * HOUR];
}

/** Grounds: from this morning to tomorrow night. */
export function groundsSpan(today: string, zone: string): Span {
  const start = startOfLocalDay(today, zone);
  return [start + 4 * HOUR, start + 46 * HOUR];
}

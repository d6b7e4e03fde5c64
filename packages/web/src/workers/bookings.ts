// Bookings out of a calendar file (RFC 5545), with those that come again written out one by one.
import { fromWallClock } from '@bluffwind/core/formats/localTime';
import { quote, type Refused, requireSize, UnreadableFile } from '@bluffwind/core/formats/refused';
import { HOUR } from '@bluffwind/core/units/time';
import ICAL from 'ical.js';

export interface Booking {
  /** What its calendar calls it; of one that comes again, with the day that it was first meant for. */
  readonly key: string;
  readonly title: string;
  readonly place: string;
  readonly note: string;
  readonly fromMs: number;
  readonly toMs: number;
  /** It has a day and no hours; those above are usual ones. */
  readonly allDay: boolean;
  /** It was called off in its own calendar. */
  readonly off: boolean;
}

export interface BookingsRead {
  readonly bookings: readonly Booking[];
  readonly refused: readonly Refused[];
}

/** Hours of a booking that names a day only. */
const USUAL_FROM_H = 7;
const USUAL_TO_H = 13;
const MOST_BOOKINGS = 1000;
/** Times that one which comes again is followed, whether they lie within the span or not. */
const MOST_TIMES = 5000;
const MOST_NOTE = 400;

/**
 * Reads the bookings that begin within a span, in their order of time.
 * @param zone - IANA zone of times that name none, or one that nobody knows.
 * @throws UnreadableFile when it is no calendar.
 */
export function readBookings(text: string, { zone, fromMs, toMs }: { zone: string; fromMs: number; toMs: number }): BookingsRead {
  requireSize(text.length);
  let events: ICAL.Component[];
  try {
    events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
  } catch {
    throw new UnreadableFile('It is no calendar that can be read.', 'Save it anew from the calendar as a file that ends in .ics.');
  }
  const bookings: Booking[] = [];
  const refused: Refused[] = [];
  for (const [i, component] of events.entries()) {
    const event = new ICAL.Event(component);
    // It stands for one time of another, and is met there.
    if (event.isRecurrenceException()) continue;
    try {
      for (const one of timesOf(event, toMs, zone)) if (one.fromMs >= fromMs && one.fromMs <= toMs) bookings.push(one);
    } catch (error) {
      refused.push({
        line: i + 1,
        text: quote(event.summary ?? ''),
        reason: (error as Error).message,
        remedy: 'Look at it in its own calendar; make the trip by hand if it is one.',
      });
    }
  }
  bookings.sort((a, b) => a.fromMs - b.fromMs);
  if (bookings.length > MOST_BOOKINGS)
    throw new UnreadableFile(
      `It holds ${bookings.length} bookings ahead.`,
      `At most ${MOST_BOOKINGS} are taken at once; give a shorter calendar.`,
    );
  return { bookings, refused };
}

function* timesOf(event: ICAL.Event, toMs: number, zone: string): Generator<Booking> {
  if (!event.startDate) throw new Error('it has no beginning');
  if (!event.isRecurring()) {
    yield bookingOf(event, event.startDate, event.endDate, event.uid ?? '', zone);
    return;
  }
  const times = event.iterator();
  for (let n = 0; n < MOST_TIMES; n++) {
    const next = times.next();
    if (!next || instantOf(next, zone, event) > toMs) return;
    const { item, startDate, endDate, recurrenceId } = event.getOccurrenceDetails(next);
    yield bookingOf(item, startDate, endDate, `${event.uid} ${recurrenceId.toString()}`, zone);
  }
}

function bookingOf(event: ICAL.Event, start: ICAL.Time, end: ICAL.Time, key: string, zone: string): Booking {
  if (key.trim() === '') throw new Error('it has no name of its own (UID)');
  const allDay = start.isDate;
  const fromMs = allDay ? wall(start, USUAL_FROM_H, zone) : instantOf(start, zone, event);
  const toMs = allDay ? wall(start, USUAL_TO_H, zone) : instantOf(end, zone, event);
  if (!(toMs > fromMs)) throw new Error('it ends before it begins');
  const trimmed = (words: string | null | undefined, most: number) => (words ?? '').replaceAll(/\s+/g, ' ').trim().slice(0, most);
  return {
    key: key.slice(0, 400),
    title: trimmed(event.summary, 120),
    place: trimmed(event.location, 200),
    note: trimmed(event.description, MOST_NOTE),
    fromMs,
    toMs,
    allDay,
    off: String(event.component.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED',
  };
}

/** An hour of the day of a date, in a zone. */
const wall = (t: ICAL.Time, hour: number, zone: string): number => clockAt(Date.UTC(t.year, t.month - 1, t.day, hour), zone);

/** A calendar's time: in UTC, by the zone that the file describes, by one that is known by its name, or by the outfit's. */
function instantOf(t: ICAL.Time, zone: string, event: ICAL.Event): number {
  if (t.zone && t.zone.tzid !== 'floating') return t.toUnixTime() * 1000;
  const named = event.component.getFirstProperty('dtstart')?.getFirstParameter('tzid');
  return clockAt(Date.UTC(t.year, t.month - 1, t.day, t.hour, t.minute, t.second), named && isZone(named) ? named : zone);
}

/** An hour that a clock change leaves out is the one after it; of one that comes twice the first is meant. */
function clockAt(wallMs: number, zone: string): number {
  const one = fromWallClock(wallMs, zone);
  if (one.kind === 'one') return one.atMs;
  if (one.kind === 'twice') return one.firstMs;
  const next = fromWallClock(wallMs + HOUR, zone);
  return next.kind === 'one' ? next.atMs : wallMs;
}

function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

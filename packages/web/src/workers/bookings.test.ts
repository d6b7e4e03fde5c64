import { describe, expect, it } from 'vitest';
import { readBookings } from './bookings';

const calendar = (...lines: string[]) => ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//A//B//EN', ...lines, 'END:VCALENDAR'].join('\r\n');
const event = (...lines: string[]) => ['BEGIN:VEVENT', 'DTSTAMP:20260101T000000Z', ...lines, 'END:VEVENT'];
const YEARS = { zone: 'Etc/GMT+2', fromMs: Date.UTC(1997, 0, 1), toMs: Date.UTC(2030, 0, 1) };
const iso = (ms: number | undefined) => new Date(ms ?? 0).toISOString();

describe('a calendar of bookings', () => {
  // RFC 5545, 3.8.5.3, from memory: daily for ten occurrences, and its zone as 3.6.5 describes it.
  it('follows the zone that the file describes across its clock change', () => {
    const text = calendar(
      'BEGIN:VTIMEZONE',
      'TZID:America/New_York',
      'BEGIN:DAYLIGHT',
      'DTSTART:19970406T020000',
      'RRULE:FREQ=YEARLY;BYDAY=1SU;BYMONTH=4',
      'TZOFFSETFROM:-0500',
      'TZOFFSETTO:-0400',
      'END:DAYLIGHT',
      'BEGIN:STANDARD',
      'DTSTART:19971026T020000',
      'RRULE:FREQ=YEARLY;BYDAY=-1SU;BYMONTH=10',
      'TZOFFSETFROM:-0400',
      'TZOFFSETTO:-0500',
      'END:STANDARD',
      'END:VTIMEZONE',
      ...event('UID:a', 'SUMMARY:Party', 'DTSTART;TZID=America/New_York:19971020T090000', 'DURATION:PT4H', 'RRULE:FREQ=DAILY;COUNT=10'),
    );
    const { bookings } = readBookings(text, YEARS);
    expect(bookings).toHaveLength(10);
    expect(iso(bookings[0]?.fromMs)).toBe('1997-10-20T13:00:00.000Z');
    expect(iso(bookings[9]?.fromMs)).toBe('1997-10-29T14:00:00.000Z');
    expect((bookings[9]?.toMs ?? 0) - (bookings[9]?.fromMs ?? 0)).toBe(4 * 3_600_000);
  });
  it('takes out the days that are excepted and puts the changed one where it was moved', () => {
    const text = calendar(
      ...event(
        'UID:w',
        'SUMMARY:Weekly',
        'DTSTART:20260601T060000Z',
        'DTEND:20260601T100000Z',
        'RRULE:FREQ=WEEKLY;COUNT=4',
        'EXDATE:20260608T060000Z',
      ),
      ...event('UID:w', 'SUMMARY:Weekly, later', 'RECURRENCE-ID:20260615T060000Z', 'DTSTART:20260615T080000Z', 'DTEND:20260615T120000Z'),
    );
    const { bookings } = readBookings(text, YEARS);
    expect(bookings.map((b) => [b.title, iso(b.fromMs)])).toEqual([
      ['Weekly', '2026-06-01T06:00:00.000Z'],
      ['Weekly, later', '2026-06-15T08:00:00.000Z'],
      ['Weekly', '2026-06-22T06:00:00.000Z'],
    ]);
    expect(new Set(bookings.map((b) => b.key)).size).toBe(3);
    // The moved one keeps its name: read again after it was moved once more it is the same booking.
    expect(bookings[1]?.key).toContain('w 2026-06-15');
  });
  it('reads times without a zone as the outfit’s, those of a known zone by its name, and a day alone with usual hours', () => {
    const text = calendar(
      ...event('UID:1', 'SUMMARY:Floating', 'DTSTART:20260619T070000', 'DTEND:20260619T130000'),
      ...event('UID:2', 'SUMMARY:Named', 'DTSTART;TZID=Etc/GMT-2:20260620T070000', 'DTEND;TZID=Etc/GMT-2:20260620T130000'),
      ...event('UID:3', 'SUMMARY:Whole day', 'DTSTART;VALUE=DATE:20260621'),
    );
    expect(readBookings(text, YEARS).bookings.map((b) => [iso(b.fromMs), iso(b.toMs), b.allDay])).toEqual([
      ['2026-06-19T09:00:00.000Z', '2026-06-19T15:00:00.000Z', false],
      ['2026-06-20T05:00:00.000Z', '2026-06-20T11:00:00.000Z', false],
      ['2026-06-21T09:00:00.000Z', '2026-06-21T15:00:00.000Z', true],
    ]);
  });
  it('keeps folded and escaped words whole, and tells what was called off', () => {
    const text = calendar(
      ...event(
        'UID:f',
        'SUMMARY:Party of four\\, two',
        '  children',
        'LOCATION:North quay\\; gate 3',
        'DESCRIPTION:First line\\nsecond',
        'STATUS:CANCELLED',
        'DTSTART:20260619T090000Z',
        'DTEND:20260619T120000Z',
      ),
    );
    expect(readBookings(text, YEARS).bookings[0]).toMatchObject({
      title: 'Party of four, two children',
      place: 'North quay; gate 3',
      note: 'First line second',
      off: true,
    });
  });
  it('refuses one by one what cannot be a trip, and the whole of what is no calendar', () => {
    const text = calendar(
      ...event('UID:bad', 'SUMMARY:Backwards', 'DTSTART:20260619T090000Z', 'DTEND:20260619T080000Z'),
      ...event('SUMMARY:No name', 'DTSTART:20260619T090000Z', 'DTEND:20260619T120000Z'),
      ...event('UID:ok', 'SUMMARY:Good', 'DTSTART:20260619T090000Z', 'DTEND:20260619T120000Z'),
    );
    const read = readBookings(text, YEARS);
    expect(read.bookings.map((b) => b.title)).toEqual(['Good']);
    expect(read.refused.map((r) => r.reason)).toEqual(['it ends before it begins', 'it has no name of its own (UID)']);
    for (const junk of ['', 'hello', 'BEGIN:VCALENDAR', '{"a":1}']) expect(() => readBookings(junk, YEARS)).toThrow(/no calendar/);
  });
  it('follows one that comes again for ever only as far as it is asked', () => {
    const text = calendar(...event('UID:d', 'SUMMARY:Daily', 'DTSTART:20200101T090000Z', 'DTEND:20200101T120000Z', 'RRULE:FREQ=DAILY'));
    const span = { zone: 'UTC', fromMs: Date.UTC(2026, 5, 19), toMs: Date.UTC(2026, 5, 28, 23) };
    expect(readBookings(text, span).bookings).toHaveLength(10);
  });
});

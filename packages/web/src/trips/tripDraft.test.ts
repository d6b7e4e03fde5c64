import { describe, expect, it } from 'vitest';
import { clockTyped, hoursOf } from './tripDraft';

describe('a clock time that is typed', () => {
  it('is read as people write it', () => {
    expect(['7', '07:30', '7.30', '7h30', '7:30 pm', '12 am', '12pm', '19:45'].map(clockTyped)).toEqual([
      '07:00',
      '07:30',
      '07:30',
      '07:30',
      '19:30',
      '00:00',
      '12:00',
      '19:45',
    ]);
  });
  it('is none when there is no such time', () => {
    expect(['', '25', '7:75', '13 pm', 'noon'].map(clockTyped)).toEqual([null, null, null, null, null]);
  });
});

describe('the hours of a trip', () => {
  const hours = (date: string, from: string, to: string, zone: string) => hoursOf({ date, from, to }, zone);
  it('are those of the outfit’s own clock', () => {
    expect(hours('2026-06-19', '06:30', '13:00', 'Etc/GMT+2')).toEqual({
      startsAt: '2026-06-19T08:30:00.000Z',
      endsAt: '2026-06-19T15:00:00.000Z',
    });
  });
  it('run into the next morning when the end is before the start', () => {
    expect(hours('2026-06-19', '21:00', '2:00', 'UTC')?.endsAt).toBe('2026-06-20T02:00:00.000Z');
  });
  it('pass over the hour that a clock change leaves out', () => {
    // Clocks go from 2 to 3 in the morning of 29 March 2026 (tz database, Europe).
    expect(hours('2026-03-29', '02:30', '08:00', 'CET')?.startsAt).toBe('2026-03-29T01:30:00.000Z');
  });
  it('are none without a time', () => {
    expect(hours('2026-06-19', 'early', '13:00', 'UTC')).toBeNull();
  });
});

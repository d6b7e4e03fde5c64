import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compassPoint, turnDeg, wrapDeg } from './angle';
import { seeded } from './seeded';
import { rootBetween } from './roots';
import { addDays, HOUR, localDate, localTime, planningDay, startOfLocalDay, zoneOffsetMin } from './time';

describe('angles', () => {
  it('fold into a circle and turn the short way', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.double({ min: 0, max: 360, noNaN: true }), (a, b) => {
        expect(wrapDeg(a)).toBeGreaterThanOrEqual(0);
        expect(wrapDeg(a)).toBeLessThan(360);
        expect(Math.abs(turnDeg(a, b))).toBeLessThanOrEqual(180);
      }),
    );
    expect(turnDeg(350, 10)).toBeCloseTo(20, 9);
    expect(turnDeg(10, 350)).toBeCloseTo(-20, 9);
  });
  it('name the eight points', () => {
    expect([0, 44, 46, 180, 337, 338].map(compassPoint)).toEqual(['N', 'NE', 'NE', 'S', 'NW', 'N']);
  });
});

describe('local time', () => {
  it('finds the start of days with 23 and 25 hours (clock changes of the European Union, 2026)', () => {
    const zone = 'Europe/Paris';
    const spring = startOfLocalDay('2026-03-30', zone) - startOfLocalDay('2026-03-29', zone);
    const autumn = startOfLocalDay('2026-10-26', zone) - startOfLocalDay('2026-10-25', zone);
    expect([spring / HOUR, autumn / HOUR]).toEqual([23, 25]);
    expect(zoneOffsetMin(Date.UTC(2026, 6, 1), zone)).toBe(120);
  });
  it('has no midnight at all where the clock jumps over it, and still begins the day', () => {
    // Chile went from 24:00 to 01:00 on 6 September 2025 (tz database).
    const start = startOfLocalDay('2025-09-07', 'America/Santiago');
    expect(localDate(start + HOUR, 'America/Santiago')).toBe('2025-09-07');
  });
  it('agrees with itself for any instant and zone', () => {
    const zones = ['Etc/GMT+2', 'Asia/Kolkata', 'America/St_Johns', 'Pacific/Chatham', 'UTC'];
    fc.assert(
      fc.property(fc.integer({ min: Date.UTC(2000, 0, 1), max: Date.UTC(2040, 0, 1) }), fc.constantFrom(...zones), (at, zone) => {
        const date = localDate(at, zone);
        expect(startOfLocalDay(date, zone)).toBeLessThanOrEqual(at);
        expect(startOfLocalDay(addDays(date, 1), zone)).toBeGreaterThan(at);
      }),
    );
  });
  it('shows the clock of the zone', () => {
    expect(localTime(Date.UTC(2026, 5, 18, 19, 40), 'Etc/GMT+2')).toBe('17:40');
  });
  it('refuses what is not a date', () => {
    expect(() => startOfLocalDay('18.6.2026', 'UTC')).toThrow(/expected YYYY-MM-DD/);
  });
});

it('the seeded generator repeats itself and is even', () => {
  const [a, b] = [seeded(5), seeded(5)];
  const values = Array.from({ length: 20_000 }, () => a());
  expect(values.every((v) => v === b())).toBe(true);
  const mean = values.reduce((x, y) => x + y, 0) / values.length;
  expect(Math.abs(mean - 0.5)).toBeLessThan(0.01);
});

it('from three in the afternoon on the next day is planned', () => {
  expect(planningDay(Date.UTC(2026, 5, 18, 16, 59), 'Etc/GMT+2')).toBe('2026-06-18');
  expect(planningDay(Date.UTC(2026, 5, 18, 17), 'Etc/GMT+2')).toBe('2026-06-19');
});

it('a root is enclosed to half a second, however curved the way to it', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.02, max: 0.98, noNaN: true }), fc.integer({ min: 1, max: 7 }), (share, power) => {
      const span = 720_000;
      const f = (t: number) => (t / span) ** power - share ** power;
      expect(Math.abs(rootBetween(f, 0, span, f(0), f(span)) - share * span)).toBeLessThan(500);
    }),
  );
});

import { getMoonIllumination, getPosition } from 'suncalc';
import { describe, expect, it } from 'vitest';
import { DAY } from '../units/time';
import { moonIllumination } from './moonLight';
import { shadedSide, shadeOf, shadeRing } from './shade';
import { lightDay, skyDay } from './skyDay';
import { sunPosition } from './sunPosition';
import { lightAtDepth, refractedAngleDeg } from './underwaterLight';

const seconds = (a: number | null, iso: string) => Math.abs((a ?? Number.NaN) - Date.parse(iso)) / 1000;

describe('sky', () => {
  it('meets the NREL Solar Position Algorithm example (from memory)', () => {
    const at = Date.parse('2003-10-17T19:30:30Z');
    expect(sunPosition(at, 39.742476, -105.1786).bearingDeg).toBeCloseTo(194.34, 1);
    const day = skyDay(Date.parse('2003-10-17T07:00:00Z'), 39.742476, -105.1786);
    expect(seconds(day.sunrise, '2003-10-17T13:12:43Z')).toBeLessThan(3);
  });

  it('meets PyEphem 4.1.4 at 37.8063 N 122.4659 W within 10 s', () => {
    const day = skyDay(Date.parse('2026-06-21T12:00:00Z'), 37.8063, -122.4659);
    expect(seconds(day.sunrise, '2026-06-21T12:48:11Z')).toBeLessThan(10);
    expect(seconds(day.civilDawn, '2026-06-21T12:16:49Z')).toBeLessThan(10);
    expect(seconds(day.sunset, '2026-06-22T03:35:19Z')).toBeLessThan(10);
    expect(seconds(day.moonrise, '2026-06-21T20:11:23Z')).toBeLessThan(10);
    expect(seconds(day.moonTransit, '2026-06-22T02:14:58Z')).toBeLessThan(10);
  });

  it('agrees with suncalc within half a degree through a year', () => {
    for (let i = 0; i < 366; i += 7) {
      const at = Date.UTC(2026, 0, 1, 9 + (i % 9)) + i * DAY;
      const theirs = getPosition(new Date(at), 47.6, -35.2);
      const ours = sunPosition(at, 47.6, -35.2);
      const theirHeight = (theirs.altitude * 180) / Math.PI;
      if (theirHeight > 5) expect(Math.abs(ours.heightDeg - theirHeight)).toBeLessThan(0.5);
      const lit = skyDay(at - DAY / 2, 47.6, -35.2).moonIllumination;
      expect(Math.abs(lit - getMoonIllumination(new Date(at)).fraction)).toBeLessThan(0.03);
    }
  });

  it('gives null instead of a time for a polar day without sunset', () => {
    expect(skyDay(Date.UTC(2026, 5, 21), 70, 20).sunset).toBeNull();
  });
});

describe('light under water', () => {
  it('leaves 18.3 % at the Secchi depth (Poole & Atkins 1929)', () => {
    expect(lightAtDepth(3, 3)).toBeCloseTo(0.183, 3);
  });
  it('bends a ray of 45 deg to 32.04 deg (Snell)', () => {
    expect(refractedAngleDeg(45)).toBeCloseTo(32.04, 2);
  });
  it('refuses a clarity of zero', () => {
    expect(() => lightAtDepth(1, 0)).toThrow(/clarity/);
  });
});

describe('shade', () => {
  it('is as long as the thing is high under a sun of 45 degrees, away from the sun', () => {
    const s = shadeOf(45, 210, 4, 2);
    expect(s?.surfaceM).toBeCloseTo(4, 9);
    expect(s?.toDeg).toBe(30);
    // Snell with n = 1.333: 32.04 degrees from the vertical.
    expect(s?.displacedM).toBeCloseTo(2 * Math.tan((32.04 * Math.PI) / 180), 3);
  });
  it('is none when the sun is down', () => {
    expect(shadeOf(2, 270, 4, 2)).toBeNull();
    expect(shadeRing([[0, 0]], 2, 270, 4, 2)).toEqual([]);
  });
  it('falls on the side away from the sun', () => {
    expect(shadedSide(210, 30)).toBeCloseTo(1, 9);
    expect(shadedSide(210, 210)).toBeCloseTo(-1, 9);
    expect(shadedSide(210, 120)).toBeCloseTo(0, 9);
  });
  it('covers the sweep of the foot print at fish depth', () => {
    const pile = [
      [-0.5, -0.5],
      [0.5, -0.5],
      [0.5, 0.5],
      [-0.5, 0.5],
    ] as const;
    const ring = shadeRing(pile, 45, 180, 4, 2);
    const north = ring.map((p) => p[1]);
    expect(Math.min(...north)).toBeCloseTo(-0.5, 6);
    expect(Math.max(...north)).toBeCloseTo(0.5 + 4 + 2 * Math.tan((32.037 * Math.PI) / 180), 2);
    expect(Math.max(...ring.map((p) => Math.abs(p[0])))).toBeCloseTo(0.5, 6);
  });
});

describe('moon and light of a day', () => {
  it('has the lit share of Meeus, Astronomical Algorithms, example 48.a (from memory)', () => {
    // 12 April 1992, 0 h dynamical time, a minute before in universal time.
    expect(Math.abs(moonIllumination(Date.parse('1992-04-11T23:59:01Z')) - 0.6786)).toBeLessThan(0.001);
  });
  it('names phases after the almanac: new 15 June, full 29 June 2026 (from memory)', () => {
    expect(lightDay(Date.UTC(2026, 5, 15), 47.6, -35.2).moonPhase).toBe('new moon');
    expect(lightDay(Date.UTC(2026, 5, 29, 12), 47.6, -35.2).moonPhase).toBe('full moon');
  });
  it('orders dawn: nautical, civil, golden, and has a day of over 15 h at midsummer in 47 N', () => {
    const from = Date.UTC(2026, 5, 19, 2);
    const l = lightDay(from, 47.6, -35.2);
    const s = skyDay(from, 47.6, -35.2);
    expect(l.nauticalDawn ?? 0).toBeLessThan(s.civilDawn ?? 0);
    expect(l.goldenMorning?.[0] ?? 0).toBeGreaterThan(s.civilDawn ?? 0);
    expect(l.goldenMorning?.[1] ?? 0).toBeGreaterThan(s.sunrise ?? 0);
    expect(l.dayLengthH).toBeGreaterThan(15.5);
    expect(l.dayLengthH).toBeLessThan(16.5);
    expect(Math.abs(sunPosition(l.goldenEvening?.[0] ?? 0, 47.6, -35.2).heightDeg - 6)).toBeLessThan(0.3);
  });
  it('puts the moon underfoot half a lunar day from its transit', () => {
    const from = Date.UTC(2026, 5, 20);
    const gap = Math.abs((lightDay(from, 47.6, -35.2).moonUnderfoot ?? 0) - (skyDay(from, 47.6, -35.2).moonTransit ?? 0)) / 3_600_000;
    expect(Math.abs(gap - 12.4)).toBeLessThan(0.4);
  });
});

import { getMoonIllumination, getPosition } from 'suncalc';
import { describe, expect, it } from 'vitest';
import { DAY } from '../units/time';
import { skyDay } from './skyDay';
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

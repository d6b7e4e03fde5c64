import { describe, expect, it } from 'vitest';
import { clock, dateName, depth, rate, wind } from './format';

describe('figures on screen', () => {
  it('give rates to two figures', () => {
    expect([0.034, 0.42, 0.994, 0.996, 1.44, 9.96, 23.4].map(rate)).toEqual(['0.03', '0.42', '0.99', '1.0', '1.4', '10', '23']);
  });
  it('give depths to 0.1 m below 10 m', () => {
    expect([0.04, 9.94, 12.6, -0.3].map(depth)).toEqual(['0.0 m', '9.9 m', '13 m', '-0.3 m']);
  });
  it('name days and the wind', () => {
    expect(dateName('2026-06-19')).toBe('Fri 19 June');
    expect(clock('2026-06-18T19:40:00Z', 'Etc/GMT+2')).toBe('17:40');
    expect([wind(0.3, 10), wind(4.4, 225), wind(null, 3)]).toEqual(['calm', 'SW 4 m/s', 'not known']);
  });
});

import { describe, expect, it } from 'vitest';
import { isForecastJson, readForecastJson } from './forecastJson';

const file = (more: object = {}) =>
  JSON.stringify({
    utc_offset_seconds: 7200,
    hourly_units: { wind_speed_10m: 'km/h', temperature_2m: '°F', cloud_cover: '%' },
    hourly: {
      time: ['2026-06-19T06:00', '2026-06-19T07:00'],
      wind_speed_10m: [18, 36],
      wind_direction_10m: [230, 240],
      temperature_2m: [50, 59],
      cloud_cover: [100, 50],
      precipitation: [0, 1],
      ...more,
    },
  });

describe('an hourly forecast as JSON', () => {
  it('is read by what its lists are called, in the units that it names, at the offset that it gives', () => {
    expect(isForecastJson(file())).toBe(true);
    const { readings, refused } = readForecastJson(file(), 'UTC');
    expect(refused).toEqual([]);
    const of = (variable: string) => readings.filter((r) => r.variable === variable).map((r) => Number(r.value.toFixed(2)));
    expect(of('windMps')).toEqual([5, 10]);
    expect(of('windFromDeg')).toEqual([230, 240]);
    expect(of('airTempC')).toEqual([10, 15]);
    expect(of('cloud')).toEqual([1, 0.5]);
    expect(new Date(readings[0]?.atMs ?? 0).toISOString()).toBe('2026-06-19T04:00:00.000Z');
    expect(new Set(readings.map((r) => r.variable)).size).toBe(4);
  });

  it('keeps the members of an ensemble apart', () => {
    const { readings } = readForecastJson(file({ wind_speed_10m_member01: [9, 18], wind_speed_10m_member02: [27, null] }), 'UTC');
    const winds = readings.filter((r) => r.variable === 'windMps');
    expect(winds.map((r) => [r.member, Number(r.value.toFixed(1))])).toEqual([
      [0, 5],
      [0, 10],
      [1, 2.5],
      [1, 5],
      [2, 7.5],
    ]);
  });

  it('is refused without times or without anything of the water', () => {
    expect(isForecastJson('{"a": 1}')).toBe(false);
    expect(isForecastJson('time,wind')).toBe(false);
    expect(() => readForecastJson(JSON.stringify({ hourly: { time: ['2026-06-19T06:00'], rain: [1] } }), 'UTC')).toThrow(
      /None of time, rain/,
    );
  });
});

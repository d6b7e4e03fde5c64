import { describe, expect, it } from 'vitest';
import { isJsonRows, jsonTable } from './jsonRows';
import { readingKindOf, readReadingFile } from './readingFile';
import { guessMapping } from './readingsCsv';

const TERMS = { mapping: null, zone: 'Etc/GMT+2', nowMs: Date.UTC(2026, 5, 18, 20), unit: 'metric' } as const;
const STATION = JSON.stringify({
  status: 'ok',
  data: {
    station: 'Pier',
    items: [
      { time: '2026-06-18T18:00:00Z', wind: { speed_kn: 10, dir: 225 }, water_temp: 14.2, tags: ['x'] },
      { time: '2026-06-18T19:00:00Z', wind: { speed_kn: 12, dir: 230 }, water_temp: null },
    ],
  },
});

describe('readings as JSON records', () => {
  it('are the longest list of objects anywhere, their names joined by dots', () => {
    const t = jsonTable(STATION);
    expect(t.header).toEqual(['time', 'wind.speed_kn', 'wind.dir', 'water_temp']);
    expect(t.records.map((r) => r.cells)).toEqual([
      ['2026-06-18T18:00:00Z', '10', '225', '14.2'],
      ['2026-06-18T19:00:00Z', '12', '230', ''],
    ]);
    expect(isJsonRows('[{"a":1}]')).toBe(true);
    expect(isJsonRows('{"time":"2026-06-18T18:00:00Z","temp":3}')).toBe(true);
    expect(isJsonRows('[1,2]')).toBe(false);
    expect(isJsonRows('a,b\n1,2')).toBe(false);
    expect(isJsonRows('{broken')).toBe(false);
  });

  it('are told from other layouts, and their columns guessed with their units', () => {
    expect(readingKindOf(STATION)).toBe('json');
    expect(readingKindOf('{"hourly":{"time":["2026-06-18T18:00"],"wind_speed":[4]}}')).toBe('forecast');
    expect(readingKindOf('time,wind\n2026-06-18 10:00,4')).toBe('csv');
    expect(readingKindOf('METAR EGXX 181820Z 22512KT 9999 FEW020 15/11 Q1012\n')).toBe('metar');
    const { readings } = readReadingFile(STATION, 'json', TERMS);
    // Ten knots are 5.144 m/s (exact: 1852 m in 3600 s).
    expect(readings.find((r) => r.variable === 'windMps')?.value).toBeCloseTo((10 * 1852) / 3600, 9);
    expect(readings.filter((r) => r.variable === 'waterTempC')).toHaveLength(1);
    expect(guessMapping(jsonTable(STATION), 'UTC').timeColumns).toEqual([0]);
  });

  it('that go deep or hold nothing are refused or left out', () => {
    const deep = JSON.stringify({ a: { b: { c: { d: { e: { f: { g: { rows: [{ x: 1 }] } } } } } } } });
    expect(() => jsonTable(deep)).toThrow('holds no figures');
    expect(() => jsonTable('[{}]')).toThrow('holds no figures');
  });
});

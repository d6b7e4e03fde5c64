import { describe, expect, it } from 'vitest';
import { LOG_COLUMNS, type LogLine, logCsv } from './logCsv';
import { guessPastMapping, readPastTrips } from './pastTrips';
import { readTable } from './table';

const ZONE = 'Etc/GMT+2';
const at = (time: string) => Date.parse(`2026-06-18T${time}:00Z`);
const line = (more: Partial<LogLine> = {}): LogLine => ({
  fromMs: at('08:40'),
  toMs: at('10:10'),
  water: 'Hollin Sound',
  boat: 'Marrow',
  captain: 'Oskar',
  spot: 'Near stone',
  bait: 'Shad, 10 cm',
  rods: 3,
  outcome: 'landed',
  species: 'European sea bass',
  lengthMm: 482,
  kept: true,
  windMps: 4.25,
  windFromDeg: 225,
  waterTempC: 14.06,
  tideStage: 0.31,
  lat: 47.6123456,
  lon: -35.2,
  atMs: at('09:01'),
  ...more,
});

describe('the log as a table', () => {
  it('comes in again as it went out', () => {
    const out = [
      line(),
      line({ lengthMm: null, kept: false }),
      line({ outcome: null, spot: 'The “old” pier, end', fromMs: at('23:30'), toMs: at('23:55') }),
    ];
    const table = readTable(logCsv(out, ZONE));
    expect(table.header).toEqual([...LOG_COLUMNS]);
    const { rows, refused } = readPastTrips(table, guessPastMapping(table, ZONE));
    expect(refused).toEqual([]);
    expect(
      rows.map(({ fromMs, toMs, spot, bait, species, fish, lengthMm, rods }) => ({
        fromMs,
        toMs,
        spot,
        bait,
        species,
        fish,
        lengthMm,
        rods,
      })),
    ).toEqual(
      out.map((l) => ({
        fromMs: l.fromMs,
        toMs: l.toMs,
        spot: l.spot,
        bait: l.bait,
        species: l.outcome ? l.species : '',
        fish: l.outcome ? 1 : 0,
        lengthMm: l.outcome ? l.lengthMm : null,
        rods: l.rods,
      })),
    );
  });
  it('tells what was lost without counting it as a fish', () => {
    const table = readTable(logCsv([line({ outcome: 'lost' })], ZONE));
    expect(readPastTrips(table, guessPastMapping(table, ZONE)).rows[0]).toMatchObject({ fish: 0, lengthMm: null });
    expect(table.records[0]?.cells[LOG_COLUMNS.indexOf('outcome')]).toBe('lost');
  });
  it('makes no formula of a name (OWASP, CSV injection)', () => {
    for (const spot of ['=1+1', '+1', '-1', '@now', '\t=1', '\r=1']) {
      const cell =
        logCsv([line({ spot })], ZONE)
          .split('\r\n')[1]
          ?.split(',')[3] ?? '';
      expect(cell.replace(/^"/, '')).toMatch(/^'/);
    }
  });
});

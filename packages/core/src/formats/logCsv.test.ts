import { describe, expect, it } from 'vitest';
import { LOG_COLUMNS, logCsv } from './logCsv';
import { guessPastMapping, readPastTrips } from './pastTrips';
import { readTable } from './table';
import { at, line, ZONE } from './testLogLine';

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

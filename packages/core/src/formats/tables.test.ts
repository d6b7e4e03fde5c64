import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isRiverFile, isTideFile, readRiverFile, readTideFile } from './agencyFiles';
import { clockReader, fromWallClock, parseDateTime } from './localTime';
import { decimalOf, parseNumber } from './number';
import { guessMapping, readReadings } from './readingsCsv';
import { guessSoundingMapping, readSoundings } from './soundingsCsv';
import { readTable } from './table';
import { unitsOf, inputUnit } from './unitsOf';

const SPECTRUM = path.dirname(createRequire(import.meta.url).resolve('csv-spectrum/package.json'));

describe('tables', () => {
  const names = readdirSync(path.join(SPECTRUM, 'csvs')).filter((n) => n !== 'location_coordinates.csv');
  for (const name of names) {
    it(`reads ${name} of csv-spectrum as its JSON says`, () => {
      const table = readTable(readFileSync(path.join(SPECTRUM, 'csvs', name), 'utf8'));
      const expected: Record<string, string>[] = JSON.parse(
        readFileSync(path.join(SPECTRUM, 'json', name.replace('.csv', '.json')), 'utf8'),
      );
      const ours = table.records.map((r) =>
        Object.fromEntries(table.header.map((h, i) => [h, (r.cells[i] ?? '').replaceAll('\r\n', '\n')])),
      );
      expect(ours).toEqual(expected.map((e) => Object.fromEntries(Object.entries(e).map(([k, v]) => [k, v.replaceAll('\r\n', '\n')]))));
    });
  }
  it('counts lines through quoted cells that span some', () => {
    const t = readTable('a,b\n1,"x\ny"\n2,z\n');
    expect(t.records.map((r) => r.line)).toEqual([2, 4]);
  });
  it('finds semicolons and tabs by itself, and passes over comments and a byte order mark', () => {
    expect(readTable('\uFEFF# made by a logger\na;b\n1;2\n')).toMatchObject({ delimiter: ';', header: ['a', 'b'] });
    expect(readTable('a\tb\n1\t2\n').delimiter).toBe('\t');
  });
  it('refuses what is not text, and an empty file', () => {
    expect(() => readTable('a\u0000b')).toThrow(/not text/);
    expect(() => readTable('\n\n')).toThrow(/no lines/);
  });
  it('never hangs or throws anything but a plain refusal', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        try {
          for (const r of readTable(text).records) expect(r.line).toBeGreaterThan(0);
        } catch (error) {
          expect((error as Error).constructor.name).toBe('UnreadableFile');
        }
      }),
      { numRuns: 500 },
    );
  });
});

describe('numbers', () => {
  it('are read with a decimal comma or point and grouped thousands', () => {
    expect(['1,5', '-0,25', '1.234,5', '7'].map((t) => parseNumber(t, ','))).toEqual([1.5, -0.25, 1234.5, 7]);
    expect(['1.5', '1,234.5', '1e3', '−2', ' 4 '].map((t) => parseNumber(t, '.'))).toEqual([1.5, 1234.5, 1000, -2, 4]);
    expect(['', '-', '1,5', 'x', '1.2.3', '--1'].map((t) => parseNumber(t, '.'))).toEqual([null, null, null, null, null, null]);
  });
  it('tell their decimal sign', () => {
    expect(decimalOf(['1,5', '2,75', '3'])).toBe(',');
    expect(decimalOf(['1.5', '2', '3'])).toBe('.');
  });
  it('come back from writing', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (v) => {
        const text = v.toFixed(3);
        expect(parseNumber(text, '.')).toBeCloseTo(Number(text), 9);
        expect(parseNumber(text.replace('.', ','), ',')).toBeCloseTo(Number(text), 9);
      }),
    );
  });
});

describe('units', () => {
  it('follow NIST SP 811', () => {
    expect(inputUnit('depthM', 'ft').toSi(10)).toBeCloseTo(3.048, 9);
    expect(inputUnit('depthM', 'fm').toSi(10)).toBeCloseTo(18.288, 9);
    expect(inputUnit('windMps', 'kn').toSi(10)).toBeCloseTo(5.144444, 5);
    expect(inputUnit('waterTempC', 'f').toSi(55)).toBeCloseTo(12.7778, 4);
    expect(inputUnit('flowM3s', 'cfs').toSi(1000)).toBeCloseTo(28.316847, 5);
    expect(() => inputUnit('depthM', 'kn')).toThrow(/unknown kn; there are m, ft/);
  });
  it('have every variable begin with its own', () => {
    for (const [variable, units] of Object.entries(unitsOf)) expect(units[0]?.toSi(3), variable).toBe(3);
  });
});

describe('dates and times', () => {
  it('are read in the forms that files use', () => {
    const at = Date.UTC(2026, 5, 18, 17, 40);
    for (const t of [
      '2026-06-18T17:40:00Z',
      '2026-06-18 17:40',
      '18.06.2026 17:40',
      '18/06/2026 17:40',
      '2026-06-18T17:40:00.000',
      '2026-06-18 1740',
    ])
      expect(parseDateTime(t)?.wallMs, t).toBe(at);
    expect(parseDateTime('06/18/2026 17:40', 'mdy')?.wallMs).toBe(at);
    expect(parseDateTime(String(at / 1000))).toEqual({ wallMs: at, offsetMin: 0 });
    expect(parseDateTime('2026-06-18T17:40+02:00')?.offsetMin).toBe(120);
    for (const bad of ['2026-02-30 10:00', '2026-13-01', '31/31/2026 10:00', 'noon', '', '2026-06-18 25:00'])
      expect(parseDateTime(bad), bad).toBeNull();
  });
  it('have an hour that the clock skips and one that it repeats (European Union, 2026)', () => {
    const zone = 'Europe/Paris';
    expect(fromWallClock(Date.UTC(2026, 2, 29, 2, 30), zone)).toEqual({ kind: 'skipped' });
    expect(fromWallClock(Date.UTC(2026, 9, 25, 2, 30), zone)).toEqual({
      kind: 'twice',
      firstMs: Date.UTC(2026, 9, 25, 0, 30),
      secondMs: Date.UTC(2026, 9, 25, 1, 30),
    });
    expect(fromWallClock(Date.UTC(2026, 5, 1, 12), zone)).toEqual({ kind: 'one', atMs: Date.UTC(2026, 5, 1, 10) });
  });
  it('tell the repeated hour apart by the order of the file, and refuse the skipped one', () => {
    const clock = clockReader('Europe/Paris', 'dmy');
    const times = ['01:30', '02:00', '02:30', '02:00', '02:30', '03:00'].map((t) => clock(`2026-10-25 ${t}`));
    const hours = times.map((t) => ('atMs' in t ? (t.atMs - Date.UTC(2026, 9, 24, 23, 30)) / 1_800_000 : null));
    expect(hours).toEqual([0, 1, 2, 3, 4, 5]);
    expect(clock('2026-03-29 02:30')).toMatchObject({ reason: expect.stringMatching(/does not exist in Europe\/Paris/) });
    expect(clock('2026-10-25 02:30+02:00')).toEqual({ atMs: Date.UTC(2026, 9, 25, 0, 30) });
  });
  it('come back from any instant and zone', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: Date.UTC(2020, 0, 1) / 60_000, max: Date.UTC(2030, 0, 1) / 60_000 }),
        fc.constantFrom('Etc/GMT+2', 'America/St_Johns', 'Europe/Paris', 'Australia/Lord_Howe'),
        (minute, zone) => {
          const at = minute * 60_000;
          const offset = new Date(`${new Date(at).toLocaleString('sv', { timeZone: zone }).replace(' ', 'T')}Z`).getTime();
          const local = fromWallClock(offset, zone);
          const hits = local.kind === 'one' ? [local.atMs] : local.kind === 'twice' ? [local.firstMs, local.secondMs] : [];
          expect(hits).toContain(at);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('readings from a table', () => {
  const zone = 'Etc/GMT+2';
  it('are guessed from a header, units included', () => {
    const t = readTable('Date;Time;Wind speed (kn);Wind dir;Gust (kn);Water temp (°F);Secchi\n18.06.2026;17:40;10,0;225;14,5;55,4;1,8\n');
    const m = guessMapping(t, zone);
    expect(m).toMatchObject({ timeColumns: [0, 1], decimal: ',' });
    const { readings, refused } = readReadings(t, m);
    expect(refused).toEqual([]);
    const of = (v: string) => readings.find((r) => r.variable === v)?.value;
    expect(of('windMps')).toBeCloseTo(5.1444, 3);
    expect(of('windGustMps')).toBeCloseTo(7.459, 2);
    expect(of('windFromDeg')).toBe(225);
    expect(of('waterTempC')).toBeCloseTo(13, 6);
    expect(of('clarityM')).toBeCloseTo(1.8, 9);
    // 17:40 at UTC-2.
    expect(readings[0]?.atMs).toBe(Date.UTC(2026, 5, 18, 19, 40));
  });
  it('are refused by line with what to do, the others taken; empty cells are passed over', () => {
    const t = readTable(
      'time,water temp\n2026-06-18 10:00,13.1\nyesterday,13.2\n2026-06-18 12:00,warm\n2026-06-18 13:00,\n2026-06-18 14:00,5500\n2026-06-18 15:00,13.3\n',
    );
    const { readings, refused } = readReadings(t, guessMapping(t, zone));
    expect(readings.map((r) => r.value)).toEqual([13.1, 13.3]);
    expect(refused.map((r) => r.line)).toEqual([3, 4, 6]);
    for (const r of refused) expect(r.remedy.length).toBeGreaterThan(10);
    expect(refused[2]?.remedy).toMatch(/unit/);
  });
  it('need a time column and one value', () => {
    const t = readTable('a,b\n1,2\n');
    expect(() => readReadings(t, { timeColumns: [], zone, order: 'dmy', decimal: '.', values: [] })).toThrow(/time/);
  });
  it('take American dates when a day stands second', () => {
    expect(guessMapping(readTable('time,flow\n6/18/2026 10:00,3\n6/19/2026 10:00,4\n'), zone).order).toBe('mdy');
  });
});

describe('public agency layouts', () => {
  // The layout of tab-separated river data, from memory; figures invented.
  const river = `# some lines of explanation
#
agency_cd\tsite_no\tdatetime\ttz_cd\t01_00060\t01_00060_cd\t02_00065\t02_00065_cd\t03_00010\t03_00010_cd
5s\t15s\t20d\t6s\t14n\t10s\t14n\t10s\t14n\t10s
XX\t00000001\t2026-06-18 10:00\tEDT\t353\tP\t5.00\tP\t14.2\tP
XX\t00000001\t2026-06-18 10:15\tEDT\tIce\tP\t5.02\tP\t14.2\tP
XX\t00000001\t2026-06-18 10:30\tXYZ\t353\tP\t5.02\tP\t14.2\tP
`;
  it('tab-separated river data comes in with its units and zone', () => {
    expect(isRiverFile(river)).toBe(true);
    const { readings, refused } = readRiverFile(river);
    expect(readings.filter((r) => r.variable === 'flowM3s').map((r) => r.value)).toEqual([expect.closeTo(9.996, 2)]);
    expect(readings.find((r) => r.variable === 'waterLevelM')).toMatchObject({
      value: expect.closeTo(1.524, 3),
      atMs: Date.UTC(2026, 5, 18, 14),
    });
    expect(refused).toEqual([expect.objectContaining({ line: 7, reason: 'zone XYZ is not known' })]);
  });
  it('comma-separated tide and weather data comes in without its quality columns', () => {
    const text =
      'Date Time, Water Level, Sigma, O or I (for verified), F, R, L, Quality\n2026-06-18 10:00,1.234,0.003,0,0,0,0,p\n2026-06-18 10:06,1.240,0.003,0,0,0,0,p\n';
    expect(isTideFile(readTable(text, ','))).toBe(true);
    const { readings, refused } = readTideFile(text, 'UTC');
    expect(refused).toEqual([]);
    expect(readings.map((r) => [r.variable, r.value])).toEqual([
      ['waterLevelM', 1.234],
      ['waterLevelM', 1.24],
    ]);
    expect(readTideFile(text, 'UTC', 'us').readings[0]?.value).toBeCloseTo(1.234 * 0.3048, 6);
  });
  it('says what is missing', () => {
    expect(() => readRiverFile('a\tb\n5s\t4s\n1\t2\n')).toThrow(/no column datetime/);
    expect(() => readTideFile('a,b\n1,2\n', 'UTC')).toThrow(/not tide and weather data/);
  });
});

describe('soundings from a table', () => {
  it('are guessed: feet, positive up, decimal commas', () => {
    const t = readTable('Latitude;Longitude;Depth (ft);Time\n47,6;-35,2;-12,5;2026-06-18 10:00\n47,61;-35,21;-13,5;2026-06-18 10:01\n');
    const m = guessSoundingMapping(t, 'UTC');
    expect(m).toMatchObject({ unit: 'ft', positiveUp: true, decimal: ',', latColumn: 0, lonColumn: 1, depthColumn: 2, timeColumn: 3 });
    const { soundings } = readSoundings(t, m);
    expect(soundings[0]).toEqual({
      lat: 47.6,
      lon: -35.2,
      soundedM: expect.closeTo(3.81, 6),
      offsetM: null,
      atMs: Date.UTC(2026, 5, 18, 10),
    });
  });
  it('are refused by line: swapped, too deep for the unit, not a number', () => {
    const t = readTable('lat,lon,depth\n47.6,-35.2,4\n-135.2,47.6,4\n47.6,-35.2,4000\n47.6,-35.2,deep\n');
    const { soundings, refused } = readSoundings(t, guessSoundingMapping(t, 'UTC'));
    expect(soundings).toHaveLength(1);
    expect(refused.map((r) => [r.line, r.reason])).toEqual([
      [3, 'latitude -135.2 is out of range'],
      [4, 'a depth of 4000 m cannot be'],
      [5, 'latitude, longitude or depth is not a number'],
    ]);
    expect(refused[0]?.remedy).toMatch(/swapped/);
  });
});

describe('every reader of tables', () => {
  const cell = fc.oneof(
    fc.constantFrom(
      '5s',
      '20d',
      'datetime',
      'Date Time',
      '01_00060',
      'Quality',
      '2026-06-18 10:00',
      '1,5',
      '-3',
      '',
      'time',
      'lat',
      'depth',
    ),
    fc.string({ maxLength: 12 }),
  );
  const text = fc.array(fc.array(cell, { minLength: 1, maxLength: 6 }), { minLength: 1, maxLength: 8 });
  it('reads any table or refuses it in plain words, and every refused line has a remedy', () => {
    fc.assert(
      fc.property(text, fc.constantFrom(',', '\t', ';'), (rows, delimiter) => {
        const file = rows.map((r) => r.join(delimiter)).join('\n');
        for (const read of [
          () => readRiverFile(file).refused,
          () => readTideFile(file, 'UTC').refused,
          () => {
            const t = readTable(file);
            return readSoundings(t, guessSoundingMapping(t, 'Europe/Paris')).refused;
          },
          () => {
            const t = readTable(file);
            return readReadings(t, guessMapping(t, 'Europe/Paris')).refused;
          },
        ]) {
          try {
            for (const r of read()) expect(r.remedy.length).toBeGreaterThan(5);
          } catch (error) {
            expect(['UnreadableFile', 'RangeError']).toContain((error as Error).constructor.name);
            expect((error as Error).message).not.toMatch(/undefined|NaN/);
          }
        }
      }),
      { numRuns: 400 },
    );
  });
});

// Files that were made to break their reader: each is refused in words, as a whole or line by line, or read for what is good in it; a
// reader that goes over its text again and again does not come to an end here.
import { describe, expect, it } from 'vitest';
import { readRiverFile } from './agencyFiles';
import { readMetars } from './metar';
import { readNmeaLog } from './nmeaLog';
import { guessMapping, readReadings } from './readingsCsv';
import { readPlaces } from './readPlaces';
import { UnreadableFile } from './refused';
import { guessSoundingMapping, readSoundings } from './soundingsCsv';
import { readTable } from './table';

interface Read {
  readonly taken: number;
  readonly refused: readonly { line: number; reason: string; remedy: string }[];
}

const places = (text: string): Read => {
  const { places: taken, refused } = readPlaces(text);
  // Nothing that is no position gets through.
  for (const p of taken) for (const [lon, lat] of p.points) expect(Math.abs(lat) <= 90 && Math.abs(lon) <= 180, `${lat} ${lon}`).toBe(true);
  return { taken: taken.length, refused };
};
const readings = (text: string): Read => {
  const table = readTable(text);
  const { readings: taken, refused } = readReadings(table, guessMapping(table, 'UTC'));
  for (const r of taken) expect(Number.isFinite(r.value) && Number.isFinite(r.atMs)).toBe(true);
  return { taken: taken.length, refused };
};
const soundings = (text: string): Read => {
  const table = readTable(text);
  const read = readSoundings(table, guessSoundingMapping(table, 'UTC'));
  return { taken: read.soundings.length, refused: read.refused };
};
const nmea = (text: string): Read => {
  const read = readNmeaLog(text);
  return { taken: read.readings.length + read.soundings.length, refused: read.refused };
};
const metars = (text: string): Read => {
  const read = readMetars(text, Date.UTC(2026, 5, 18));
  return { taken: read.readings.length, refused: read.refused };
};
const river = (text: string): Read => {
  const read = readRiverFile(text);
  return { taken: read.readings.length, refused: read.refused };
};

const point = (lat: string, lon: string, name = 'x') => `<wpt lat="${lat}" lon="${lon}"><name>${name}</name></wpt>`;
const gpx = (inside: string) => `<gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1">${inside}</gpx>`;
const kml = (inside: string) => `<kml xmlns="http://www.opengis.net/kml/2.2"><Document>${inside}</Document></kml>`;
const feature = (coordinates: string, type = 'Point') =>
  `{"type":"FeatureCollection","features":[{"type":"Feature","properties":{"name":"x"},"geometry":{"type":"${type}","coordinates":${coordinates}}}]}`;
const LINES = (line: string, n: number) => `time,water temp (c)\n${`${line}\n`.repeat(n)}`;

const FILES: readonly (readonly [name: string, read: (text: string) => Read, text: () => string])[] = [
  ['KML of 80,000 opening brackets', places, () => kml('<'.repeat(80_000))],
  [
    'KML with entities that grow into each other',
    places,
    () => `<!DOCTYPE k [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;">]>${kml('&b;')}`,
  ],
  [
    'GPX that asks for a file of the machine',
    places,
    () => `<!DOCTYPE g [<!ENTITY f SYSTEM "file:///etc/passwd">]>${gpx(point('47', '-35', '&f;'))}`,
  ],
  ['GPX nested five thousand deep', places, () => gpx('<a>'.repeat(5000))],
  [
    'GPX with a position of NaN, of infinity, of nothing',
    places,
    () => gpx(point('NaN', '1e999') + point('', '') + point('47.1', '-35.2')),
  ],
  ['GPX that ends in the middle', places, () => gpx(point('47.1', '-35.2')).slice(0, -30)],
  [
    'GPX with 20,000 attributes in one element',
    places,
    () => gpx(`<wpt ${Array.from({ length: 20_000 }, (_, i) => `a${i}="1"`).join(' ')} lat="47" lon="-35"/>`),
  ],
  ['GPX with a comment that never ends', places, () => gpx(`<!-- ${'-'.repeat(60_000)}`)],
  ['GeoJSON nested ten thousand deep', places, () => feature('['.repeat(10_000) + ']'.repeat(10_000))],
  ['GeoJSON with text for a position', places, () => feature('["47","-35"]')],
  ['GeoJSON with a position of one number', places, () => feature('[47]')],
  ['GeoJSON with a geometry of no kind', places, () => feature('[1,2]', '__proto__')],
  ['GeoJSON that gives every object another parent', places, () => '{"__proto__":{"type":"FeatureCollection"},"features":[{}]}'],
  ['GeoJSON that is a number', places, () => '[1e400]'],
  ['nothing', places, () => ''],
  ['bytes of a picture', places, () => `\u0089PNG\r\n\u001a\n${'\u0000\uFFFD'.repeat(3000)}`],
  ['a table of one line with 200,000 quotes', readings, () => `time,water temp\n${'"'.repeat(200_000)}`],
  ['a table whose times are of no calendar', readings, () => LINES('2026-13-45 99:99,14.2', 3)],
  ['a table with numbers of 400 digits', readings, () => LINES(`2026-06-18 10:00,${'9'.repeat(400)}`, 3)],
  [
    'a table of 5,000 columns',
    readings,
    () => `time,${Array.from({ length: 5000 }, (_, i) => `c${i}`).join(',')}\n2026-06-18 10:00${',1'.repeat(5000)}`,
  ],
  ['a table of formulas', readings, () => LINES('2026-06-18 10:00,"=cmd|\'/c calc\'!A1"', 3)],
  [
    'soundings with everything swapped and nothing deep',
    soundings,
    () => 'lat,lon,depth\n-135.2,47.6,4\n47.6,-35.2,-400\n47.6,-35.2,NaN\n',
  ],
  [
    'an instrument’s log with wrong sums and endless fields',
    nmea,
    () => `$SDDPT,4.2,0.3*00\n$GPGGA${','.repeat(50_000)}*00\n$GPRMC,,V,,,,,,,,,,N*53\n`,
  ],
  ['METARs with winds of 999 and groups without end', metars, () => `XXXX 181850Z 99999G999KT ${'/////'.repeat(5000)} M99/M99 Q9999=\n`],
  ['a river file of comments alone', river, () => `${'# USGS\n'.repeat(20_000)}agency_cd\tsite_no\tdatetime\n`],
];

describe('a hostile file', () => {
  it.each(FILES)('%s', (_, read, text) => {
    try {
      const { refused } = read(text());
      for (const r of refused) {
        expect(r.line).toBeGreaterThan(0);
        expect(`${r.reason}${r.remedy}`).not.toMatch(/undefined|\[object|NaN is not a function|Maximum call stack/);
        expect(r.reason.length).toBeGreaterThan(5);
        expect(r.remedy.length).toBeGreaterThan(5);
      }
    } catch (error) {
      // A choice that the first guess could not make is asked for by its name.
      if (error instanceof RangeError) return expect(error.message).toMatch(/^(time|values): choose /);
      expect(error).toBeInstanceOf(UnreadableFile);
      const { reason, remedy } = error as UnreadableFile;
      expect(reason.length).toBeGreaterThan(5);
      expect(remedy.length).toBeGreaterThan(5);
    }
  });
  it('of each kind with one good place or line among bad ones gives that one', () => {
    expect(places(gpx(point('NaN', '1') + point('47.1', '-35.2')))).toMatchObject({ taken: 1, refused: [{}] });
    expect(readings(`${LINES('2026-06-18 10:00,14.2', 3)}2026-13-45 99:99,14.2\n`)).toMatchObject({ refused: [{ line: 5 }] });
    expect(soundings('lat,lon,depth\n-135.2,47.6,4\n47.6,-35.2,4\n')).toMatchObject({ taken: 1, refused: [{ line: 2 }] });
  });
});

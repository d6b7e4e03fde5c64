import { describe, expect, it } from 'vitest';
import { readGeoJson } from './geojson';
import { readGpx } from './gpx';
import { logCsv } from './logCsv';
import { logGeoJson, logGpx, logJson } from './logGeo';
import { guessPastMapping, pastTable, readPastTrips } from './pastTrips';
import { at, line, ZONE } from './testLogLine';

const NAME = 'Near <stone> & "ledge"';
const LOG = [
  line({ spot: NAME }),
  line({ lengthMm: null, kept: false, spot: '=1+1' }),
  line({ outcome: null, atMs: null, species: '' }),
  line({ outcome: 'lost' }),
];

const cameIn = (text: string) => {
  const table = pastTable(text);
  const { rows, refused } = readPastTrips(table, guessPastMapping(table, ZONE));
  expect(refused).toEqual([]);
  return rows.map(({ line: _, ...r }) => r);
};

describe('the log for maps and programs', () => {
  it('comes in again as JSON and as GeoJSON, the same as by the table', () => {
    const byTable = cameIn(logCsv([line(), line({ outcome: null, atMs: null, species: '' })], ZONE));
    expect(byTable).toHaveLength(2);
    // They tell when each fish came, which the table does not.
    const told = byTable.map((r) => ({ ...r, atMs: r.fish > 0 ? at('09:01') : null }));
    expect(cameIn(logJson([line(), line({ outcome: null, atMs: null, species: '' })], ZONE))).toEqual(told);
    expect(cameIn(logGeoJson([line(), line({ outcome: null, atMs: null, species: '' })], ZONE))).toEqual(told);
  });
  it('is GeoJSON that places are read from: a point of every line, longitude first (RFC 7946, 3.1.1)', () => {
    const { places, refused } = readGeoJson(logGeoJson(LOG, ZONE));
    expect(refused).toEqual([]);
    expect(places).toHaveLength(4);
    expect(places[0]?.points).toEqual([[-35.2, 47.6123456]]);
    const [first] = JSON.parse(logGeoJson(LOG, ZONE)).features;
    expect(first.properties).toMatchObject({ spot: 'Near <stone> & "ledge"', 'length mm': '482', at: '2026-06-18T09:01:00.000Z' });
    expect(JSON.parse(logGeoJson(LOG, ZONE)).features[2].properties).toMatchObject({ at: null, outcome: 'nothing' });
  });
  it('is GPX waypoints of the landed fish with their time, in the order of the schema', () => {
    const text = logGpx(LOG);
    const { places, refused } = readGpx(text);
    expect(refused).toEqual([]);
    expect(places.map((p) => [p.name, p.note, p.times])).toEqual([
      ['European sea bass, 48 cm', 'Near <stone> & "ledge": Shad, 10 cm', [at('09:01')]],
      ['European sea bass', '=1+1: Shad, 10 cm', [at('09:01')]],
    ]);
    // GPX 1.1: time stands before name.
    expect(text).toMatch(/<wpt [^>]+><time>2026-06-18T09:01:00\.000Z<\/time><name>/);
  });
});

import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HAZARD_KINDS } from '../risk/hazard';
import { readGeoJson, writeGeoJson } from './geojson';
import { readGpx, writeGpx } from './gpx';
import { readKml, writeKml } from './kml';
import { type FilePlace, looksSwapped, swapPlaces } from './places';
import { readPlaces } from './readPlaces';
import { UnreadableFile } from './refused';

const PLACES: Omit<FilePlace, 'line'>[] = [
  { name: 'Mussel & <beds>', note: 'a "quoted" note', shape: 'point', points: [[-35.231, 47.59]] },
  {
    name: 'Kettle lip',
    note: '',
    shape: 'line',
    points: [
      [-35.2, 47.6],
      [-35.201, 47.601],
      [-35.203, 47.602],
    ],
  },
  {
    name: 'Heron flat',
    note: '',
    shape: 'area',
    points: [
      [-35.1, 47.6],
      [-35.09, 47.6],
      [-35.09, 47.61],
    ],
  },
];
const plain = (p: readonly Omit<FilePlace, 'line'>[]) =>
  p.map(({ name, note, shape, points }) => ({
    name,
    note,
    shape,
    points: points.map(([x, y]) => [Number(x.toFixed(6)), Number(y.toFixed(6))]),
  }));

describe('what is written is read back', () => {
  it('as KML and GeoJSON wholly, as GPX with areas as closed lines', () => {
    expect(plain(readKml(writeKml(PLACES)).places)).toEqual(plain(PLACES));
    expect(plain(readGeoJson(writeGeoJson(PLACES)).places)).toEqual(plain(PLACES));
    const gpx = readGpx(writeGpx(PLACES)).places;
    expect(gpx.map((p) => [p.name, p.shape, p.points.length])).toEqual([
      ['Mussel & <beds>', 'point', 1],
      ['Kettle lip', 'line', 3],
      ['Heron flat', 'line', 4],
    ]);
  });
  it('with all that is known of a spot, areas too, as GeoJSON and GPX', () => {
    const text = (maxLength: number) =>
      fc.string({ unit: fc.constantFrom('a', 'B', ' ', '<', '&', '"', "'", 'é', '\n', '7'), minLength: 1, maxLength }).map((t) => t.trim());
    const some = (min: number, max: number) => fc.option(fc.integer({ min: min * 10, max: max * 10 }).map((v) => v / 10));
    const hazard = fc.record({
      kind: fc.constantFrom(...HAZARD_KINDS),
      windSectorDeg: fc.option(fc.tuple(fc.integer({ min: 0, max: 360 }), fc.integer({ min: 0, max: 360 }))),
      windMps: some(0, 60),
      waveM: some(0, 20),
      tideBelowM: some(-20, 20),
      tideAboveM: some(-20, 20),
      binds: fc.boolean(),
      note: text(60).filter((t) => t !== ''),
    });
    const facts = fc.record({
      structure: text(40).filter((t) => t !== ''),
      bottom: text(40).filter((t) => t !== ''),
      depthMinM: some(-10, 500),
      depthMaxM: some(-10, 500),
      accessDepthM: some(-10, 50),
      privacy: fc.constantFrom('crew' as const, 'captain' as const),
      footing: fc.integer({ min: 1, max: 3 }),
      restDays: fc.integer({ min: 0, max: 60 }),
      pressure: fc.integer({ min: 1, max: 3 }),
      legality: text(200),
      note: text(400),
      hazards: fc.array(hazard, { maxLength: 8 }),
    });
    fc.assert(
      fc.property(facts, fc.constantFrom(...PLACES), (f, place) => {
        for (const [write, read] of [
          [writeGeoJson, readGeoJson],
          [writeGpx, readGpx],
        ] as const) {
          const back = read(write([{ ...place, facts: f }]));
          expect(back.refused).toEqual([]);
          expect(plain(back.places)).toEqual(plain([place]));
          expect(back.places[0]?.facts).toEqual(f);
        }
      }),
    );
  });
  it('without what cannot be, when somebody has tampered with it', () => {
    const odd = {
      structure: 'rock',
      depthMinM: 'deep',
      depthMaxM: 9e9,
      pressure: 7,
      privacy: 'all',
      hazards: [{ note: '' }, { note: 'x', kind: 'dragons' }],
    };
    const json = JSON.stringify({ type: 'Feature', properties: { bluffwind: odd }, geometry: { type: 'Point', coordinates: [1, 2] } });
    expect(readGeoJson(json).places[0]?.facts).toMatchObject({
      bottom: 'unknown',
      depthMinM: null,
      depthMaxM: null,
      pressure: 1,
      privacy: 'crew',
      hazards: [{ note: 'x', kind: 'other', windSectorDeg: null }],
    });
  });
  it('for any name and position', () => {
    const place = fc.record({
      name: fc.string({ maxLength: 40 }),
      lat: fc.double({ min: -90, max: 90, noNaN: true }),
      lon: fc.double({ min: -180, max: 180, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(place, { maxLength: 5 }), (list) => {
        const places = list.map((p) => ({ name: p.name, note: '', shape: 'point' as const, points: [[p.lon, p.lat] as [number, number]] }));
        for (const [write, read] of [
          [writeGpx, readGpx],
          [writeKml, readKml],
          [writeGeoJson, readGeoJson],
        ] as const) {
          const back = read(write(places));
          expect(back.refused).toEqual([]);
          expect(back.places).toHaveLength(places.length);
          back.places.forEach((p, i) => {
            expect(p.points[0]?.[1]).toBeCloseTo(list[i]?.lat as number, 6);
          });
        }
      }),
      { numRuns: 150 },
    );
  });
});

const GPSBABEL = ['/usr/bin/gpsbabel', '/usr/local/bin/gpsbabel'].find((p) => existsSync(p));
const babel = (from: string, to: string, input: string) => {
  const r = spawnSync(GPSBABEL as string, ['-w', '-r', '-i', from, '-f', '-', '-o', to, '-F', '-'], { input, encoding: 'utf8' });
  if (r.status !== 0) throw new Error(r.stderr);
  return r.stdout;
};

// A foreign program; where Debian's package cannot be installed the rest still stands.
describe.runIf(GPSBABEL)('gpsbabel as a foreign reader and writer', () => {
  it('reads the GPX and KML that are written here', () => {
    for (const [format, text] of [
      ['gpx', writeGpx(PLACES)],
      ['kml', writeKml(PLACES)],
    ] as const) {
      const back = readGpx(babel(format, 'gpx', text));
      expect(back.places.find((p) => p.name === 'Mussel & <beds>')?.points[0]?.[0], format).toBeCloseTo(-35.231, 5);
    }
    expect(
      readGpx(babel('gpx', 'gpx', writeGpx(PLACES)))
        .places.filter((p) => p.shape === 'line')
        .map((p) => p.points.length),
    ).toEqual([3, 4]);
  });
  it('writes GPX 1.0, GPX 1.1, KML and GeoJSON that are read here', () => {
    const source = writeGpx(PLACES);
    for (const [format, options] of [
      ['gpx', ',gpxver=1.0'],
      ['gpx', ',gpxver=1.1'],
      ['kml', ''],
      ['geojson', ''],
    ] as const) {
      const read = readPlaces(babel('gpx', `${format}${options}`, source));
      expect(read.refused, format).toEqual([]);
      const p = read.places.find((q) => q.name === 'Mussel & <beds>');
      expect(p?.points[0]?.[1], format).toBeCloseTo(47.59, 5);
    }
  });
});

describe('foreign GPX', () => {
  it('gives tracks their times and segments, and keeps names of points out of the track', () => {
    const r = readGpx(`<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"><trk><name>Drift</name>
<trkseg><trkpt lat="47.6" lon="-35.2"><time>2026-06-18T10:00:00Z</time><name>no</name></trkpt><trkpt lat="47.601" lon="-35.2"/></trkseg>
<trkseg><trkpt lat="47.7" lon="-35.2"/><trkpt lat="47.71" lon="-35.2"/></trkseg></trk></gpx>`);
    expect(r.places.map((p) => [p.name, p.points.length])).toEqual([
      ['Drift', 2],
      ['Drift', 2],
    ]);
    expect(r.places[0]?.times).toEqual([Date.UTC(2026, 5, 18, 10), null]);
  });
  it('refuses positions out of range by line, and says when they look swapped', () => {
    const r = readGpx('<gpx>\n<wpt lat="47.6" lon="-35.2"/>\n<wpt lat="-135.2" lon="47.6"/>\n<wpt lat="x" lon=""/>\n</gpx>');
    expect(r.places).toHaveLength(1);
    expect(r.refused.map((f) => f.line)).toEqual([3, 4]);
    expect(r.refused[0]?.remedy).toMatch(/swapped/);
  });
  it('sees that all of a file is swapped, and swaps it', () => {
    const swapped = readGpx('<gpx><wpt lat="-35.2" lon="47.6"/><wpt lat="-35.21" lon="47.61"/></gpx>').places;
    expect(looksSwapped(swapped, { lat: 47.6, lon: -35.2 })).toBe(true);
    expect(looksSwapped(swapPlaces(swapped), { lat: 47.6, lon: -35.2 })).toBe(false);
  });
  it('says on which line a file is damaged', () => {
    expect(() => readGpx('<gpx>\n<wpt lat="1" lon="2">\n</gpx>')).toThrow(/Line 3/);
    expect(readGpx('<html></html>').refused[0]?.reason).toMatch(/not a GPX/);
  });
});

describe('hostile files', () => {
  it('an XML bomb is refused and expands nothing', () => {
    const bomb = `<?xml version="1.0"?><!DOCTYPE gpx [<!ENTITY a "${'x'.repeat(100)}">${Array.from({ length: 9 }, (_, i) => `<!ENTITY b${i} "${`&${i ? `b${i - 1}` : 'a'};`.repeat(10)}">`).join('')}]><gpx><wpt lat="1" lon="2"><name>&b8;</name></wpt></gpx>`;
    const start = performance.now();
    expect(() => readPlaces(bomb)).toThrow(/entities of its own/);
    expect(performance.now() - start).toBeLessThan(1000);
  });
  it('a KML network link is named and not followed, the rest is read', () => {
    const r = readKml(
      '<kml xmlns="http://www.opengis.net/kml/2.2"><Document><NetworkLink><Link><href>http://somewhere.example/x.kml</href></Link></NetworkLink><Placemark><name>a</name><Point><coordinates>-35.2,47.6,0</coordinates></Point></Placemark></Document></kml>',
    );
    expect(r.places).toHaveLength(1);
    expect(r.refused[0]).toMatchObject({ text: 'NetworkLink', reason: expect.stringMatching(/not fetched/) });
  });
  it('an external entity is refused', () => {
    expect(() =>
      readPlaces('<!DOCTYPE gpx [<!ENTITY x SYSTEM "file:///etc/passwd">]><gpx><wpt lat="1" lon="2"><name>&x;</name></wpt></gpx>'),
    ).toThrow(UnreadableFile);
  });
  it('elements nested a thousand deep are refused', () => {
    expect(() => readPlaces(`<gpx>${'<a>'.repeat(1000)}${'</a>'.repeat(1000)}</gpx>`)).toThrow(/deeper than 60/);
  });
  it('a file over 64 MB is refused before it is read', () => {
    expect(() => readPlaces(' '.repeat(65 * 1024 * 1024))).toThrow(/64 MB is the most/);
  });
  it('any text is read or refused in plain words, never half and never for long', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 300 }),
          fc.string({ maxLength: 100 }).map((s) => `<gpx>${s}</gpx>`),
          fc.string({ maxLength: 100 }).map((s) => `<kml><Placemark><Point><coordinates>${s}</coordinates></Point></Placemark></kml>`),
          fc.json(),
        ),
        (text) => {
          try {
            for (const p of readPlaces(text).places)
              for (const [lon, lat] of p.points) expect(Math.abs(lat) <= 90 && Math.abs(lon) <= 180).toBe(true);
          } catch (error) {
            expect(error).toBeInstanceOf(UnreadableFile);
            expect((error as UnreadableFile).remedy.length).toBeGreaterThan(5);
          }
        },
      ),
      { numRuns: 800 },
    );
  });
});

describe('GeoJSON (RFC 7946)', () => {
  it('reads the examples of its appendix A', () => {
    const geometry = (g: object) => readGeoJson(JSON.stringify({ type: 'Feature', geometry: g, properties: { name: 'x' } })).places;
    expect(geometry({ type: 'Point', coordinates: [100.0, 0.0] })[0]?.points).toEqual([[100, 0]]);
    expect(
      geometry({
        type: 'LineString',
        coordinates: [
          [100.0, 0.0],
          [101.0, 1.0],
        ],
      })[0]?.shape,
    ).toBe('line');
    const polygon = {
      type: 'Polygon',
      coordinates: [
        [
          [100.0, 0.0],
          [101.0, 0.0],
          [101.0, 1.0],
          [100.0, 1.0],
          [100.0, 0.0],
        ],
        [
          [100.8, 0.8],
          [100.8, 0.2],
          [100.2, 0.2],
          [100.2, 0.8],
          [100.8, 0.8],
        ],
      ],
    };
    expect(geometry(polygon)[0]).toMatchObject({
      shape: 'area',
      points: [
        [100, 0],
        [101, 0],
        [101, 1],
        [100, 1],
      ],
    });
    expect(
      geometry({
        type: 'MultiPoint',
        coordinates: [
          [100.0, 0.0],
          [101.0, 1.0],
        ],
      }),
    ).toHaveLength(2);
    expect(
      geometry({
        type: 'GeometryCollection',
        geometries: [
          { type: 'Point', coordinates: [100.0, 0.0] },
          {
            type: 'LineString',
            coordinates: [
              [101.0, 0.0],
              [102.0, 1.0],
            ],
          },
        ],
      }),
    ).toHaveLength(2);
  });
  it('writes exterior rings counter-clockwise (3.1.6)', () => {
    const clockwise: FilePlace['points'] = [
      [0, 0],
      [0, 1],
      [1, 1],
      [1, 0],
    ];
    const ring = JSON.parse(writeGeoJson([{ name: 'a', note: '', shape: 'area', points: clockwise }])).features[0].geometry
      .coordinates[0] as [number, number][];
    const area = ring.slice(1).reduce((s, [x, y], i) => s + (ring[i]?.[0] as number) * y - x * (ring[i]?.[1] as number), 0);
    expect(area).toBeGreaterThan(0);
    expect(ring[0]).toEqual(ring.at(-1));
  });
  it('refuses a feature without a geometry by its place', () => {
    const r = readGeoJson(
      JSON.stringify({
        type: 'FeatureCollection',
        features: [
          { type: 'Feature', geometry: null, properties: {} },
          { type: 'Feature', geometry: { type: 'Point', coordinates: [1, 2] }, properties: {} },
        ],
      }),
    );
    expect(r.places).toHaveLength(1);
    expect(r.refused[0]).toMatchObject({ line: 1 });
  });
});

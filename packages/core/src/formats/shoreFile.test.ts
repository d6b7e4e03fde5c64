import { describe, expect, it } from 'vitest';
import { readShore } from './shoreFile';

const square = [
  [0, 0],
  [4, 0],
  [4, 4],
  [0, 4],
  [0, 0],
];
const hole = square.map(([x = 0, y = 0]) => [1 + x / 4, 1 + y / 4]);
const geojson = (geometry: object) =>
  JSON.stringify({ type: 'FeatureCollection', features: [{ type: 'Feature', properties: {}, geometry }] });

describe('a shore out of a file', () => {
  it('keeps the islands of a lake (RFC 7946: the rings after the first are holes)', () => {
    const [lake] = readShore(geojson({ type: 'Polygon', coordinates: [square, hole] }));
    expect(lake).toHaveLength(2);
    expect(lake?.[0]).toHaveLength(4);
    expect(lake?.[1]?.[0]).toEqual([1, 1]);
  });

  it('takes every area of a file, and those within collections', () => {
    const many = geojson({ type: 'MultiPolygon', coordinates: [[square], [hole]] });
    expect(readShore(many)).toHaveLength(2);
    const nested = geojson({ type: 'GeometryCollection', geometries: [{ type: 'Polygon', coordinates: [square] }] });
    expect(readShore(nested)).toHaveLength(1);
  });

  it('takes a line that comes back to where it began, of GPX too', () => {
    const gpx = `<gpx version="1.1" creator="x" xmlns="http://www.topografix.com/GPX/1/1"><trk><name>round</name><trkseg>${square
      .map(([lon, lat]) => `<trkpt lat="${lat}" lon="${lon}"></trkpt>`)
      .join('')}</trkseg></trk></gpx>`;
    expect(readShore(gpx)).toHaveLength(1);
  });

  it('says what it found instead of a shore', () => {
    expect(() => readShore(geojson({ type: 'LineString', coordinates: square.slice(0, 3) }))).toThrow(/1 open line and no closed shore/);
    expect(() => readShore(geojson({ type: 'Point', coordinates: [1, 2] }))).toThrow(/no shore: 1 points/);
    expect(() => readShore('{"a":')).toThrow(/It is not JSON/);
    expect(() => readShore('lat,lon')).toThrow(/neither GPX, KML nor GeoJSON/);
  });

  it('leaves out corners that are no positions', () => {
    const odd = geojson({ type: 'Polygon', coordinates: [[...square.slice(0, 4), [900, 2], ['a', 1]]] });
    expect(readShore(odd)[0]?.[0]).toHaveLength(4);
  });
});

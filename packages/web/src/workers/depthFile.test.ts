// Charts' files of depths, made here by foreign writers or byte by byte after their published layouts, and read back.
import { zipSync } from 'fflate';
import { writeArrayBuffer } from 'geotiff';
import { describe, expect, it } from 'vitest';
import { readDepthFile, shapesOf, soundingsOfPoints } from './depthFile';
import { toDegrees, utmOf } from './projections';

const NEAR = [-35.24, 47.59] as const;
const file = (name: string, data: BlobPart) => new File([data], name);

describe('projections', () => {
  it('turn the worked example of the universal transverse Mercator back to its degrees', () => {
    // Snyder, Map Projections: A Working Manual (USGS Professional Paper 1395), p. 269, from memory: Clarke 1866, zone 18.
    const [lon, lat] = toDegrees('+proj=utm +zone=18 +ellps=clrk66 +towgs84=0,0,0')(627106.5, 4484124.4);
    const [atLon, atLat] = toDegrees('+proj=longlat +ellps=clrk66 +towgs84=0,0,0')(-73.5, 40.5);
    expect(lon).toBeCloseTo(atLon, 5);
    expect(lat).toBeCloseTo(atLat, 5);
  });
  it('know zones by their numbers, north and south, and say what they do not know', () => {
    // A zone's own meridian is 500 km east of its false origin.
    expect(toDegrees('EPSG:32625')(500_000, 0)[0]).toBeCloseTo(-33, 9);
    expect(toDegrees('EPSG:32725')(500_000, 10_000_000)[1]).toBeCloseTo(0, 6);
    expect(toDegrees('3857')(20037508.342789244, 0)[0]).toBeCloseTo(180, 6);
    expect([utmOf(-35.24, 47.59), utmOf(-35.24, -20), utmOf(179.99, 1)]).toEqual(['EPSG:32625', 'EPSG:32725', 'EPSG:32660']);
    expect(() => toDegrees('EPSG:99999')).toThrow(/not known here/);
    expect(() => toDegrees('my own')).toThrow(/no projection/);
  });
});

describe('a GeoTIFF of depths', () => {
  const tiff = (values: number[], more: object = {}) =>
    file(
      'bed.tif',
      writeArrayBuffer(
        new Float32Array(values) as never,
        {
          width: 3,
          height: 2,
          ModelPixelScale: [0.001, 0.001, 0],
          ModelTiepoint: [0, 0, 0, -35.25, 47.6, 0],
          GTModelTypeGeoKey: 2,
          GeographicTypeGeoKey: 4326,
          ...more,
        } as never,
      ) as ArrayBuffer,
    );
  it('gives each cell at its middle, heights turned to depths', async () => {
    const read = await readDepthFile(tiff([-1, -2, -3, -4, -5, -6]), NEAR);
    expect(read).toMatchObject({ kind: 'grid', projection: 'EPSG:4326', up: true, every: 1 });
    const { soundings } = soundingsOfPoints(read, { projection: read.projection, unit: 'm', up: read.up });
    expect(soundings).toHaveLength(6);
    expect(soundings[0]?.lon).toBeCloseTo(-35.2495, 9);
    expect(soundings[0]?.lat).toBeCloseTo(47.5995, 9);
    expect(soundings.map((s) => s.soundedM)).toEqual([1, 2, 3, 4, 5, 6]);
  });
  it('whose pixels are points gives each where it stands', async () => {
    const read = await readDepthFile(tiff([1, 2, 3, 4, 5, 6], { GTRasterTypeGeoKey: 2 }), NEAR);
    expect(read.points[0]).toEqual({ x: -35.25, y: 47.6, z: 1 });
  });
  it('in metres of a zone is put where the zone says', async () => {
    const metres = tiff([4, 4, 4, 4, 4, 4], {
      ModelPixelScale: [10, 10, 0],
      ModelTiepoint: [0, 0, 0, 500_000, 5_270_000, 0],
      GTModelTypeGeoKey: 1,
      GeographicTypeGeoKey: undefined,
      ProjectedCSTypeGeoKey: 32624,
    });
    const read = await readDepthFile(metres, NEAR);
    expect(read.projection).toBe('EPSG:32624');
    const [first] = soundingsOfPoints(read, { projection: read.projection, unit: 'm', up: false }).soundings;
    expect(first?.lon).toBeCloseTo(-39, 3);
    expect(first?.lat).toBeCloseTo(47.58, 1);
  });
  it('that is none is refused in words', async () => {
    await expect(readDepthFile(file('a.tif', 'hello'), NEAR)).rejects.toThrow(/no GeoTIFF/);
    await expect(readDepthFile(file('a.asc', 'hello'), NEAR)).rejects.toThrow(/neither a grid nor GeoJSON/);
    await expect(readDepthFile(file('a.zip', 'hello'), NEAR)).rejects.toThrow(/no zipped shapefile/);
    await expect(readDepthFile(file('a.json', '{"type":"Point","coordinates":[1,2]}'), NEAR)).rejects.toThrow(
      /names no depths.*1 points have none/,
    );
  });
});

describe('a zipped shapefile', () => {
  it('gives its points with the depths of its table, and its polygon as a shore', async () => {
    const zip = zipSync({
      'spots.shp': pointsShp([
        [-35.2, 47.6],
        [-35.21, 47.61],
      ]),
      'spots.dbf': depthDbf([3.5, 12]),
    });
    const read = await readDepthFile(file('spots.zip', zip as BlobPart), NEAR);
    expect(read.points).toEqual([
      { x: -35.2, y: 47.6, z: 3.5 },
      { x: -35.21, y: 47.61, z: 12 },
    ]);
    const ring: [number, number][] = [
      [-35.3, 47.5],
      [-35.3, 47.6],
      [-35.2, 47.6],
      [-35.3, 47.5],
    ];
    const shore = await shapesOf(file('shore.zip', zipSync({ 'shore.shp': polygonShp(ring) }) as BlobPart));
    expect(JSON.stringify(shore)).toContain('"Polygon"');
    expect(JSON.stringify(shore)).toContain('[-35.2,47.6]');
  });
});

// The shapefile's published layout (ESRI Shapefile Technical Description, 1998): a head of 100 bytes, big-endian lengths, little-endian figures.
function shp(type: number, records: Uint8Array[]): Uint8Array {
  const bytes = 100 + records.reduce((n, r) => n + 8 + r.length, 0);
  const out = new DataView(new ArrayBuffer(bytes));
  out.setInt32(0, 9994);
  out.setInt32(24, bytes / 2);
  out.setInt32(28, 1000, true);
  out.setInt32(32, type, true);
  let at = 100;
  records.forEach((r, i) => {
    out.setInt32(at, i + 1);
    out.setInt32(at + 4, r.length / 2);
    new Uint8Array(out.buffer, at + 8, r.length).set(r);
    at += 8 + r.length;
  });
  return new Uint8Array(out.buffer);
}

function pointsShp(points: [number, number][]): Uint8Array {
  return shp(
    1,
    points.map(([x, y]) => {
      const d = new DataView(new ArrayBuffer(20));
      d.setInt32(0, 1, true);
      d.setFloat64(4, x, true);
      d.setFloat64(12, y, true);
      return new Uint8Array(d.buffer);
    }),
  );
}

function polygonShp(ring: [number, number][]): Uint8Array {
  const d = new DataView(new ArrayBuffer(48 + ring.length * 16));
  d.setInt32(0, 5, true);
  d.setInt32(36, 1, true);
  d.setInt32(40, ring.length, true);
  ring.forEach(([x, y], i) => {
    d.setFloat64(48 + i * 16, x, true);
    d.setFloat64(56 + i * 16, y, true);
  });
  return shp(5, [new Uint8Array(d.buffer)]);
}

/** A dBASE table with one column of figures. */
function depthDbf(values: number[]): Uint8Array {
  const [head, width] = [32 + 32 + 1, 8];
  const out = new Uint8Array(head + values.length * (1 + width) + 1).fill(0x20);
  const d = new DataView(out.buffer);
  out.fill(0, 0, head);
  out[0] = 3;
  d.setUint32(4, values.length, true);
  d.setUint16(8, head, true);
  d.setUint16(10, 1 + width, true);
  out.set(new TextEncoder().encode('DEPTH'), 32);
  out[43] = 'N'.charCodeAt(0);
  out[48] = width;
  out[49] = 2;
  out[64] = 0x0d;
  for (const [i, v] of values.entries()) out.set(new TextEncoder().encode(v.toFixed(2).padStart(width)), head + i * (1 + width) + 1);
  out[out.length - 1] = 0x1a;
  return out;
}

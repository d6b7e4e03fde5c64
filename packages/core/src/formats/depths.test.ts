// Depths as charts give them: grids, bare figures, contours and points.
import { describe, expect, it } from 'vitest';
import { isAsciiGrid, pointsOfGrid, readAsciiGrid } from './asciiGrid';
import { depthsOfShapes } from './depthShapes';
import { guessSoundingMapping, readSoundings, xyzTable } from './soundingsCsv';

describe('an ASCII grid', () => {
  // The example of the format's own description, from memory: four columns, six rows, cells of 50, corner at nought.
  const text = [
    'ncols         4',
    'nrows         6',
    'xllcorner     0.0',
    'yllcorner     0.0',
    'cellsize      50.0',
    'NODATA_value  -9999',
    '-9999 -9999 5 2',
    '-9999 20 100 36',
    '3 8 35 10',
    '32 42 50 6',
    '88 75 27 9',
    '13 5 1 -9999',
  ].join('\r\n');
  it('has its first figure in the north-west and its corner outside the corner cell', () => {
    const g = readAsciiGrid(text);
    expect([g.columns, g.rows, g.x0, g.y0]).toEqual([4, 6, 25, 275]);
    const { points, every } = pointsOfGrid(g, 1000);
    expect(every).toBe(1);
    expect(points).toHaveLength(20);
    expect(points[0]).toEqual({ x: 125, y: 275, z: 5 });
    expect(points.at(-1)).toEqual({ x: 125, y: 25, z: 1 });
  });
  it('may give the middle of its corner cell, and is thinned evenly when it is too fine', () => {
    const g = readAsciiGrid(text.replaceAll('llcorner', 'llcenter'));
    expect([g.x0, g.y0]).toEqual([0, 250]);
    const fine = { columns: 100, rows: 100, x0: 0, y0: 99, dx: 1, dy: -1, z: new Float64Array(10_000).fill(3) };
    const thin = pointsOfGrid(fine, 500);
    expect(thin.every).toBe(5);
    expect(thin.points).toHaveLength(400);
  });
  it('that is cut off, holds a word or lacks its cell size says so', () => {
    expect(isAsciiGrid(text)).toBe(true);
    expect(() => readAsciiGrid(text.replace('13 5 1 -9999', '13 5'))).toThrow(/22 figures where 4 by 6 are 24/);
    expect(() => readAsciiGrid(text.replace('100', 'deep'))).toThrow(/"deep"/);
    expect(() => readAsciiGrid(text.replace(/cellsize.*\r\n/, ''))).toThrow(/cellsize/);
    expect(() => readAsciiGrid(text.replace('ncols         4', 'ncols 99999999'))).toThrow(/cannot be read/);
  });
});

describe('bare figures', () => {
  it('are x, y and depth, whatever blanks stand between, and metres where they cannot be degrees', () => {
    const table = xyzTable('# a survey\n456000.0  5268000.5 -4.25\n456010\t5268000.5\t-4.5\n');
    expect(table?.header).toEqual(['x', 'y', 'z']);
    const m = guessSoundingMapping(table as NonNullable<typeof table>, 'UTC');
    expect(m).toMatchObject({ lonColumn: 0, latColumn: 1, depthColumn: 2, positiveUp: true, projection: '' });
    const { soundings } = readSoundings(table as NonNullable<typeof table>, m, (x, y) => [x / 1e5, y / 1e6]);
    expect(soundings[0]).toMatchObject({ lon: 4.56, lat: 5.2680005, soundedM: 4.25 });
    expect(
      guessSoundingMapping({ ...(table as NonNullable<typeof table>), records: [{ line: 1, cells: ['-35.2', '47.6', '4'] }] }, 'UTC')
        .projection,
    ).toBeNull();
  });
  it('are not what has a head, words or two figures a line', () => {
    for (const text of ['x y z\n1 2 3', 'lat,lon,depth\n1,2,3', '1 2\n3 4', '', '#\n']) expect(xyzTable(text)).toBeNull();
  });
});

describe('depths out of shapes', () => {
  it('are those of contours for all of their line, of points, and of third figures', () => {
    const root = {
      type: 'FeatureCollection',
      features: [
        {
          type: 'Feature',
          properties: { Contour: 5 },
          geometry: {
            type: 'LineString',
            coordinates: [
              [1, 2],
              [1, 3],
            ],
          },
        },
        { type: 'Feature', properties: { DEPTH_M: '7.5' }, geometry: { type: 'Point', coordinates: [4, 5] } },
        {
          type: 'Feature',
          properties: { name: 'x' },
          geometry: {
            type: 'MultiPoint',
            coordinates: [
              [6, 7, 2.5],
              [6, 8],
            ],
          },
        },
        { type: 'Feature', properties: null, geometry: null },
      ],
    };
    const { points, without } = depthsOfShapes(root);
    expect(points).toEqual([
      { x: 1, y: 2, z: 5 },
      { x: 1, y: 3, z: 5 },
      { x: 4, y: 5, z: 7.5 },
      { x: 6, y: 7, z: 2.5 },
    ]);
    expect(without).toBe(1);
  });
  it('of no shapes at all are none, however the file is nested', () => {
    let deep: object = { type: 'Point', coordinates: [1, 2, 3] };
    for (let i = 0; i < 1000; i++) deep = { geometries: [deep] };
    for (const junk of [deep, {}, { features: [null, 3] }, { type: 'Point', coordinates: 'x' }])
      expect(depthsOfShapes(junk)).toEqual({ points: [], without: 0 });
  });
});

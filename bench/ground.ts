// Sea bed: soundings to contours, and runs between sixty places; interpolation beside d3-delaunay's own search.
import { contourDepths, contourLines } from '@bluffwind/core/ground/contourLines';
import { findFeatures } from '@bluffwind/core/ground/finder';
import { gridSoundings } from '@bluffwind/core/ground/gridSoundings';
import { runField, runMatrix } from '@bluffwind/core/ground/navigate';
import { type SeaBed, toPosition } from '@bluffwind/core/ground/seaBed';
import { seeded } from '@bluffwind/core/units/seeded';
import { Delaunay } from 'd3-delaunay';
import { ms, say, times } from './measure';

const CORNER = { lat0: 47.6, lon0: -35.2 };

export function benchGround(): void {
  say('\nSea bed: 100,000 soundings to contours');
  const random = seeded(3);
  const soundings = { lat: new Float64Array(100_000), lon: new Float64Array(100_000), depthM: new Float64Array(100_000) };
  for (let i = 0; i < 100_000; i++) {
    // Lines 12 m apart with a wandering boat.
    const [x, y] = [(i % 400) * 6 + random(), Math.floor(i / 400) * 12 + 3 * random()];
    const p = toPosition(CORNER, x, y);
    soundings.lat[i] = p.lat;
    soundings.lon[i] = p.lon;
    soundings.depthM[i] = 8 + 4 * Math.sin(x / 260) * Math.cos(y / 330) + 0.1 * random();
  }
  let cells = 0;
  const taken = times(3, () => {
    const bed = gridSoundings(soundings);
    cells = bed.columns * bed.rows;
    contourLines(bed, contourDepths(3, 13));
  });
  say(`  Bluffwind, ${cells} cells   ${ms(taken)}`);
  // The peer: walking the same triangulation once a cell, as the library offers it.
  const peer = times(1, () => {
    const coords = new Float64Array(200_000);
    for (let i = 0; i < 100_000; i++) {
      coords[2 * i] = (soundings.lon[i] as number) * 75_000;
      coords[2 * i + 1] = (soundings.lat[i] as number) * 111_200;
    }
    const d = new Delaunay(coords);
    let at = 0;
    for (let c = 0; c < cells; c++) {
      const share = c / cells;
      at = d.find((coords[0] as number) + 2400 * (share * 250 - Math.floor(share * 250)), (coords[1] as number) + 3000 * share, at);
    }
  });
  say(`  d3-delaunay, nearest sounding for as many cells (no interpolation)   ${ms(peer)}`);

  say('\nRuns: all ways between 60 places on 201 x 111 cells');
  const depthM = Float64Array.from({ length: 201 * 111 }, (_, k) => {
    const [i, j] = [k % 201, Math.floor(k / 201)];
    return 4 + 5 * Math.sin(i / 14) * Math.cos(j / 11);
  });
  const bed: SeaBed = { ...CORNER, cellM: 50, columns: 201, rows: 111, depthM, openBeyond: true };
  const places = Array.from({ length: 60 }, () => ({ xM: random() * 10_000, yM: random() * 5500 }));
  const boat = { speedMps: 10, draughtM: 0.6, waveLimitM: 1 };
  say(`  Bluffwind                ${ms(times(3, () => runMatrix(runField(bed, boat, 1, { noGo: [], noWake: [] }), places)))}`);
  say(`  the finder on it         ${ms(times(3, () => findFeatures(bed)))}`);
}

// The sea bed as polygons: what lies above a level, by contouring the grid (d3-contour, marching squares).
import { rayFetch } from '@bluffwind/core/exposure/fetch';
import { type SeaBed, toPosition } from '@bluffwind/core/ground/seaBed';
import { contours } from 'd3-contour';
import { MultiPolygon } from 'ol/geom';

type Rings = number[][][][];

function positions(bed: SeaBed, coordinates: Rings, scale = 1): MultiPolygon {
  return new MultiPolygon(
    coordinates.map((polygon) =>
      polygon.map((ring) =>
        ring.map(([gx, gy]) => {
          // d3-contour puts values at cell centres, half a cell in.
          const p = toPosition(bed, ((gx as number) - 0.5) * bed.cellM * scale, ((gy as number) - 0.5) * bed.cellM * scale);
          return [p.lon, p.lat];
        }),
      ),
    ),
  );
}

/**
 * Area at least as deep as a level, m below datum.
 * @param unsoundedM - What water that nobody has sounded counts as; it is left out when absent.
 */
export function deeperThan(bed: SeaBed, depthM: number, unsoundedM = Number.NaN): MultiPolygon {
  const values = Array.from(bed.depthM, (d) => (Number.isNaN(d) ? unsoundedM : d));
  const [c] = contours().size([bed.columns, bed.rows]).thresholds([depthM])(values);
  return positions(bed, (c?.coordinates ?? []) as Rings);
}

/** Water that nobody has sounded. */
export function unsoundedArea(bed: SeaBed): MultiPolygon | null {
  const values = Array.from(bed.depthM, (d) => (Number.isNaN(d) ? 1 : 0));
  if (!values.includes(1)) return null;
  const [c] = contours().size([bed.columns, bed.rows]).thresholds([0.5])(values);
  return positions(bed, (c?.coordinates ?? []) as Rings);
}

/** Water whose straight fetch toward the wind is under a limit, m: sheltered from it. */
export function shelteredArea(bed: SeaBed, windFromDeg: number, tideM: number, limitM = 900): MultiPolygon {
  const scale = 2;
  const columns = Math.floor(bed.columns / scale);
  const rows = Math.floor(bed.rows / scale);
  const values = new Array<number>(columns * rows);
  for (let r = 0; r < rows; r++) {
    for (let c = 0; c < columns; c++) {
      const depth = bed.depthM[r * scale * bed.columns + c * scale] as number;
      const wet = Number.isNaN(depth) || depth + tideM > 0.3;
      const fetch = wet ? rayFetch(bed, c * scale * bed.cellM, r * scale * bed.cellM, windFromDeg, tideM) : Number.POSITIVE_INFINITY;
      values[r * columns + c] = fetch < limitM ? 1 : 0;
    }
  }
  const [c] = contours().size([columns, rows]).thresholds([0.5])(values);
  return positions(bed, (c?.coordinates ?? []) as Rings, scale);
}

// A chart's grid from a shore alone, or from nothing but a place: what is water, what is land, and depths that nobody knows yet.
import { metresPerDegree, type SeaBed, toLocal } from './seaBed';

type Ring = readonly (readonly [lon: number, lat: number])[];

/** A drawn shore: polygons, each an outer edge and the edges of its holes. */
export interface Shore {
  /** Whether what lies inside is water (a lake, a river) or land (a coast, islands). */
  readonly inside: 'water' | 'land';
  readonly polygons: readonly (readonly Ring[])[];
}

/** Cells along the longer side. */
const CELLS = 200;
const LEAST_CELL_M = 5;
const MOST_CELL_M = 600;
/** Land whose height nobody has measured, m below datum. */
export const LAND_M = -5;
/** A water smaller or larger than this is a mistake of units or of position, m. */
const LEAST_M = 60;
const MOST_M = 120_000;
/** A coast is charted so far beyond what was drawn of it, as a share. */
const MARGIN = 0.03;

/**
 * The grid of a water.
 * @param place - The landing or the middle of the water, degrees.
 * @param acrossM - Width of a water without a shore, and of the sea round a place on a coast, m, 60 to 120,000.
 * @returns Water cells NaN (depth not known), land cells LAND_M.
 * Throws RangeError that says what is wrong with the shore.
 */
export function chartFromShore(place: { lat: number; lon: number }, shore: Shore | null, acrossM = 6000): SeaBed {
  const corners = (shore?.polygons ?? []).flatMap((p) => p.flat());
  const m = metresPerDegree(place.lat);
  if (corners.length === 0) {
    requireSize(acrossM);
    return blank({ lat: place.lat - acrossM / 2 / m.lat, lon: place.lon - acrossM / 2 / m.lon }, acrossM, acrossM, true);
  }
  // A coast has sea before it, as wide as the water is said to be; a lake ends at its shore.
  const half = acrossM / 2;
  const reach =
    shore?.inside === 'land'
      ? [
          ...corners,
          [place.lon - half / m.lon, place.lat - half / m.lat] as const,
          [place.lon + half / m.lon, place.lat + half / m.lat] as const,
        ]
      : corners;
  const [west, east] = [Math.min(...reach.map((c) => c[0])), Math.max(...reach.map((c) => c[0]))];
  const [south, north] = [Math.min(...reach.map((c) => c[1])), Math.max(...reach.map((c) => c[1]))];
  const [wide, high] = [(east - west) * m.lon, (north - south) * m.lat];
  requireSize(Math.max(wide, high));
  const open = shore?.inside === 'land';
  // A lake needs its shore inside the grid; a coast some sea before it.
  const margin = open ? MARGIN * Math.max(wide, high) : (3 * Math.max(wide, high)) / CELLS;
  const bed = blank({ lat: south - margin / m.lat, lon: west - margin / m.lon }, wide + 2 * margin, high + 2 * margin, open);
  const depthM = Float64Array.from(bed.depthM);
  if (!open) depthM.fill(LAND_M);
  for (const polygon of shore?.polygons ?? [])
    forInside(bed, polygon, (k) => {
      depthM[k] = open ? LAND_M : Number.NaN;
    });
  if (!depthM.some((d) => Number.isNaN(d)))
    throw new RangeError('shore: no water is left; say whether the drawn edge goes round water or land');
  return { ...bed, depthM };
}

function requireSize(metres: number): void {
  if (!(metres >= LEAST_M && metres <= MOST_M))
    throw new RangeError(
      `shore: expected a water from ${LEAST_M} m to ${MOST_M / 1000} km across, got ${metres < 1000 ? `${Math.round(metres)} m` : `${(metres / 1000).toFixed(0)} km`}`,
    );
}

function blank(corner: { lat: number; lon: number }, wideM: number, highM: number, openBeyond: boolean): SeaBed {
  const cellM = Math.round(Math.min(MOST_CELL_M, Math.max(LEAST_CELL_M, Math.max(wideM, highM) / CELLS)) * 10) / 10;
  const [columns, rows] = [Math.max(8, Math.ceil(wideM / cellM) + 1), Math.max(8, Math.ceil(highM / cellM) + 1)];
  return {
    lat0: corner.lat,
    lon0: corner.lon,
    cellM,
    columns,
    rows,
    openBeyond,
    depthM: new Float64Array(columns * rows).fill(Number.NaN),
  };
}

/** Calls for every cell inside a polygon with holes (even-odd over its rings), row by row. */
function forInside(bed: SeaBed, rings: readonly Ring[], mark: (cell: number) => void): void {
  const local = rings.map((ring) => ring.map(([lon, lat]) => toLocal(bed, lat, lon)));
  for (let j = 0; j < bed.rows; j++) {
    const y = j * bed.cellM;
    const crossings: number[] = [];
    for (const ring of local)
      ring.forEach((b, i) => {
        const a = ring[(i + ring.length - 1) % ring.length];
        if (a && a.yM > y !== b.yM > y) crossings.push(a.xM + ((y - a.yM) * (b.xM - a.xM)) / (b.yM - a.yM));
      });
    crossings.sort((a, b) => a - b);
    for (let c = 0; c + 1 < crossings.length; c += 2) {
      const first = Math.max(0, Math.ceil((crossings[c] ?? 0) / bed.cellM));
      const last = Math.min(bed.columns - 1, Math.floor((crossings[c + 1] ?? 0) / bed.cellM));
      for (let i = first; i <= last; i++) mark(j * bed.columns + i);
    }
  }
}

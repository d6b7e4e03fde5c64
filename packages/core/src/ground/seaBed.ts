/** A regular grid of depths below chart datum (drying ground negative), row 0 in the south, local metres. */
import { nth } from '../units/indexed';
export interface SeaBed {
  /** Position of the south-west corner. */
  readonly lat0: number;
  readonly lon0: number;
  readonly cellM: number;
  readonly columns: number;
  readonly rows: number;
  /** Depth below chart datum, m; land is negative, NaN is water that is not surveyed. Row by row from the south-west. */
  readonly depthM: ArrayLike<number>;
  /** Whether open water lies beyond the edge of the grid. */
  readonly openBeyond: boolean;
}

/** Metres per degree of latitude and longitude at a latitude (WGS 84 series, good to 1 m). */
export function metresPerDegree(lat: number): { lat: number; lon: number } {
  const r = (lat * Math.PI) / 180;
  return {
    lat: 111132.92 - 559.82 * Math.cos(2 * r) + 1.175 * Math.cos(4 * r),
    lon: 111412.84 * Math.cos(r) - 93.5 * Math.cos(3 * r) + 0.118 * Math.cos(5 * r),
  };
}

/** Position in degrees to metres east and north of the grid's corner. */
export function toLocal(bed: Pick<SeaBed, 'lat0' | 'lon0'>, lat: number, lon: number): { xM: number; yM: number } {
  const m = metresPerDegree(bed.lat0);
  return { xM: (lon - bed.lon0) * m.lon, yM: (lat - bed.lat0) * m.lat };
}

/** Metres east and north of the grid's corner to a position in degrees. */
export function toPosition(bed: Pick<SeaBed, 'lat0' | 'lon0'>, xM: number, yM: number): { lat: number; lon: number } {
  const m = metresPerDegree(bed.lat0);
  return { lat: bed.lat0 + yM / m.lat, lon: bed.lon0 + xM / m.lon };
}

/** Depth below chart datum at a local point, bilinear; null outside the grid and where it is not surveyed. */
export function depthAt(bed: SeaBed, xM: number, yM: number): number | null {
  const gx = xM / bed.cellM;
  const gy = yM / bed.cellM;
  const i = Math.floor(gx);
  const j = Math.floor(gy);
  if (i < 0 || j < 0 || i >= bed.columns - 1 || j >= bed.rows - 1) return null;
  const at = (c: number, r: number) => nth(bed.depthM, r * bed.columns + c);
  const fx = gx - i;
  const fy = gy - j;
  const south = at(i, j) + fx * (at(i + 1, j) - at(i, j));
  const north = at(i, j + 1) + fx * (at(i + 1, j + 1) - at(i, j + 1));
  const depth = south + fy * (north - south);
  return Number.isNaN(depth) ? null : depth;
}

/**
 * Depth of the nearest cell at a local point: NaN where it is water that nobody has sounded, null outside the grid (as of `depthAt`).
 */
export function nearestDepth(bed: SeaBed, xM: number, yM: number): number | null {
  const [x, y] = [xM / bed.cellM, yM / bed.cellM];
  if (x < 0 || y < 0 || x >= bed.columns - 1 || y >= bed.rows - 1) return null;
  return bed.depthM[Math.round(y) * bed.columns + Math.round(x)] ?? null;
}

/** Distance between two positions some kilometres apart, m (plane, within 0.1 % over 30 km). */
export function distanceM(a: { lat: number; lon: number }, b: { lat: number; lon: number }): number {
  const m = metresPerDegree((a.lat + b.lat) / 2);
  return Math.hypot((b.lat - a.lat) * m.lat, (b.lon - a.lon) * m.lon);
}

/** Bearing from one position to another some kilometres off, degrees true. */
export function bearingDeg(from: { lat: number; lon: number }, to: { lat: number; lon: number }): number {
  const m = metresPerDegree((from.lat + to.lat) / 2);
  const deg = (Math.atan2((to.lon - from.lon) * m.lon, (to.lat - from.lat) * m.lat) * 180) / Math.PI;
  return (deg + 360) % 360;
}

// Positions and measures of places in the invented waters.
import { measureSpot } from '@bluffwind/core/ground/measureSpot';
import { toPosition } from '@bluffwind/core/ground/seaBed';
import { GROUND } from './geography';

export const KEYS = ['sound', 'skerries', 'lake'] as const;
export type WaterKey = (typeof KEYS)[number];

/** Depth range, position and shore of a spot from the ground. */
export function measured(key: WaterKey, x: number, y: number) {
  const m = measureSpot(GROUND[key].bed, 'point', [lonLat(key, x, y)]);
  if (m.depthMinM === null || m.depthMaxM === null) throw new Error(`spot at ${x}, ${y} of ${key} lies on land`);
  return { depthMinM: m.depthMinM, depthMaxM: m.depthMaxM, lat: m.lat, lon: m.lon, shoreNormalDeg: m.shoreNormalDeg };
}

/** A place as [lon, lat]. */
export function lonLat(key: WaterKey, x: number, y: number): [number, number] {
  const p = position(key, x, y);
  return [p.lon, p.lat];
}

/** A place as latitude and longitude. */
export function position(key: WaterKey, x: number, y: number): { lat: number; lon: number } {
  return toPosition(GROUND[key].bed, x, y);
}

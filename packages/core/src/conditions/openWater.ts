// The place at which a water is judged as a whole: the open water in its middle.
import { measureSpot } from '../ground/measureSpot';
import type { SeaBed } from '../ground/seaBed';
import type { RiskSpot } from '../risk/atPlace';
import { plainSpot, type SpotGround } from './spotConditions';

/** Depth that is taken where the middle has not been sounded, m. */
const UNSOUNDED_M = 5;

/** A place at which a water is judged. */
export type OpenPlace = SpotGround & RiskSpot;

/** The open water in the middle of a chart. */
export function openWater(bed: SeaBed, middle: { readonly lat: number; readonly lon: number }): OpenPlace {
  const m = measureSpot(bed, 'point', [[middle.lon, middle.lat]]);
  return { ...plainSpot(middle, Math.max(UNSOUNDED_M, m.depthMaxM ?? UNSOUNDED_M), m.fetchM), accessDepthM: null, hazards: [] };
}

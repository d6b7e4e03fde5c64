// A boat that drifts: the wind's drag on hull and people equals the water's on hull and sea anchor. Both grow with the square of the speed
// past them, so the speed through the water is the wind's over the water times k / (1 + k), k = sqrt(air Ca Aa / (water (Ch Ah + Cs As))).
// Drag coefficients of the trade: 0.9 to 1.2 on windage, 1.35 for an open parachute across the flow (from memory).
import { inRange, overNothing } from '../units/inRange';
import { AIR, SEA_WATER } from './matter';

export interface DriftingBoat {
  readonly windMps: number;
  /** Bearing the wind comes from, degrees true. */
  readonly windFromDeg: number;
  readonly currentMps: number;
  /** Bearing the current runs to, degrees true. */
  readonly currentToDeg: number;
  /** Area the wind meets, m2, over 0. */
  readonly windageM2: number;
  readonly windageCd?: number;
  /** Area of the hull under water across the drift, m2. */
  readonly hullM2: number;
  readonly hullCd?: number;
  /** Diameter of the sea anchor, m; 0 for none. */
  readonly anchorDiameterM?: number;
  readonly anchorCd?: number;
  readonly airKgM3?: number;
  readonly waterKgM3?: number;
}

export interface Drift {
  /** Over the ground, m/s and degrees true. */
  readonly speedMps: number;
  readonly toDeg: number;
  readonly throughWaterMps: number;
}

const RAD = Math.PI / 180;

/**
 * Speed and course of the drift.
 * @throws RangeError for a quantity out of range, and for a boat that shows nothing to the water.
 * @example driftSpeed({ windMps: 8, windFromDeg: 270, currentMps: 0, currentToDeg: 0, windageM2: 6, hullM2: 2 }).speedMps.toFixed(6) === '0.451961'
 */
export function driftSpeed(boat: DriftingBoat): Drift {
  const { windageCd = 1, hullCd = 1, anchorDiameterM = 0, anchorCd = 1.35, airKgM3 = AIR, waterKgM3 = SEA_WATER } = boat;
  inRange('windMps', boat.windMps, 0, 60, 'm/s');
  inRange('currentMps', boat.currentMps, 0, 5, 'm/s');
  inRange('hullM2', boat.hullM2, 0, 1000, 'm2');
  inRange('anchorDiameterM', anchorDiameterM, 0, 30, 'm');
  overNothing('windageM2', boat.windageM2, 'm2');
  const inWater = hullCd * boat.hullM2 + anchorCd * Math.PI * (anchorDiameterM / 2) ** 2;
  overNothing('hullM2', inWater, 'm2 of hull or sea anchor in the water');
  const k = Math.sqrt((airKgM3 * windageCd * boat.windageM2) / (waterKgM3 * inWater));
  const share = k / (1 + k);
  const wind = vector(boat.windMps, boat.windFromDeg + 180);
  const water = vector(boat.currentMps, boat.currentToDeg);
  const through = { east: (wind.east - water.east) * share, north: (wind.north - water.north) * share };
  const east = water.east + through.east;
  const north = water.north + through.north;
  return {
    speedMps: Math.hypot(east, north),
    toDeg: (Math.atan2(east, north) / RAD + 360) % 360,
    throughWaterMps: Math.hypot(through.east, through.north),
  };
}

function vector(speed: number, toDeg: number): { east: number; north: number } {
  return { east: speed * Math.sin(toDeg * RAD), north: speed * Math.cos(toDeg * RAD) };
}

/**
 * What the hull shows to the water, from a drift that was timed: m2 that give the speed through the water which was seen.
 * @param seen - Speed through the water, m/s, over 0 and under the wind's over the water.
 * @throws RangeError where the seen speed is not below the wind's over the water.
 */
export function hullOfTimed(boat: Omit<DriftingBoat, 'hullM2'>, seenThroughWaterMps: number): number {
  const { windageCd = 1, hullCd = 1, anchorDiameterM = 0, anchorCd = 1.35, airKgM3 = AIR, waterKgM3 = SEA_WATER } = boat;
  const wind = vector(boat.windMps, boat.windFromDeg + 180);
  const water = vector(boat.currentMps, boat.currentToDeg);
  const over = Math.hypot(wind.east - water.east, wind.north - water.north);
  const seen = overNothing('seenThroughWaterMps', seenThroughWaterMps, 'm/s');
  if (seen >= over)
    throw new RangeError(`seenThroughWaterMps: expected less than the wind's ${over.toFixed(2)} m/s over the water, got ${seen}`);
  const k = seen / (over - seen);
  const inWater = (airKgM3 * windageCd * boat.windageM2) / (waterKgM3 * k * k);
  return Math.max(0.05, (inWater - anchorCd * Math.PI * (anchorDiameterM / 2) ** 2) / hullCd);
}

import { inRange } from '../units/inRange';
import { GRAVITY, SEA_WATER } from '../tackle/matter';

const ATMOSPHERE_PA = 101_325;

/**
 * How many times as large the gas in a swim bladder would be at the surface as at a depth (Boyle 1662; standard atmosphere).
 * @param depthM - Depth the fish came from, 0 to 500 m. @param waterKgM3 - Density of the water, kg/m3.
 * @throws RangeError for a depth out of range.
 */
export function gasVolume(depthM: number, waterKgM3 = SEA_WATER): number {
  inRange('depthM', depthM, 0, 500, 'm');
  return (ATMOSPHERE_PA + inRange('waterKgM3', waterKgM3, 900, 1100, 'kg/m3') * GRAVITY * depthM) / ATMOSPHERE_PA;
}

/** Depth from which fish are brought up slowly, m; harm is likely from 15 to 20 m (usual practice). */
export const BAROTRAUMA_FROM_M = 10;

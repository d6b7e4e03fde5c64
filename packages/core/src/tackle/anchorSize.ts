import { inRange } from '../units/inRange';
import { type Drift, type DriftingBoat, driftSpeed } from './driftSpeed';

/**
 * The smallest sea anchor on offer that slows the boat to a wanted speed through the water; none (diameter null) when even the largest does
 * not, with the drift that the largest gives.
 * @param sizesM - Diameters on offer, m, over 0. @param wantedMps - Greatest speed through the water, m/s.
 * @throws RangeError as of {@link driftSpeed}, and for no sizes.
 */
export function anchorSize(
  boat: Omit<DriftingBoat, 'anchorDiameterM'>,
  wantedMps: number,
  sizesM: readonly number[],
): { diameterM: number | null; drift: Drift } {
  inRange('wantedThroughWaterMps', wantedMps, 0, 10, 'm/s');
  if (sizesM.length === 0) throw new RangeError('sizesM: expected at least one sea anchor, got none');
  let drift: Drift | null = null;
  for (const diameterM of [...sizesM].sort((a, b) => a - b)) {
    drift = driftSpeed({ ...boat, anchorDiameterM: inRange('sizesM', diameterM, 0.1, 30, 'm') });
    if (drift.throughWaterMps <= wantedMps) return { diameterM, drift };
  }
  return { diameterM: null, drift: drift ?? driftSpeed(boat) };
}

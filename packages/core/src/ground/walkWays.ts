// Ways of people on foot: straight at a walking pace, a third longer for the bends of paths (common practice), to spots that a cast reaches
// from the bank.
import { inRange, overNothing } from '../units/inRange';
import { depthAt, distanceM, type SeaBed, toLocal } from './seaBed';

/** Paths are so much longer than the straight way. */
export const DETOUR = 1.3;
/** Structures that one stands on, whatever the chart says of land. */
const STOOD_ON = ['pier', 'platform', 'wall', 'quay', 'bridge', 'jetty', 'dam', 'bank'];
const BEARINGS = 24;

export interface WalkedSpot {
  readonly lat: number;
  readonly lon: number;
  readonly structure: string;
}

/** Minutes between where one parks and the spots, and between spots; null where no cast from the bank reaches. */
export interface WalkWays {
  readonly dockMin: readonly (number | null)[];
  readonly betweenMin: readonly (readonly (number | null)[])[];
}

/**
 * Walking minutes.
 * @param paceMps - Walking pace, 0.2 to 3 m/s. @param castM - How far a cast reaches from the bank, over 0 to 300 m.
 * @param handlingMin - Getting rods down and up again at each spot, minutes.
 * @throws RangeError for a pace or a cast out of range.
 */
export function walkWays(
  bed: SeaBed,
  from: { readonly lat: number; readonly lon: number },
  spots: readonly WalkedSpot[],
  paceMps: number,
  castM: number,
  handlingMin: number,
): WalkWays {
  inRange('paceMps', paceMps, 0.2, 3, 'm/s');
  inRange('castM', overNothing('castM', castM, 'm'), 0, 300, 'm');
  const land = hasLand(bed);
  const reached = spots.map((s) => !land || STOOD_ON.some((w) => s.structure.includes(w)) || nearBank(bed, s, castM));
  const minutes = (a: { lat: number; lon: number }, b: { lat: number; lon: number }) =>
    (distanceM(a, b) * DETOUR) / paceMps / 60 + handlingMin;
  return {
    dockMin: spots.map((s, i) => (reached[i] ? minutes(from, s) : null)),
    betweenMin: spots.map((a, i) => spots.map((b, j) => (i === j ? 0 : reached[i] && reached[j] ? minutes(a, b) : null))),
  };
}

function hasLand(bed: SeaBed): boolean {
  for (let i = 0; i < bed.depthM.length; i++) if ((bed.depthM[i] ?? 0) < 0) return true;
  return false;
}

/** Whether dry ground lies within a cast of a spot. */
function nearBank(bed: SeaBed, spot: WalkedSpot, castM: number): boolean {
  const at = toLocal(bed, spot.lat, spot.lon);
  const step = Math.max(2, bed.cellM / 2);
  for (let r = 0; r <= castM; r += step)
    for (let k = 0; k < (r === 0 ? 1 : BEARINGS); k++) {
      const a = (2 * Math.PI * k) / BEARINGS;
      const depth = depthAt(bed, at.xM + r * Math.sin(a), at.yM + r * Math.cos(a));
      if (depth !== null && depth <= 0) return true;
    }
  return false;
}

// Node factors f and corrections u after Schureman, Manual of Harmonic Analysis and Prediction of Tides,
// Special Publication 98 (1940), equations 65-78, 149, 197-207, 213-215, 224-235. Valid for any date.
import { DEG } from '../units/angle';
import type { AstronomicalArguments } from './astronomicalArguments';

/** Which of Schureman's formulas a constituent follows. */
export type NodeFormula = 'one' | 'M2' | 'O1' | 'K1' | 'K2' | 'J1' | 'OO1' | 'MM' | 'MF' | 'M3' | 'L2' | 'M1' | 'ETA2';

/** Amplitude factor f (about 1) and phase correction u in degrees. */
export interface NodeFactor {
  readonly f: number;
  readonly uDeg: number;
}

/** Every node factor at one instant. */
export function nodeFactors(args: AstronomicalArguments): Record<NodeFormula, NodeFactor> {
  const n = (args.n > 180 ? args.n - 360 : args.n) * DEG;
  const i = Math.acos(0.9136949 - 0.0356926 * Math.cos(n));
  const a1 = Math.atan(1.01883 * Math.tan(n / 2));
  const a2 = Math.atan(0.64412 * Math.tan(n / 2));
  const nu = a1 - a2;
  const xi = n - a1 - a2;
  const sinI = Math.sin(i);
  const sin2I = Math.sin(2 * i);
  const cosHalf = Math.cos(i / 2);
  const sinHalf = Math.sin(i / 2);
  const tanHalf2 = (sinHalf / cosHalf) ** 2;
  const nuPrime = Math.atan((sin2I * Math.sin(nu)) / (sin2I * Math.cos(nu) + 0.3347));
  const nuDouble2 = Math.atan((sinI ** 2 * Math.sin(2 * nu)) / (sinI ** 2 * Math.cos(2 * nu) + 0.0727));
  const p = args.p * DEG - xi;
  const fM2 = cosHalf ** 4 / 0.9154;
  const fO1 = (sinI * cosHalf ** 2) / 0.38;
  const r = Math.atan2(Math.sin(2 * p), 1 / (6 * tanHalf2) - Math.cos(2 * p));
  const inverseRa = Math.sqrt(1 - 12 * tanHalf2 * Math.cos(2 * p) + 36 * tanHalf2 ** 2);
  const ratio = Math.cos(i) / cosHalf ** 2;
  const inverseQa = Math.sqrt(0.25 + 1.5 * ratio * Math.cos(2 * p) + 2.25 * ratio ** 2);
  // Q shares the quadrant of P, which atan2 keeps.
  const q = Math.atan2((5 * Math.cos(i) - 1) * Math.sin(p), (7 * Math.cos(i) + 1) * Math.cos(p));
  const entry = (f: number, u: number): NodeFactor => ({ f, uDeg: u / DEG });
  return {
    one: entry(1, 0),
    M2: entry(fM2, 2 * xi - 2 * nu),
    O1: entry(fO1, 2 * xi - nu),
    K1: entry(Math.sqrt(0.8965 * sin2I ** 2 + 0.6001 * sin2I * Math.cos(nu) + 0.1006), -nuPrime),
    K2: entry(Math.sqrt(19.0444 * sinI ** 4 + 2.7702 * sinI ** 2 * Math.cos(2 * nu) + 0.0981), -nuDouble2),
    J1: entry(sin2I / 0.7214, -nu),
    OO1: entry((sinI * sinHalf ** 2) / 0.0164, -2 * xi - nu),
    MM: entry((2 / 3 - sinI ** 2) / 0.5021, 0),
    MF: entry(sinI ** 2 / 0.1578, -2 * xi),
    M3: entry(cosHalf ** 6 / 0.8758, 3 * xi - 3 * nu),
    L2: entry(fM2 * inverseRa, 2 * xi - 2 * nu - r),
    M1: entry(fO1 * inverseQa, -nu - (p - q)),
    ETA2: entry(sinI ** 2 / 0.1565, -2 * nu),
  };
}

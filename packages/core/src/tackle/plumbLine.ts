// Where a weight hangs below the rod in a current: a taut line without weight of its own across a steady stream. The stream presses on the
// line at right angles with q cos2(theta) a metre, q = rho Cd d U2 / 2, so the pull T along it is constant and u = tan(theta) grows by q / T
// for every metre of line from the sinker up. Integrated in closed form: depth = T/q (asinh u1 - asinh u0), line = T/q (u1 - u0),
// back = T/q (sqrt(1 + u1^2) - sqrt(1 + u0^2)). Braid and nylon from 0.1 to 1 mm, currents to 3 m/s.
import { inRange, overNothing } from '../units/inRange';
import { GRAVITY, LEAD, LINE_CD, SEA_WATER, SPHERE_CD, sphereOf } from './matter';

export interface LineInCurrent {
  /** Depth of the sinker, m, over 0. */
  readonly depthM: number;
  /** Current past the line, m/s, 0 to 5: the drift is taken off first. */
  readonly currentMps: number;
  /** Diameter of the line, mm. */
  readonly lineMm: number;
  readonly sinkerG: number;
  readonly sinkerKgM3?: number;
  readonly waterKgM3?: number;
  readonly lineCd?: number;
  readonly sinkerCd?: number;
}

export interface HangingLine {
  /** Line from rod tip at the surface to the sinker, m. */
  readonly lineM: number;
  /** How far down the current the sinker lies, m. */
  readonly backM: number;
  /** Angle of the line at the surface from the vertical, degrees. */
  readonly angleDeg: number;
}

/**
 * How the line hangs.
 * @throws RangeError for a quantity out of range, and for a current that carries the line off before it reaches the depth.
 * @example plumbLine({ depthM: 14, currentMps: 0.4, lineMm: 0.15, sinkerG: 60 }).angleDeg.toFixed(4) === '22.8972'
 */
export function plumbLine(input: LineInCurrent): HangingLine {
  const { pullN, u0, perM } = pullOf(input);
  const { depthM } = input;
  if (perM === 0) return { lineM: depthM, backM: 0, angleDeg: 0 };
  const u1 = Math.sinh((depthM * perM) / pullN + Math.asinh(u0));
  if (!(u1 < 60))
    throw new RangeError(
      `sinkerG: expected a weight that reaches ${depthM} m at ${input.currentMps} m/s, got ${input.sinkerG} g: the line lies flat on the current`,
    );
  const reach = pullN / perM;
  return {
    lineM: reach * (u1 - u0),
    backM: reach * (Math.sqrt(1 + u1 * u1) - Math.sqrt(1 + u0 * u0)),
    angleDeg: (Math.atan(u1) * 180) / Math.PI,
  };
}

/**
 * Shape of the line from the sinker (first) to the surface: height over the sinker and distance against the current, m.
 * @param points - How many, 2 or more.
 */
export function lineShape(input: LineInCurrent, points = 24): readonly { readonly upM: number; readonly alongM: number }[] {
  inRange('points', points, 2, 1000);
  const { pullN, u0, perM } = pullOf(input);
  const { lineM } = plumbLine(input);
  const k = perM / pullN;
  return Array.from({ length: points }, (_, i) => {
    const s = (lineM * i) / (points - 1);
    if (perM === 0) return { upM: s, alongM: 0 };
    const u = u0 + k * s;
    return { upM: (Math.asinh(u) - Math.asinh(u0)) / k, alongM: (Math.sqrt(1 + u * u) - Math.sqrt(1 + u0 * u0)) / k };
  });
}

/** Pull along the line, N, tangent of its angle at the sinker, and the stream's push on a metre of it, N/m. */
export function pullOf(input: LineInCurrent): { pullN: number; u0: number; perM: number } {
  const { depthM, currentMps, lineMm, sinkerG } = input;
  const { sinkerKgM3 = LEAD, waterKgM3 = SEA_WATER, lineCd = LINE_CD, sinkerCd = SPHERE_CD } = input;
  overNothing('depthM', depthM, 'm');
  inRange('currentMps', currentMps, 0, 5, 'm/s');
  inRange('lineMm', overNothing('lineMm', lineMm, 'mm'), 0, 5, 'mm');
  inRange('sinkerG', overNothing('sinkerG', sinkerG, 'g'), 0, 20_000, 'g');
  inRange('waterKgM3', waterKgM3, 900, 1100, 'kg/m3');
  if (!(sinkerKgM3 > waterKgM3)) throw new RangeError(`sinkerKgM3: expected more than the water's ${waterKgM3} kg/m3, got ${sinkerKgM3}`);
  const { volumeM3, faceM2 } = sphereOf(sinkerG / 1000, sinkerKgM3);
  const pressure = (waterKgM3 * currentMps * currentMps) / 2;
  const weightN = (sinkerKgM3 - waterKgM3) * volumeM3 * GRAVITY;
  const dragN = pressure * inRange('sinkerCd', sinkerCd, 0, 5) * faceM2;
  return {
    pullN: Math.hypot(weightN, dragN),
    u0: dragN / weightN,
    perM: (pressure * inRange('lineCd', lineCd, 0, 5) * lineMm) / 1000,
  };
}

// Depth of a lipped lure on a cast. A lip pulls the lure down until the drag of the line holds it up: the line that is out grows with the
// cast, so depth saturates with it, and drag grows with diameter, so thinner line dives deeper (P2). Parameters from memory of the trade's
// rules of thumb ("half the line, a quarter to a third deeper"; "full depth in the second third of a long cast"); good to a fifth, and a
// crew's own measured depth overrules them.
import { overNothing } from '../units/inRange';

/** Depth goes with diameter to the power of minus this. */
const LINE_POWER = 0.5;
/** Cast after which 63 % of the depth is reached, m. */
const REACH_M = 12;

export interface Diver {
  /** Depth on the box, m, and the line and cast that it was rated with. */
  readonly ratedM: number;
  readonly ratedLineMm: number;
  readonly ratedCastM: number;
}

/**
 * Depth that a diver reaches, m.
 * @param lineMm - Diameter of the line it is fished on, mm, over 0. @param castM - Length of the cast, m, over 0.
 * @throws RangeError for a quantity that is not over 0.
 */
export function diverDepth(diver: Diver, lineMm: number, castM: number): number {
  overNothing('ratedM', diver.ratedM, 'm');
  overNothing('ratedLineMm', diver.ratedLineMm, 'mm');
  overNothing('ratedCastM', diver.ratedCastM, 'm');
  const reached = (m: number) => 1 - Math.exp(-m / REACH_M);
  const byLine = (diver.ratedLineMm / overNothing('lineMm', lineMm, 'mm')) ** LINE_POWER;
  return diver.ratedM * byLine * (reached(overNothing('castM', castM, 'm')) / reached(diver.ratedCastM));
}

/** How far past the bottom a diver should run, m (P1, common practice). */
export const PAST_BOTTOM_M = [0.3, 0.6] as const;

/**
 * Depth on the box of the diver that touches a bottom and can be reeled slowly, least and most, m: it runs 0.3 to 0.6 m deeper than the
 * water as it is fished (P1).
 */
export function diverFor(
  depthM: number,
  line: { readonly ratedLineMm: number; readonly ratedCastM: number },
  lineMm: number,
  castM: number,
): [number, number] {
  const perRated = diverDepth({ ratedM: 1, ratedLineMm: line.ratedLineMm, ratedCastM: line.ratedCastM }, lineMm, castM);
  return [(overNothing('depthM', depthM, 'm') + PAST_BOTTOM_M[0]) / perRated, (depthM + PAST_BOTTOM_M[1]) / perRated];
}

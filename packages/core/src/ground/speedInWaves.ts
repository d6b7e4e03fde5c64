/** A boat as far as its speed in a sea goes. */
export interface BoatInWaves {
  readonly speedMps: number;
  /** Its own limit, m; it is full speed up to a third of it. Null where nobody has said: then waves do not slow it here. */
  readonly waveLimitM: number | null;
  /** Speed that is left at that limit, m/s; half where absent or null (common practice: off the plane). */
  readonly roughMps?: number | null | undefined;
}

const LEFT_AT_LIMIT = 0.5;
const CALM_SHARE = 1 / 3;
/** No boat is given up as slower than this share of its speed (common practice). */
const LEAST_SHARE = 1 / 3;

/**
 * Speed in waves, m/s: full in a third of the limit, what the captain has said (or half) at it, linear between and beyond, down to a third.
 * @param waveM - Significant height, m, >= 0; null where it is not known, which slows nobody.
 */
export function speedInWaves(boat: BoatInWaves, waveM: number | null): number {
  const { speedMps, waveLimitM } = boat;
  if (waveLimitM === null || waveM === null) return speedMps;
  const calmM = waveLimitM * CALM_SHARE;
  if (waveM <= calmM) return speedMps;
  const left = Math.min(1, boat.roughMps == null ? LEFT_AT_LIMIT : boat.roughMps / speedMps);
  const share = 1 - (1 - left) * ((waveM - calmM) / (waveLimitM - calmM));
  return speedMps * Math.max(Math.min(left, LEAST_SHARE), share);
}

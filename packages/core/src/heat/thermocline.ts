// Deep lakes in summer: a warm upper layer over cold water. Depth of the break by Hanna 1990 (from memory), log10 TD(m) = 0.185
// log10 MEL(km) + 0.842 with MEL the longest open stretch of water. Below it the temperature falls by 1 C a metre or more toward that
// of the spring turnover, 4 to 8 C (common practice of limnology): a range, since nobody has let a thermometer down.

/** Coldest and warmest that a lake of the temperate zone keeps below its break, C. */
const TURNOVER_C = [4, 8] as const;
/** Fall below the break, C a metre: the least, and the most that is usual. */
const FALL_C_PER_M = [1, 3] as const;
/** A lake colder than this on top has not parted yet, or has turned over again, C. */
const PARTED_C = 11;

/** Depth of the break, m. @param longestM - Longest open stretch of water, m, > 0. */
export function thermoclineM(longestM: number): number {
  return 10 ** (0.185 * Math.log10(longestM / 1000) + 0.842);
}

/** Water near the bottom of a parted lake, C, and the depth of the break over it, m. */
export interface DeepWater {
  readonly lowC: number;
  readonly highC: number;
  readonly breakM: number;
}

/**
 * Water at a depth under the break; null where the lake is not parted or the depth lies above it.
 * @param surfaceC - On top. @param depthM - >= 0. @param longestM - Longest open stretch of water, m, > 0.
 */
export function deepWater(surfaceC: number, depthM: number, longestM: number): DeepWater | null {
  const breakM = thermoclineM(longestM);
  if (surfaceC < PARTED_C || depthM <= breakM) return null;
  const below = depthM - breakM;
  return {
    lowC: Math.max(TURNOVER_C[0], surfaceC - FALL_C_PER_M[1] * below),
    highC: Math.max(TURNOVER_C[1], surfaceC - FALL_C_PER_M[0] * below),
    breakM,
  };
}

/** Longest open stretch through a place, m, from its fetch by bearings of ten degrees. */
export function longestStretchM(rose: readonly number[]): number {
  return rose.reduce((most, there, i) => Math.max(most, there + (rose[(i + 18) % 36] ?? 0)), 1);
}

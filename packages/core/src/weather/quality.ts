// Flags after the IOOS QARTOD scheme: 1 pass, 3 suspect, 4 fail. Gross range, spike and flat line tests
// (QARTOD manuals for temperature, water level and wind). Only the sequence of one sensor is looked at.

/** 1 pass, 3 suspect, 4 fail. */
export type QualityFlag = 1 | 3 | 4;

interface Limits {
  readonly min: number;
  readonly max: number;
  /** A jump away from both neighbours beyond this is a spike. */
  readonly spike: number;
  /** Hours without any change after which the sensor counts as stuck; null where standing still is normal. */
  readonly flatH: number | null;
}

/** Gross ranges of the variables the product knows, SI. */
export const VARIABLE_LIMITS: Record<string, Limits> = {
  windMps: { min: 0, max: 60, spike: 12, flatH: 4 },
  windGustMps: { min: 0, max: 80, spike: 20, flatH: 4 },
  windFromDeg: { min: 0, max: 360, spike: Number.POSITIVE_INFINITY, flatH: null },
  airTempC: { min: -40, max: 50, spike: 6, flatH: 8 },
  pressureHpa: { min: 870, max: 1085, spike: 8, flatH: 12 },
  cloud: { min: 0, max: 1, spike: Number.POSITIVE_INFINITY, flatH: null },
  waterTempC: { min: -2, max: 36, spike: 3, flatH: 24 },
  waterLevelM: { min: -5, max: 12, spike: 1.5, flatH: 4 },
  clarityM: { min: 0.05, max: 40, spike: Number.POSITIVE_INFINITY, flatH: null },
  flowM3s: { min: 0, max: 5000, spike: 200, flatH: null },
};

/** A reading in time order. */
export interface RawReading {
  readonly atMs: number;
  readonly value: number;
}

/**
 * Flags each reading of one sensor and variable, given in time order.
 * Throws RangeError for a variable without limits.
 */
export function qualityFlags(variable: string, readings: readonly RawReading[]): QualityFlag[] {
  const limits = VARIABLE_LIMITS[variable];
  if (!limits) throw new RangeError(`variable: unknown ${variable}; known are ${Object.keys(VARIABLE_LIMITS).join(', ')}`);
  let flatSince = 0;
  return readings.map((r, i) => {
    const before = readings[i - 1];
    const after = readings[i + 1];
    if (before && before.value !== r.value) flatSince = i;
    if (!Number.isFinite(r.value) || r.value < limits.min || r.value > limits.max) return 4;
    if (before && after) {
      const reference = (before.value + after.value) / 2;
      const away = Math.abs(r.value - reference) - Math.abs(after.value - before.value) / 2;
      if (away > limits.spike) return 4;
    }
    // The newest reading has no neighbour after it yet: a jump is suspect until the next one tells.
    if (before && !after && Math.abs(r.value - before.value) > limits.spike) return 3;
    const first = readings[flatSince] as RawReading;
    if (limits.flatH !== null && (r.atMs - first.atMs) / 3_600_000 >= limits.flatH) return 4;
    return 1;
  });
}

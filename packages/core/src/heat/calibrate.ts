// A place's own offset from its readings, with shrinkage: normal prior around the model, normal noise of one reading
// (empirical Bayes with fixed variances; common practice for few data).

/** Spread of a place's true offset from the model, and of one reading round it, C. */
const PRIOR_SD_C = 0.6;
const READING_SD_C = 0.4;
/** Share of a computed difference that is not to be trusted. */
const MODEL_SHARE = 0.3;

/** Offset of a place, C, with its standard deviation, from readings. */
export interface HeatOffset {
  readonly offsetC: number;
  readonly sdC: number;
  readonly readings: number;
}

/** @param errors - Reading less model, C, one a reading. */
export function heatOffset(errors: readonly number[]): HeatOffset {
  const n = errors.length;
  const precision = n / READING_SD_C ** 2 + 1 / PRIOR_SD_C ** 2;
  const sum = errors.reduce((a, b) => a + b, 0);
  return { offsetC: sum / READING_SD_C ** 2 / precision, sdC: Math.sqrt(1 / precision), readings: n };
}

/** What is known of a place before any reading. */
export const NO_OFFSET: HeatOffset = heatOffset([]);

/** Standard deviation of a place's temperature, C. @param differenceC - Computed difference from the main water. */
export function placeTempSd(offset: HeatOffset, differenceC: number): number {
  return Math.hypot(offset.sdC, MODEL_SHARE * differenceC);
}

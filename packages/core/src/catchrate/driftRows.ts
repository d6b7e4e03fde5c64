/** Rows in time order. */
export interface DriftRows {
  readonly count: number;
  readonly spots: number;
  readonly spot: Int32Array;
  readonly at: Float64Array;
  readonly fish: Float64Array;
  /** Fish expected without drift. */
  readonly expected: Float64Array;
}

// How a spot has done lately against what its long record expects: a Gamma-Poisson filter whose memory fades. How fast
// it should fade is learned from the log, by which half-life would have foretold each stop best from the ones before.
import { DAY } from '../units/time';

/** Half-lives tried, days. */
const HALF_LIVES_DAYS = [4, 8, 16, 32] as const;

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

export interface Drift {
  readonly halfLifeDays: number;
  /** Prior weight of "as ever", in fish over phi. */
  readonly k: number;
  readonly phi: number;
  /** Fish and expectation by spot, faded to now. */
  readonly fish: Float64Array;
  readonly expected: Float64Array;
}

/** Multiplier of a spot from its faded fish and expectation. */
export function driftOf(d: Drift, spot: number): number {
  if (spot < 0) return 1;
  return (d.k + (d.fish[spot] as number) / d.phi) / (d.k + (d.expected[spot] as number) / d.phi);
}

/**
 * Filters the rows to now.
 * @param k - Precision of the log multiplier of a week, > 0.
 * @param each - Told each row's multiplier as it was known before that row.
 * @param halfLifeDays - Null to learn it.
 */
export function filterDrift(
  rows: DriftRows,
  now: number,
  k: number,
  phi: number,
  { halfLifeDays = null, each }: { halfLifeDays?: number | null; each?: (row: number, multiplier: number) => void } = {},
): Drift {
  const best = halfLifeDays ?? bestHalfLife(rows, k, phi);
  const state = run(rows, k, phi, best, each);
  const fade = (s: number) => Math.exp((-Math.LN2 * Math.max(0, now - (state.last[s] as number))) / DAY / best);
  return {
    halfLifeDays: best,
    k,
    phi,
    fish: state.fish.map((x, s) => x * fade(s)),
    expected: state.expected.map((x, s) => x * fade(s)),
  };
}

function bestHalfLife(rows: DriftRows, k: number, phi: number): number {
  let best: number = HALF_LIVES_DAYS[1];
  let most = Number.NEGATIVE_INFINITY;
  for (const h of HALF_LIVES_DAYS) {
    let gain = 0;
    run(rows, k, phi, h, (i, m) => {
      gain += (rows.fish[i] as number) * Math.log(m) - (rows.expected[i] as number) * (m - 1);
    });
    if (gain > most) [best, most] = [h, gain];
  }
  return best;
}

function run(rows: DriftRows, k: number, phi: number, halfLife: number, each?: (row: number, multiplier: number) => void) {
  const fish = new Float64Array(rows.spots);
  const expected = new Float64Array(rows.spots);
  const last = new Float64Array(rows.spots);
  const rate = -Math.LN2 / DAY / halfLife;
  for (let i = 0; i < rows.count; i++) {
    const s = rows.spot[i] as number;
    const at = rows.at[i] as number;
    const fade = Math.exp(rate * (at - (last[s] as number)));
    const y = (fish[s] as number) * fade;
    const e = (expected[s] as number) * fade;
    each?.(i, (k + y / phi) / (k + e / phi));
    fish[s] = y + (rows.fish[i] as number);
    expected[s] = e + (rows.expected[i] as number);
    last[s] = at;
  }
  return { fish, expected, last };
}

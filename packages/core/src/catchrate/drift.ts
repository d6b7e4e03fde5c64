// How a spot has done lately against what its long record expects: a Gamma-Poisson filter whose memory fades. How fast
// it should fade is learned from the log, by which half-life would have foretold each stop best from the ones before. Where a school
// that comes and goes would have foretold the log better (schoolDrift.ts), that is taken instead.
import { DAY } from '../units/time';
import { filterSchools, type SchoolDrift, schoolLogVariance, schoolMultiplier } from './schoolDrift';
import type { DriftRows } from './driftRows';
import { f64, i32 } from '../units/indexed';

/** Half-lives tried, days. */
const HALF_LIVES_DAYS = [4, 8, 16, 32] as const;
/** Rows below which a school that comes and goes is not looked for. */
const LEAST_ROWS = 60;

export interface Drift {
  readonly halfLifeDays: number;
  /** Prior weight of "as ever", in fish over phi. */
  readonly k: number;
  readonly phi: number;
  /** Fish and expectation by spot, faded to now. */
  readonly fish: Float64Array;
  readonly expected: Float64Array;
  /** The school that comes and goes, where it foretells the log better; null where the fading memory does. */
  readonly schools: SchoolDrift | null;
}

/** Multiplier of a spot from its faded fish and expectation. */
export function driftOf(d: Drift, spot: number): number {
  if (spot < 0) return 1;
  if (d.schools) return schoolMultiplier(d.schools, spot);
  return (d.k + f64(d.fish, spot) / d.phi) / (d.k + f64(d.expected, spot) / d.phi);
}

/** Variance of the logarithm of a spot's multiplier; an unknown spot has the whole spread. */
export function driftLogVariance(d: Drift, spot: number): number {
  if (d.schools && spot >= 0) return schoolLogVariance(d.schools, spot);
  return 1 / (d.k + (spot < 0 ? 0 : f64(d.expected, spot) / d.phi));
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
  const known = halfLifeDays === null ? bestHalfLife(rows, k, phi) : { halfLife: halfLifeDays, gain: gainOf(rows, k, phi, halfLifeDays) };
  const best = known.halfLife;
  const found = rows.count >= LEAST_ROWS ? filterSchools(rows, now, phi) : null;
  const schools = found && found.gain > known.gain ? found : null;
  if (schools && each) filterSchools(rows, now, phi, each);
  const state = run(rows, k, phi, best, schools ? undefined : each);
  const fade = (s: number) => Math.exp((-Math.LN2 * Math.max(0, now - f64(state.last, s))) / DAY / best);
  return {
    halfLifeDays: best,
    k,
    phi,
    fish: state.fish.map((x, s) => x * fade(s)),
    expected: state.expected.map((x, s) => x * fade(s)),
    schools,
  };
}

/** What a half-life would have added to what was foretold: sum of y log m - e (m - 1). */
function gainOf(rows: DriftRows, k: number, phi: number, halfLife: number): number {
  let gain = 0;
  run(rows, k, phi, halfLife, (i, m) => {
    gain += f64(rows.fish, i) * Math.log(m) - f64(rows.expected, i) * (m - 1);
  });
  return gain;
}

function bestHalfLife(rows: DriftRows, k: number, phi: number): { halfLife: number; gain: number } {
  let best: { halfLife: number; gain: number } = { halfLife: HALF_LIVES_DAYS[1], gain: Number.NEGATIVE_INFINITY };
  for (const halfLife of HALF_LIVES_DAYS) {
    const gain = gainOf(rows, k, phi, halfLife);
    if (gain > best.gain) best = { halfLife, gain };
  }
  return best;
}

function run(rows: DriftRows, k: number, phi: number, halfLife: number, each?: (row: number, multiplier: number) => void) {
  const fish = new Float64Array(rows.spots);
  const expected = new Float64Array(rows.spots);
  const last = new Float64Array(rows.spots);
  const rate = -Math.LN2 / DAY / halfLife;
  for (let i = 0; i < rows.count; i++) {
    const s = i32(rows.spot, i);
    const at = f64(rows.at, i);
    const fade = Math.exp(rate * (at - f64(last, s)));
    const y = f64(fish, s) * fade;
    const e = f64(expected, s) * fade;
    each?.(i, (k + y / phi) / (k + e / phi));
    fish[s] = y + f64(rows.fish, i);
    expected[s] = e + f64(rows.expected, i);
    last[s] = at;
  }
  return { fish, expected, last };
}

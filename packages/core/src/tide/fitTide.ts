// Harmonic constants from a record of heights, or from a table of high and low waters: least squares on the heights and on the standstill at
// the turns, with nodal factors (Schureman 1940). What the record cannot part is tied: constituents of the equilibrium tide by a response
// that is smooth over their speeds (Munk & Cartwright 1966), as a prior that the record overrules as it grows; those of shallow water by
// being small. The noise, and how much they may differ, are found by what makes the record most likely.
import { DEG } from '../units/angle';
import { cholesky } from '../units/cholesky';
import { DAY } from '../units/time';
import { EQUILIBRIUM } from './equilibriumTide';
import { type Belief, priorMean, priorPrecision, SHALLOW, SLOW } from './fitBelief';
import { type HeightRecord, type Normal, normalEquations, type TurnRecord } from './fitSums';
import type { HarmonicConstant } from './tideModel';

export interface FittedConstant extends HarmonicConstant {
  /** Standard error of the amplitude, m. */
  readonly errorM: number;
}

export interface TideFit {
  readonly constants: readonly FittedConstant[];
  readonly z0M: number;
  /** What the heights stand from the fit, root mean square, m. */
  readonly rmsM: number;
  /** Days from the first to the last record. */
  readonly days: number;
}

const LEAST_DAYS = 14;
const LEAST_RECORDS = 40;
const LEAST_SD_M = 0.004;

export interface TideRecords {
  readonly heights?: readonly HeightRecord[];
  readonly turns?: readonly TurnRecord[];
  /** Where it was, -90 to 90: tells when the year's water is highest. Left out, nothing is believed of that. */
  readonly latDeg?: number;
}

/**
 * Fits a tide.
 * @param heights - Heights at any times. @param turns - High and low waters; both may be given. @param latDeg - Latitude, degrees.
 * @returns Constants with their errors, the strongest first; those under half a millimetre are left out.
 * Throws RangeError when the record is too short (14 days, 40 records) or holds what is no height.
 */
export function fitTide({ heights = [], turns = [], latDeg }: TideRecords): TideFit {
  const all = [...heights, ...turns];
  const bad = all.find((r) => !Number.isFinite(r.atMs) || !(Math.abs(r.heightM) < 50));
  if (bad) throw new RangeError(`heightM: expected -50 to 50 m, got ${bad.heightM} at ${new Date(bad.atMs).toISOString?.() ?? bad.atMs}`);
  const first = all.reduce((a, r) => Math.min(a, r.atMs), Number.POSITIVE_INFINITY);
  const days = (all.reduce((a, r) => Math.max(a, r.atMs), Number.NEGATIVE_INFINITY) - first) / DAY;
  if (!(days >= LEAST_DAYS) || all.length < LEAST_RECORDS)
    throw new RangeError(
      `heights: expected at least ${LEAST_DAYS} days and ${LEAST_RECORDS} records, got ${all.length === 0 ? 0 : days.toFixed(1)} days and ${all.length}`,
    );
  const names = [
    ...Object.keys(EQUILIBRIUM),
    'S1',
    ...SHALLOW,
    ...SLOW.filter(([, , need]) => heights.length === 0 || days >= need).map(([name]) => name),
  ];
  const normal = normalEquations(names, heights, turns);
  const best = mostLikely(names, normal, latDeg ?? 0);
  return { ...constantsOf(names, best), rmsM: rmsOf(best.x, normal), days };
}

interface Solution {
  readonly x: Float64Array;
  readonly error: Float64Array;
  readonly logLikelihood: number;
}

/** Tries what may hold here, and takes what makes the record most likely. */
function mostLikely(names: readonly string[], normal: Normal, latDeg: number): Solution {
  // A first look with wide beliefs gives the size of the tide and of the noise.
  let belief: Belief = { scaleM: [1, 2], reach: 1, apart: 0.15, shallowM: 0.05, heightSdM: 0.05, latDeg };
  let best = solve(names, normal, belief);
  for (let round = 0; round < ROUNDS; round++) {
    belief = {
      ...belief,
      scaleM: [responseOf(names, best.x, 1), responseOf(names, best.x, 2)],
      heightSdM: Math.max(LEAST_SD_M, rmsOf(best.x, normal)),
    };
    best = solve(names, normal, belief);
    for (const [key, tries] of TRIES) {
      for (const value of tries) {
        const other = { ...belief, [key]: value };
        const s = solve(names, normal, other);
        if (s.logLikelihood > best.logLikelihood) [best, belief] = [s, other];
      }
    }
  }
  return best;
}

const ROUNDS = 2;
const TRIES: readonly (readonly [keyof Belief, readonly number[]])[] = [
  ['shallowM', [0.003, 0.01, 0.03, 0.1]],
  ['reach', [0.5, 1, 2, 4]],
  ['apart', [0.03, 0.08, 0.15, 0.3]],
];

/** Mean response of the sea in a species, m, at the constituents that stand out. */
function responseOf(names: readonly string[], x: Float64Array, species: 1 | 2): number {
  const of = (species === 1 ? ['K1', 'O1'] : ['M2', 'S2', 'N2']).map((name) => {
    const i = names.indexOf(name);
    return Math.hypot(x[1 + 2 * i] ?? 0, x[2 + 2 * i] ?? 0) / (EQUILIBRIUM[name]?.[1] ?? 1);
  });
  return Math.max(0.02, Math.max(...of));
}

function solve(names: readonly string[], normal: Normal, belief: Belief): Solution {
  const { n, heights, still } = normal;
  const weight = 1 / belief.heightSdM ** 2;
  const prior = priorPrecision(names, belief);
  const a = Float64Array.from(prior.precision);
  const mean = priorMean(names, belief);
  const b = new Float64Array(n);
  for (let k = 0; k < n * n; k++) a[k] = (a[k] ?? 0) + weight * (heights.xx[k] ?? 0) + (still.xx[k] ?? 0);
  let believed = 0;
  for (let k = 0; k < n; k++) {
    // Only the waves of the season have one, and they are tied to nothing.
    const pull = (prior.precision[k * n + k] ?? 0) * (mean[k] ?? 0);
    b[k] = weight * (heights.xy[k] ?? 0) + (still.xy[k] ?? 0) + pull;
    believed += pull * (mean[k] ?? 0);
  }
  const factored = cholesky(a, n);
  const x = factored.solve(b);
  let fit = 0;
  for (let k = 0; k < n; k++) fit += (x[k] ?? 0) * (b[k] ?? 0);
  const squares = weight * heights.yy + still.yy + believed - fit;
  const logLikelihood = -0.5 * (squares + factored.logDet - prior.logDet) - heights.count * Math.log(belief.heightSdM);
  return {
    x,
    get error() {
      return factored.inverseDiagonal().map(Math.sqrt);
    },
    logLikelihood,
  };
}

const LEAST_AMPLITUDE_M = 0.0005;

function constantsOf(names: readonly string[], { x, error }: Solution): { constants: FittedConstant[]; z0M: number } {
  const constants = names.map((name, i) => {
    const [c, s] = [x[1 + 2 * i] ?? 0, x[2 + 2 * i] ?? 0];
    return {
      name,
      amplitudeM: Math.hypot(c, s),
      phaseDeg: (((Math.atan2(s, c) / DEG) % 360) + 360) % 360,
      errorM: Math.hypot(error[1 + 2 * i] ?? 0, error[2 + 2 * i] ?? 0) / Math.SQRT2,
    };
  });
  return {
    constants: constants.filter((c) => c.amplitudeM >= LEAST_AMPLITUDE_M).sort((a, b) => b.amplitudeM - a.amplitudeM),
    z0M: x[0] ?? 0,
  };
}

function rmsOf(x: Float64Array, { n, heights }: Normal): number {
  let sum = heights.yy;
  for (let i = 0; i < n; i++) {
    sum -= 2 * (x[i] ?? 0) * (heights.xy[i] ?? 0);
    for (let j = 0; j < n; j++) sum += (x[i] ?? 0) * (x[j] ?? 0) * (heights.xx[Math.max(i, j) * n + Math.min(i, j)] ?? 0);
  }
  return Math.sqrt(Math.max(0, sum) / Math.max(1, heights.count));
}

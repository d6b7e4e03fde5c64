// Harmonic constants from a record of heights, or from a table of high and low waters: least squares on the heights and on the standstill at
// the turns, with nodal factors (Schureman 1940). What the record cannot part is tied: constituents of the equilibrium tide by a response
// that is smooth over their speeds (Munk & Cartwright 1966), as a prior that the record overrules as it grows; those of shallow water by
// being small. The noise, and how much they may differ, are found by what makes the record most likely.
import { DEG } from '../units/angle';
import { cholesky } from '../units/cholesky';
import { DAY, HOUR, MINUTE } from '../units/time';
import { astronomicalArguments } from './astronomicalArguments';
import { constituentSpeed, equilibrium } from './constituents';
import { APART, EQUILIBRIUM } from './equilibriumTide';
import { nodeFactors } from './nodeFactors';
import type { HarmonicConstant } from './tideModel';

/** Heights above any datum, m, in the order of time. */
export interface HeightRecord {
  readonly atMs: number;
  readonly heightM: number;
}

/** A high or low water. */
export interface TurnRecord extends HeightRecord {
  readonly kind: 'high' | 'low';
}

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

const SHALLOW = [
  'M3',
  'MK3',
  '2MK3',
  'MO3',
  'SK3',
  'M4',
  'MN4',
  'MS4',
  'MK4',
  'S4',
  'M6',
  '2MN6',
  '2MS6',
  '2SM6',
  'M8',
  '3MS8',
  '2SM2',
  '2MS2',
  'MSN2',
];
/**
 * Long waves of the season, with their usual size, m, and the days that measured heights must have for them: in less the weather passes
 * for them. A table of turns has no weather in it, and its slow rise tells of them from the first.
 */
const SLOW: readonly (readonly [name: string, sizeM: number, days: number])[] = [
  ['MM', 0.01, 90],
  ['MF', 0.01, 90],
  ['MSF', 0.01, 90],
  ['SSA', 0.03, 270],
  ['SA', 0.06, 330],
];
/**
 * What the year does to the level at most shores: highest when the water is warmest, at the beginning of autumn (Pattullo, Munk, Revelle
 * and Strong 1955; sizes and month from memory). A shore may stand two months and a few centimetres apart from it.
 */
const YEAR = { amplitudeM: 0.045, northDeg: 175, apartM: 0.025, leastLatDeg: 10 } as const;
const LEAST_DAYS = 14;
const LEAST_RECORDS = 40;
/** A table gives its times to the minute, and a turn's own moment is soft. */
const TIME_SD_MIN = 1.5;
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

/** Sums of squares and products of the record: apart for heights and for standstills, since each has noise of its own. */
interface Normal {
  readonly n: number;
  readonly heights: Sums;
  readonly still: Sums;
}

function normalEquations(names: readonly string[], heights: readonly HeightRecord[], turns: readonly TurnRecord[]): Normal {
  const n = 2 * names.length + 1;
  const normal = { n, heights: new Sums(n), still: new Sums(n) };
  const omega = names.map((name) => (constituentSpeed(name) * DEG) / HOUR);
  const row = new Float64Array(n);
  const rate = new Float64Array(n);
  const table = dayTables(names);
  const fill = (atMs: number) => {
    const { start, f, vu } = table(atMs);
    row[0] = 1;
    rate[0] = 0;
    for (let i = 0; i < names.length; i++) {
      const w = omega[i] ?? 0;
      const angle = (vu[i] ?? 0) + w * (atMs - start);
      const [c, s] = [(f[i] ?? 0) * Math.cos(angle), (f[i] ?? 0) * Math.sin(angle)];
      row[1 + 2 * i] = c;
      row[2 + 2 * i] = s;
      rate[1 + 2 * i] = -w * HOUR * s;
      rate[2 + 2 * i] = w * HOUR * c;
    }
  };
  for (const h of heights) {
    fill(h.atMs);
    normal.heights.add(row, h.heightM, 1);
  }
  turns.forEach((t, i) => {
    fill(t.atMs);
    normal.heights.add(row, t.heightM, 1);
    const bend = curvature(turns, i);
    // Standing still, to what a minute and a half of time makes of it.
    if (bend > 0) normal.still.add(rate, 0, 1 / ((bend * (TIME_SD_MIN * MINUTE)) / HOUR));
  });
  normal.heights.flush();
  normal.still.flush();
  return normal;
}

/** Rows are summed so many at a time: a sum held in hand is many times faster than one put away after each product. */
const BLOCK = 256;

/** Sums over rows of a linear model: lower half of X'X, X'y, y'y. */
class Sums {
  readonly xx: Float64Array;
  readonly xy: Float64Array;
  yy = 0;
  count = 0;
  private readonly columns: Float64Array[];
  private held = 0;

  constructor(private readonly n: number) {
    this.xx = new Float64Array(n * n);
    this.xy = new Float64Array(n);
    // The last column is y.
    this.columns = Array.from({ length: n + 1 }, () => new Float64Array(BLOCK));
  }

  add(x: Float64Array, y: number, weight: number): void {
    this.columns.forEach((column, i) => {
      column[this.held] = (i < this.n ? (x[i] ?? 0) : y) * weight;
    });
    this.yy += (y * weight) ** 2;
    this.count++;
    if (++this.held === BLOCK) this.flush();
  }

  /** Sums what is held; done once more after the last row. */
  flush(): void {
    const { n, columns, held } = this;
    columns.forEach((a, i) => {
      for (let j = 0; j <= Math.min(i, n - 1); j++) {
        const b = columns[j] ?? a;
        const sum = product(a, b, held);
        if (i < n) this.xx[i * n + j] = (this.xx[i * n + j] ?? 0) + sum;
        else this.xy[j] = (this.xy[j] ?? 0) + sum;
      }
    });
    this.held = 0;
  }
}

/** Sum of the products of two columns; four sums at once, which the processor works on side by side. */
function product(a: Float64Array, b: Float64Array, count: number): number {
  let [p, q, r, s] = [0, 0, 0, 0];
  const whole = count - (count % 4);
  for (let k = 0; k < whole; k += 4) {
    p += (a[k] ?? 0) * (b[k] ?? 0);
    q += (a[k + 1] ?? 0) * (b[k + 1] ?? 0);
    r += (a[k + 2] ?? 0) * (b[k + 2] ?? 0);
    s += (a[k + 3] ?? 0) * (b[k + 3] ?? 0);
  }
  for (let k = whole; k < count; k++) p += (a[k] ?? 0) * (b[k] ?? 0);
  return p + q + r + s;
}

/** How sharply the water turns, m/h per hour, by the turns beside it. */
function curvature(turns: readonly TurnRecord[], i: number): number {
  const here = turns[i];
  if (!here) return 0;
  const beside = [turns[i - 1], turns[i + 1]].flatMap((t) => {
    const hours = t ? Math.abs(t.atMs - here.atMs) / HOUR : 0;
    // A gap in the table is no tide.
    return t && hours > 1 && hours < 18 ? [((Math.PI / hours) ** 2 * Math.abs(t.heightM - here.heightM)) / 2] : [];
  });
  return beside.length === 0 ? 0 : Math.max(0.005, beside.reduce((a, b) => a + b, 0) / beside.length);
}

function dayTables(names: readonly string[]) {
  const known = new Map<number, { start: number; f: Float64Array; vu: Float64Array }>();
  return (atMs: number) => {
    const start = Math.floor(atMs / DAY) * DAY;
    const found = known.get(start);
    if (found) return found;
    const args = astronomicalArguments(start);
    const nodes = nodeFactors(args);
    const each = names.map((name) => equilibrium(name, 0, args, nodes));
    const made = { start, f: Float64Array.from(each, (e) => e.f), vu: Float64Array.from(each, (e) => e.vuDeg * DEG) };
    known.set(start, made);
    return made;
  };
}

/** What is believed before the record: how large tides are here, and how alike neighbours. */
interface Belief {
  /** Response of the sea to the equilibrium tide, m, once and twice a day. */
  readonly scaleM: readonly [number, number];
  /** Speeds over which the response changes, degrees an hour. */
  readonly reach: number;
  /** Share by which one constituent stands apart from its neighbours. */
  readonly apart: number;
  readonly shallowM: number;
  readonly heightSdM: number;
  /** 0 where it is not known. */
  readonly latDeg: number;
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

/** The belief about all constants as the inverse of their covariances. */
function priorPrecision(names: readonly string[], belief: Belief): { precision: Float64Array; logDet: number } {
  const n = 2 * names.length + 1;
  const precision = new Float64Array(n * n);
  precision[0] = 1 / 20 ** 2;
  let logDet = Math.log(1 / 20 ** 2);
  const tied = names.map((name, i) => ({ name, i })).filter(({ name }) => name in EQUILIBRIUM);
  for (const species of [1, 2] as const) {
    const own = tied.filter(({ name }) => EQUILIBRIUM[name]?.[0] === species);
    const m = own.length;
    const cov = new Float64Array(m * m);
    const scale = belief.scaleM[species - 1] ?? 1;
    own.forEach(({ name: p }, i) => {
      own.forEach(({ name: q }, j) => {
        const [hp, hq] = [EQUILIBRIUM[p]?.[1] ?? 0, EQUILIBRIUM[q]?.[1] ?? 0];
        const apart = i === j ? Math.hypot(belief.apart, APART[p] ?? 0) ** 2 : 0;
        const near = Math.exp(-0.5 * ((constituentSpeed(p) - constituentSpeed(q)) / belief.reach) ** 2);
        cov[i * m + j] = hp * hq * scale ** 2 * (near + apart);
      });
    });
    const factored = cholesky(cov, m);
    const inverse = factored.inverse();
    logDet -= 2 * factored.logDet;
    own.forEach(({ i: p }, i) => {
      own.forEach(({ i: q }, j) => {
        for (const part of [1, 2]) precision[(2 * p + part) * n + 2 * q + part] = inverse[i * m + j] ?? 0;
      });
    });
  }
  names.forEach((name, i) => {
    if (name in EQUILIBRIUM) return;
    const usual = SLOW.find(([slow]) => slow === name)?.[1] ?? (name === 'S1' ? 0.01 : belief.shallowM);
    const sd = name === 'SA' && knowsYear(belief) ? YEAR.apartM : usual;
    for (const part of [1, 2]) precision[(2 * i + part) * n + 2 * i + part] = 1 / sd ** 2;
    logDet += 2 * Math.log(1 / sd ** 2);
  });
  return { precision, logDet };
}

const knowsYear = ({ latDeg }: Belief) => Math.abs(latDeg) >= YEAR.leastLatDeg;

/** What is believed of each figure before the record: nothing, but of the year's wave where the latitude is known. */
function priorMean(names: readonly string[], belief: Belief): Float64Array {
  const mean = new Float64Array(2 * names.length + 1);
  const year = names.indexOf('SA');
  if (year < 0 || !knowsYear(belief)) return mean;
  const phase = (YEAR.northDeg + (belief.latDeg < 0 ? 180 : 0)) * DEG;
  mean[1 + 2 * year] = YEAR.amplitudeM * Math.cos(phase);
  mean[2 + 2 * year] = YEAR.amplitudeM * Math.sin(phase);
  return mean;
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

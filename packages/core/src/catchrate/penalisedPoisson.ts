// Log-linear rate of counts by categorical groups, pooled: penalised quasi-Poisson maximum,
//   (1/phi) sum(y log mu - mu) - 1/2 sum t (beta - m)^2,  log mu = log e + b0 + sum of beta,
// by cyclic Newton steps group by group (levels of a group share no row, so each step is a set of scalar equations;
// McCullagh & Nelder 1989, ch. 6 and 9). The precision tau of each group is estimated from the spread of its own levels
// (empirical Bayes by the EM-like fixed point of MacKay 1992), phi by Pearson's chi-square.
import { f64, i32, nth } from '../units/indexed';

/** Rows as columns. A code of -1 means that the row says nothing of that group. */
export interface FactorRows {
  readonly count: number;
  readonly codes: readonly Int32Array[];
  /** Weighted counts, >= 0, and weighted exposure, > 0. */
  readonly fish: Float64Array;
  readonly effort: Float64Array;
  /** Weight of each row, 0 to 1, already in fish and effort. */
  readonly weight: Float64Array;
}

/** One group of levels with its prior. */
export interface FactorGroup {
  readonly size: number;
  /** Precision of a level about its prior mean before anything is learned, > 0. */
  readonly tau0: number;
  /** Prior mean of the log multiplier by level; absent is 0. */
  readonly mean?: Float64Array;
  /** Precision added by a rule on its level; absent is 0. Levels with a rule do not speak for the others' spread. */
  readonly weight?: Float64Array;
}

export interface FactorState {
  /** Log of the base rate. */
  base: number;
  readonly beta: readonly Float64Array[];
  readonly tau: Float64Array;
  phi: number;
  /** Expected count of each row. */
  mu: Float64Array;
  /** Weighted fish by level, and fish expected there by everything else. */
  readonly fish: readonly Float64Array[];
  readonly expected: readonly Float64Array[];
  passes: number;
  /** Groups with a level in some row, and those with one in every row. */
  readonly active: readonly number[];
  readonly whole: readonly number[];
}

export interface FitOptions {
  /** State to start from; its groups must have the same sizes. */
  readonly warm?: FactorState;
  readonly passes?: number;
  /** Share of the expected fish that may still change in a pass when the fit ends. */
  readonly tolerance?: number;
  /** False keeps tau and phi as they are. */
  readonly learn?: boolean;
  /** Prior of the base rate: a rate (per unit of effort) worth so much effort. */
  readonly baseRate?: number;
  readonly baseEffort?: number;
}

const TAU_LEAST = 0.4;
const TAU_MOST = 400;
/** Levels of prior experience behind tau0, and rows behind a phi of PHI0. */
const TAU_PRIOR_LEVELS = 3;
const PHI0 = 1.3;
const PHI_PRIOR_ROWS = 30;
const PHI_MOST = 6;
/** A single fish where next to none is expected must not decide phi. */
const LEAST_MU = 0.1;
const LEARN_EVERY = 3;
const LONGEST_STEP = 1.5;

/** Fits the factors. Deterministic in the order of rows and groups. */
export function fitFactors(rows: FactorRows, groups: readonly FactorGroup[], options: FitOptions = {}): FactorState {
  const { warm, passes = 60, tolerance = 1e-3, learn = true, baseRate = 0.5, baseEffort = 4 } = options;
  const n = rows.count;
  const active: number[] = [];
  const whole: number[] = [];
  const s: FactorState = {
    base: warm ? warm.base : Math.log(baseRate),
    beta: groups.map((g, i) => Float64Array.from(warm?.beta[i] ?? g.mean ?? new Float64Array(g.size))),
    tau: warm ? Float64Array.from(warm.tau) : Float64Array.from(groups, (g) => g.tau0),
    phi: warm ? warm.phi : PHI0,
    mu: new Float64Array(n),
    fish: groups.map((g, i) => (warm ? Float64Array.from(nth(warm.fish, i)) : new Float64Array(g.size))),
    expected: groups.map((g) => new Float64Array(g.size)),
    passes: 0,
    active,
    whole,
  };
  const { mu } = s;
  // A warm start keeps what it expected of the rows that it has seen.
  const seen = warm ? Math.min(n, warm.mu.length) : 0;
  if (warm) mu.set(warm.mu.subarray(0, seen));
  for (let i = seen; i < n; i++) mu[i] = s.base;
  groups.forEach((_, g) => {
    const code = nth(rows.codes, g);
    const beta = nth(s.beta, g);
    const fish = nth(s.fish, g);
    let known = 0;
    for (let i = seen; i < n; i++) {
      const c = i32(code, i);
      if (c < 0) continue;
      known++;
      fish[c] = f64(fish, c) + f64(rows.fish, i);
      mu[i] = f64(mu, i) + f64(beta, c);
    }
    if (known > 0 || warm?.active.includes(g)) active.push(g);
    // Where every row has a level, the group's own mean can be given to the base at once, instead of creeping there.
    if (known === n - seen && (seen === 0 || warm?.whole.includes(g))) whole.push(g);
  });
  let totalFish = 0;
  for (let i = seen; i < n; i++) mu[i] = Math.exp(f64(mu, i)) * f64(rows.effort, i);
  for (let i = 0; i < n; i++) totalFish += f64(rows.fish, i);
  const before = new Float64Array(n);
  for (let pass = 0; pass < passes; pass++) {
    s.passes = pass + 1;
    before.set(mu);
    moveBase(rows, s, totalFish, baseRate, baseEffort);
    for (const g of active) moveGroup(rows, nth(groups, g), g, s);
    for (const g of whole) centre(nth(groups, g), g, s);
    if (learn && pass % LEARN_EVERY === LEARN_EVERY - 1) {
      learnTau(groups, s);
      learnPhi(rows, groups, s);
    }
    if (changed(mu, before) < tolerance && (pass >= 2 || !learn)) break;
  }
  return s;
}

/** Share of the expected fish that changed. Factors that only trade with each other change nothing. */
function changed(mu: Float64Array, before: Float64Array): number {
  let moved = 0;
  let all = 1e-9;
  for (let i = 0; i < mu.length; i++) {
    moved += Math.abs(f64(mu, i) - f64(before, i));
    all += f64(mu, i);
  }
  return moved / all;
}

/** Gives the mean of a group's levels, which the penalty wants at nothing, to the base; no expectation changes. */
function centre(group: FactorGroup, g: number, s: FactorState): void {
  const beta = nth(s.beta, g);
  let weight = 0;
  let sum = 0;
  const expected = nth(s.expected, g);
  for (let c = 0; c < group.size; c++) {
    if (expected[c] === 0) continue;
    const t = f64(s.tau, g) + (group.weight?.[c] ?? 0);
    weight += t;
    sum += t * (f64(beta, c) - (group.mean?.[c] ?? 0));
  }
  if (weight === 0) return;
  const shift = sum / weight;
  for (let c = 0; c < group.size; c++) if (expected[c] !== 0) beta[c] = f64(beta, c) - shift;
  s.base += shift;
}

/** Base rate in closed form. */
function moveBase(rows: FactorRows, s: FactorState, totalFish: number, rate: number, effort: number): void {
  const { mu } = s;
  let expected = 0;
  for (let i = 0; i < rows.count; i++) expected += f64(mu, i);
  const old = Math.exp(s.base);
  const next = (totalFish / s.phi + rate * effort) / (expected / old / s.phi + effort);
  const by = next / old;
  s.base = Math.log(next);
  for (let i = 0; i < rows.count; i++) mu[i] = f64(mu, i) * by;
}

/** One Newton step of every level of a group. */
function moveGroup(rows: FactorRows, group: FactorGroup, g: number, s: FactorState): void {
  const { mu, phi } = s;
  const code = nth(rows.codes, g);
  const beta = nth(s.beta, g);
  const fish = nth(s.fish, g);
  const expected = nth(s.expected, g).fill(0);
  const n = rows.count;
  for (let i = 0; i < n; i++) {
    const c = i32(code, i);
    if (c >= 0) expected[c] = f64(expected, c) + f64(mu, i);
  }
  const by = new Float64Array(group.size);
  const tau = f64(s.tau, g);
  let moved = 0;
  for (let c = 0; c < group.size; c++) {
    const here = f64(expected, c);
    const precision = tau + (group.weight?.[c] ?? 0);
    const off = f64(beta, c) - (group.mean?.[c] ?? 0);
    // Two inner Newton steps of Y/phi - M exp(d)/phi - t (off + d) = 0.
    let d = 0;
    for (let k = 0; k < 2; k++) {
      const m = (here * Math.exp(d)) / phi;
      d += (f64(fish, c) / phi - m - precision * (off + d)) / (m + precision);
      d = Math.min(LONGEST_STEP, Math.max(-LONGEST_STEP, d));
    }
    expected[c] = here / Math.exp(f64(beta, c));
    beta[c] = f64(beta, c) + d;
    by[c] = Math.exp(d);
    moved += Math.abs(f64(by, c) - 1) * here;
  }
  // Rows need not be told of steps that none of them would notice.
  if (moved > 1e-12) {
    for (let i = 0; i < n; i++) {
      const c = i32(code, i);
      if (c >= 0) mu[i] = f64(mu, i) * f64(by, c);
    }
  }
}

function learnTau(groups: readonly FactorGroup[], s: FactorState): void {
  groups.forEach((group, g) => {
    const beta = nth(s.beta, g);
    const tau = f64(s.tau, g);
    let levels = TAU_PRIOR_LEVELS;
    let spread = TAU_PRIOR_LEVELS / group.tau0;
    for (let c = 0; c < group.size; c++) {
      const others = f64(nth(s.expected, g), c);
      if (others <= 0 || (group.weight?.[c] ?? 0) > 0) continue;
      levels++;
      spread += f64(beta, c) ** 2 + 1 / ((others * Math.exp(f64(beta, c))) / s.phi + tau);
    }
    s.tau[g] = Math.min(TAU_MOST, Math.max(TAU_LEAST, levels / spread));
  });
}

function learnPhi(rows: FactorRows, groups: readonly FactorGroup[], s: FactorState): void {
  let chi = PHI_PRIOR_ROWS * PHI0;
  let free = PHI_PRIOR_ROWS;
  for (let i = 0; i < rows.count; i++) {
    const w = f64(rows.weight, i);
    const mu = Math.max(LEAST_MU * w, f64(s.mu, i));
    chi += (f64(rows.fish, i) - mu) ** 2 / mu;
    free += w;
  }
  groups.forEach((group, g) => {
    for (let c = 0; c < group.size; c++) {
      const h = levelInformation(s, g, c);
      if (h > 0) free -= h / (h + f64(s.tau, g) + (group.weight?.[c] ?? 0));
    }
  });
  s.phi = Math.min(PHI_MOST, Math.max(1, chi / Math.max(PHI_PRIOR_ROWS, free)));
}

/** Information that the rows hold of a level's log multiplier: its expected fish over phi. */
export function levelInformation(s: FactorState, g: number, level: number): number {
  return ((s.expected[g]?.[level] ?? 0) * Math.exp(s.beta[g]?.[level] ?? 0)) / s.phi;
}

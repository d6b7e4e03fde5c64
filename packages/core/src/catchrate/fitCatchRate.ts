// Gamma-Poisson partial pooling in factors: each level's multiplier has a Gamma prior worth k fish around its rule's
// mean m, and its posterior mean is (k + Y) / (k / m + E) with Y the fish caught there and E the fish the other factors
// expected. Cycled to convergence (multiplicative back-fitting of a Poisson rate; McCullagh & Nelder 1989, ch. 6).
// Rates multiply exactly, so a call can be taken apart. Fish and expectation are divided by the overdispersion phi.
import { DAY } from '../units/time';
import { GROUPS, type Levels, levelsOf } from './groups';
import type { FishedSet, RateQuery, RateWorld } from './world';

/** Half-life of a past stop's weight, days. */
export const HALF_LIFE_DAYS = 400;
const PASSES = 40;
/** A first look for the spread of counts needs no more. */
const EARLY_PASSES = 10;
const PRIOR_RATE_HOURS = 4;
/** Fish per rod-hour assumed where nothing at all is logged. */
const PRIOR_RATE = 0.5;

/** One part of a rate, with what the log says of it. */
export interface Factor {
  readonly name: string;
  /** Level inside its group, -1 when unknown (multiplier 1). */
  readonly level: number;
  readonly multiplier: number;
  /** Fish caught on this level and fish the other factors expected there (weighted by age). */
  readonly fish: number;
  readonly expected: number;
  /** Prior mean and its rule, when a rule of the trade set it. */
  readonly rule: string | null;
}

export interface CatchRateModel {
  readonly version: string;
  /** Sets it was fitted on. */
  readonly sets: number;
  /** Overdispersion of counts against Poisson, >= 1. */
  readonly phi: number;
  /** Negative binomial size of a stop's count; greater is closer to Poisson. */
  readonly dispersion: number;
  /** Expected fish per rod-hour. */
  rate(query: RateQuery): number;
  /** Levels for repeated scoring. */
  rateOfLevels(levels: Levels): number;
  /** Every factor of a rate; their product, base first, is the rate. */
  factors(query: RateQuery): Factor[];
  /** Variance of the logarithm of a rate from what is not known of its factors. */
  logVariance(query: RateQuery): number;
}

interface State {
  base: number;
  readonly factor: Float64Array[];
  readonly fish: Float64Array[];
  readonly expected: Float64Array[];
  readonly prior: Float64Array[];
}

/** Version of the model's mathematics, stored with plans. */
export const MODEL_VERSION = 'pooled-factors-1';

/** Fits the model. Sets with unknown spot or presentation, or without effort, are refused with RangeError. */
export function fitCatchRate(world: RateWorld, sets: readonly FishedSet[]): CatchRateModel {
  const spotIndex = new Map(world.spots.map((id, i) => [id, i]));
  const presentationIndex = new Map(world.presentations.map((p, i) => [p.id, i]));
  const p = world.presentations.length;
  const rows = sets.map((set) => {
    const s = spotIndex.get(set.spot);
    const q = presentationIndex.get(set.presentation);
    if (s === undefined) throw new RangeError(`stops: unknown spot ${set.spot}`);
    if (q === undefined) throw new RangeError(`stops: unknown presentation ${set.presentation}`);
    if (!(set.rodHours > 0)) throw new RangeError(`rodHours: expected more than 0, got ${set.rodHours}`);
    if (!(set.fish >= 0)) throw new RangeError(`fish: expected 0 or more, got ${set.fish}`);
    const levels = levelsOf(world, s, q, set.at, set.conditions);
    const age = Math.max(0, (world.now - set.at) / DAY);
    return { codes: GROUPS.map((g) => g.code(levels, p)), y: set.fish, e: set.rodHours, w: 2 ** (-age / HALF_LIFE_DAYS), at: set.at };
  });
  const sizes = GROUPS.map((g) => g.size(world.spots.length, p));

  // Spread of counts, judged on the latest fifth by a fit on what came before.
  const byTime = [...rows].sort((a, b) => a.at - b.at);
  const cut = Math.floor(byTime.length * 0.8);
  const early = cycle(byTime.slice(0, cut), sizes, 1, EARLY_PASSES);
  let over = 0;
  let squares = 0;
  let pearson = 0;
  const late = byTime.slice(cut);
  for (const r of late) {
    const mu = Math.max(1e-6, product(early, r.codes) * r.e);
    over += (r.y - mu) ** 2 - mu;
    squares += mu * mu;
    pearson += (r.y - mu) ** 2 / mu;
  }
  const dispersion = late.length < 20 || over <= 0 ? 3 : Math.min(30, Math.max(0.5, squares / over));
  const phi = late.length < 20 ? 1.5 : Math.min(4, Math.max(1, pearson / late.length));
  const state = cycle(rows, sizes, phi);

  const codesOf = (query: RateQuery) => {
    const s = spotIndex.get(query.spot) ?? -1;
    const q = presentationIndex.get(query.presentation) ?? -1;
    const levels = levelsOf(world, s, q, query.at, query.conditions);
    return GROUPS.map((g) => g.code(levels, p));
  };
  return {
    version: MODEL_VERSION,
    sets: sets.length,
    phi,
    dispersion,
    rate: (query) => product(state, codesOf(query)),
    rateOfLevels(levels) {
      let rate = state.base;
      for (let g = 0; g < GROUPS.length; g++) {
        const code = (GROUPS[g] as (typeof GROUPS)[number]).code(levels, p);
        if (code >= 0) rate *= (state.factor[g] as Float64Array)[code] as number;
      }
      return rate;
    },
    factors(query) {
      const codes = codesOf(query);
      const all: Factor[] = [
        {
          name: 'base',
          level: 0,
          multiplier: state.base,
          fish: sum(rows.map((r) => r.w * r.y)),
          expected: sum(rows.map((r) => r.w * r.e)),
          rule: null,
        },
      ];
      GROUPS.forEach((group, g) => {
        const code = codes[g] as number;
        all.push({
          name: group.name,
          level: code,
          multiplier: code < 0 ? 1 : (state.factor[g]?.[code] as number),
          fish: code < 0 ? 0 : (state.fish[g]?.[code] as number),
          expected: code < 0 ? 0 : (state.expected[g]?.[code] as number),
          rule: code < 0 ? null : (group.prior?.(code)?.rule ?? null),
        });
      });
      return all;
    },
    logVariance(query) {
      const codes = codesOf(query);
      let variance = 0;
      GROUPS.forEach((group, g) => {
        const code = codes[g] as number;
        // An unknown level keeps the whole spread of its prior.
        const fish = code < 0 ? 0 : (state.fish[g]?.[code] as number);
        variance += 1 / (group.k + fish / phi) - 1 / (group.k + 400);
      });
      // The factors share the same fish and their errors cancel in part; half is what held-out days show.
      return Math.max(0.01, variance / 2);
    },
  };
}

interface Row {
  readonly codes: readonly number[];
  readonly y: number;
  readonly e: number;
  readonly w: number;
}

// Column by column over typed arrays: this loop is where a fit spends its time.
function cycle(rows: readonly Row[], sizes: readonly number[], phi: number, passes = PASSES): State {
  const prior = sizes.map((size, g) => Float64Array.from({ length: size }, (_, i) => GROUPS[g]?.prior?.(i)?.mean ?? 1));
  const state: State = {
    base: PRIOR_RATE,
    factor: prior.map((m) => Float64Array.from(m)),
    fish: sizes.map((n) => new Float64Array(n)),
    expected: sizes.map((n) => new Float64Array(n)),
    prior,
  };
  const n = rows.length;
  const codes = sizes.map((_, g) => Int32Array.from(rows, (r) => r.codes[g] as number));
  const caught = Float64Array.from(rows, (r) => r.w * r.y);
  const mu = Float64Array.from(rows, (r) => product(state, r.codes) * r.e * r.w);
  const totalFish = sum(caught);
  sizes.forEach((_, g) => {
    const fish = state.fish[g] as Float64Array;
    const code = codes[g] as Int32Array;
    for (let i = 0; i < n; i++) {
      const c = code[i] as number;
      if (c >= 0) fish[c] = (fish[c] as number) + (caught[i] as number);
    }
  });
  for (let pass = 0; pass < passes; pass++) {
    let moved = 0;
    // Base: Gamma prior worth PRIOR_RATE_HOURS of effort at the prior rate.
    const exposure = sum(mu) / state.base;
    const base = (totalFish / phi + PRIOR_RATE * PRIOR_RATE_HOURS) / (exposure / phi + PRIOR_RATE_HOURS);
    scale(mu, base / state.base);
    moved = Math.max(moved, Math.abs(Math.log(base / state.base)));
    state.base = base;
    for (let g = 0; g < sizes.length; g++) {
      const factor = state.factor[g] as Float64Array;
      const fish = state.fish[g] as Float64Array;
      const means = prior[g] as Float64Array;
      const code = codes[g] as Int32Array;
      const expected = (state.expected[g] as Float64Array).fill(0);
      for (let i = 0; i < n; i++) {
        const c = code[i] as number;
        if (c >= 0) expected[c] = (expected[c] as number) + (mu[i] as number);
      }
      const k = (GROUPS[g] as (typeof GROUPS)[number]).k;
      const change = new Float64Array(factor.length);
      for (let c = 0; c < factor.length; c++) {
        const old = factor[c] as number;
        const others = (expected[c] as number) / old;
        expected[c] = others;
        const next = (k + (fish[c] as number) / phi) / (k / (means[c] as number) + others / phi);
        change[c] = next / old;
        if (others > 0) moved = Math.max(moved, Math.abs(Math.log(next / old)));
        factor[c] = next;
      }
      for (let i = 0; i < n; i++) {
        const c = code[i] as number;
        if (c >= 0) mu[i] = (mu[i] as number) * (change[c] as number);
      }
    }
    if (moved < 5e-4) break;
  }
  return state;
}

function product(state: State, codes: readonly number[]): number {
  let rate = state.base;
  for (let g = 0; g < codes.length; g++) {
    const code = codes[g] as number;
    if (code >= 0) rate *= (state.factor[g] as Float64Array)[code] as number;
  }
  return rate;
}

function scale(values: Float64Array, by: number): void {
  for (let i = 0; i < values.length; i++) values[i] = (values[i] as number) * by;
}

function sum(values: ArrayLike<number>): number {
  let total = 0;
  for (let i = 0; i < values.length; i++) total += values[i] as number;
  return total;
}

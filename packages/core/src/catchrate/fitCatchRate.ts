// Learns the ranking model from a log: a pooled log-linear rate (penalisedPoisson) over the groups of the trade, the spot's drift, the
// half-life of signs, and how much more unevenly fish come than chance has it.
import { f64, i32, nth } from '../units/indexed';
import { type Drift, filterDrift } from './drift';
import { type Encoded, encode, FIT_GROUPS, placesOf } from './encode';
import { GROUPS, type Lists, listsOf } from './groups';
import { type FactorGroup, type FactorState, fitFactors } from './penalisedPoisson';
import { type CatchRateModel, type Fit, rateModel } from './rateModel';
import { SIGN_HALF_LIVES_H } from './signs';
import type { FishedSet, RateWorld } from './world';

const EARLY_SHARE = 0.8;
const EARLY_PASSES = 24;
const PRIOR_DISPERSION = 3;
/** Weight that holds a reference level at 1, in fish. */
const HELD = 1e6;
const WEEK = FIT_GROUPS.length - 1;
/** Sets below which nothing is learned of how long signs hold. */
const LEAST_SETS = 20;
const QUICK_PASSES = 12;
const SIGN_GROUPS = FIT_GROUPS.flatMap((g, i) => (['signs', 'a follow', 'a break in the water'].includes(g.name) ? [i] : []));

/** Fits the model. Sets with unknown spot or presentation, or without effort, are refused with RangeError. */
export function fitCatchRate(world: RateWorld, sets: readonly FishedSet[]): CatchRateModel {
  const places = placesOf(world);
  const { lists, groups, rows } = withSignHalfLife(world, places, sets);
  const { early, dispersion } = learnDispersion(world, rows, groups);
  const state = fitFactors(rows, groups, early ? { warm: early } : {});
  return rateModel({ world, lists, places, groups, rows, state, drift: driftFrom(world, rows, state), dispersion }, learnMore);
}

/** How the fish spread, and how far levels differ, are not learned anew. */
function learnMore(fit: Fit, sets: readonly FishedSet[]): Fit {
  const rows = encode(fit.world, fit.lists, fit.places, sets, fit.rows);
  const state = fitFactors(rows, fit.groups, { warm: fit.state, learn: false, passes: 10 });
  return { ...fit, rows, state, drift: driftFrom(fit.world, rows, state, fit.drift.halfLifeDays) };
}

function encoded(world: RateWorld, places: ReturnType<typeof placesOf>, sets: readonly FishedSet[], halfLifeH?: number) {
  const lists = listsOf(world, halfLifeH);
  return { lists, groups: FIT_GROUPS.map((g) => factorGroup(g, lists)), rows: encode(world, lists, places, sets) };
}

/**
 * The log encoded with the half-life of signs that foretells it best, judged by a quick fit without the signs. Without signs, or
 * without sets fished after one, the usual half-life stays.
 */
function withSignHalfLife(world: RateWorld, places: ReturnType<typeof placesOf>, sets: readonly FishedSet[]) {
  const made = (halfLifeH?: number) => encoded(world, places, sets, halfLifeH);
  const usual = made();
  if (!usual.lists.signs || sets.length < LEAST_SETS) return usual;
  const bare = listsOf({ ...world, signs: [] });
  const without = encode(world, bare, places, sets);
  const { mu } = fitFactors(without, usual.groups, { passes: QUICK_PASSES });
  let best = usual;
  let most = Number.NEGATIVE_INFINITY;
  for (const h of SIGN_HALF_LIVES_H) {
    const tried = h === usual.lists.signHalfLifeH ? usual : made(h);
    // What the rules' own multipliers for these signs would have added to what was foretold: sum of y log m - e (m - 1).
    let gain = 0;
    for (const g of SIGN_GROUPS) {
      const code = nth(tried.rows.codes, g);
      const mean = nth(tried.groups, g).mean ?? new Float64Array();
      for (let i = 0; i < tried.rows.count; i++) {
        if (i32(code, i) < 0) continue;
        const log = f64(mean, i32(code, i));
        gain += f64(tried.rows.fish, i) * log - f64(mu, i) * (Math.exp(log) - 1);
      }
    }
    if (gain > most + 1e-9) [best, most] = [tried, gain];
  }
  return best;
}

function factorGroup(g: (typeof FIT_GROUPS)[number], lists: Lists): FactorGroup {
  const size = g.size(lists);
  if (!g.prior) return { size, tau0: g.tau0 };
  const mean = new Float64Array(size);
  const weight = new Float64Array(size);
  if (g.reference !== undefined) weight[g.reference] = HELD;
  for (let c = 0; c < size; c++) {
    const rule = g.prior(c, lists);
    if (!rule) continue;
    mean[c] = Math.log(rule.mean);
    weight[c] = rule.weight;
  }
  return { size, tau0: g.tau0, mean, weight };
}

/** Fish of each row that are expected without the weeks. */
function withoutWeeks(rows: Encoded, state: FactorState, count = rows.count): Float64Array {
  const week = nth(rows.codes, WEEK);
  const beta = nth(state.beta, WEEK);
  const off = beta.map((b) => Math.exp(-b));
  const out = new Float64Array(count);
  for (let i = 0; i < count; i++) out[i] = f64(state.mu, i) * f64(off, i32(week, i));
  return out;
}

function driftFrom(world: RateWorld, rows: Encoded, state: FactorState, halfLifeDays: number | null = null): Drift {
  const expected = withoutWeeks(rows, state);
  const k = f64(state.tau, WEEK);
  return filterDrift({ ...rows, spots: world.spots.length, expected }, world.now, k, state.phi, { halfLifeDays });
}

/**
 * Spread of a stop's count, judged on the latest fifth of the log by what was known before each stop.
 * k = sum mu^2 / sum[(y - mu)^2 - mu].
 */
function learnDispersion(world: RateWorld, rows: Encoded, groups: readonly FactorGroup[]) {
  const cut = Math.floor(rows.count * EARLY_SHARE);
  if (rows.count - cut < 20) return { early: null, dispersion: PRIOR_DISPERSION };
  const early = fitFactors({ ...rows, count: cut }, groups, { passes: EARLY_PASSES });
  // What the early fit expects of every row, without weeks; the drift is filtered forward through all of them.
  const expected = new Float64Array(rows.count).fill(early.base);
  GROUPS.forEach((_, g) => {
    const code = nth(rows.codes, g);
    const beta = nth(early.beta, g);
    for (let i = 0; i < rows.count; i++) if (i32(code, i) >= 0) expected[i] = f64(expected, i) + f64(beta, i32(code, i));
  });
  for (let i = 0; i < rows.count; i++) expected[i] = Math.exp(f64(expected, i)) * f64(rows.effort, i);
  let over = 0;
  let squares = 0;
  filterDrift({ ...rows, spots: world.spots.length, expected }, world.now, f64(early.tau, WEEK), early.phi, {
    each: (i, m) => {
      if (i < cut) return;
      const w = f64(rows.weight, i);
      const mu = (f64(expected, i) * m) / w;
      over += (f64(rows.fish, i) / w - mu) ** 2 - mu;
      squares += mu * mu;
    },
  });
  return { early, dispersion: over <= 0 ? 30 : Math.min(30, Math.max(0.5, squares / over)) };
}

// The ranking model: a pooled log-linear rate (penalisedPoisson) over the groups of the trade, the spot's drift, and the
// share of fish that the goal counts. Every part is a factor, so a rate can be taken apart exactly.
import { type Drift, driftLogVariance, driftOf, filterDrift } from './drift';
import { type Encoded, encode, FIT_GROUPS, placesOf } from './encode';
import { type GoalShare, goalShare } from './goalShare';
import { type Group, GROUPS, type Lists, levelsOf, listsOf, setBait, waterLevels } from './groups';
import { type FactorGroup, type FactorState, fitFactors, levelInformation } from './penalisedPoisson';
import { SIGN_HALF_LIVES_H } from './signs';
import { OF_FAMILY, type TradeRule } from './tradeRules';
import type { FishedSet, RateConditions, RateQuery, RateWorld } from './world';
import { nth } from '../units/indexed';

/** One part of a rate, with what the log says of it. */
export interface Factor {
  readonly name: string;
  /** Level inside its group, -1 when unknown (multiplier 1). */
  readonly level: number;
  readonly multiplier: number;
  /** Fish caught on this level and fish the other factors expected there (weighted by age). */
  readonly fish: number;
  readonly expected: number;
  /** The rule of the trade that set its prior, with the multiplier that it began from. */
  readonly rule: (TradeRule & { readonly prior: number }) | null;
  /** What is not known, when that is why there is no level. */
  readonly unknown: string | null;
}

export interface CatchRateModel {
  readonly version: string;
  /** Sets it was fitted on. */
  readonly sets: number;
  /** Overdispersion of counts against Poisson, >= 1. */
  readonly phi: number;
  /** Negative binomial size of a stop's count; greater is closer to Poisson. */
  readonly dispersion: number;
  /** Hours in which a sign is half forgotten. */
  readonly signHalfLifeH: number;
  /** Days in which a spot's drift is half forgotten. */
  readonly driftHalfLifeDays: number;
  /** Expected fish per rod-hour. */
  rate(query: RateQuery): number;
  /** The same by index of spot and presentation in the world. */
  rateAt(spot: number, presentation: number, at: number, conditions: RateConditions): number;
  /** Rates of several presentations at a spot at one instant, written to out. */
  ratesAt(spot: number, presentations: readonly number[], at: number, conditions: RateConditions, out: Float64Array): void;
  /** Every factor of a rate; their product, base first, is the rate. */
  factors(query: RateQuery): Factor[];
  /** Variance of the logarithm of a rate from what is not known of its factors. */
  logVariance(query: RateQuery): number;
  /** The model after more sets, started from this one. */
  with(sets: readonly FishedSet[]): CatchRateModel;
}

/** Version of the model's mathematics, stored with plans. */
export const MODEL_VERSION = 'pooled-factors-3';

const EARLY_SHARE = 0.8;
const EARLY_PASSES = 24;
/** Errors of factors that share fish cancel in part. */
const SHARED = 0.5;
const PRIOR_DISPERSION = 3;
/** Weight that holds a reference level at 1, in fish. */
const HELD = 1e6;
const WEEK = FIT_GROUPS.length - 1;
/** Sets below which nothing is learned of how long signs hold. */
const LEAST_SETS = 20;
const QUICK_PASSES = 12;
const SIGN_GROUPS = FIT_GROUPS.flatMap((g, i) => (['signs', 'a follow', 'a break in the water'].includes(g.name) ? [i] : []));

interface Fitted {
  readonly state: FactorState;
  readonly drift: Drift;
  readonly dispersion: number;
}

/** Fits the model. Sets with unknown spot or presentation, or without effort, are refused with RangeError. */
export function fitCatchRate(world: RateWorld, sets: readonly FishedSet[]): CatchRateModel {
  const places = placesOf(world);
  const { lists, groups, rows } = withSignHalfLife(world, places, sets);
  const { early, dispersion } = learnDispersion(world, rows, groups);
  const state = fitFactors(rows, groups, early ? { warm: early } : {});
  return model(world, lists, places, groups, rows, { state, drift: driftFrom(world, rows, state), dispersion });
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
        if (nth(code, i) < 0) continue;
        const log = nth(mean, nth(code, i));
        gain += nth(tried.rows.fish, i) * log - nth(mu, i) * (Math.exp(log) - 1);
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
  for (let i = 0; i < count; i++) out[i] = nth(state.mu, i) * nth(off, nth(week, i));
  return out;
}

function driftFrom(world: RateWorld, rows: Encoded, state: FactorState, halfLifeDays: number | null = null): Drift {
  const expected = withoutWeeks(rows, state);
  const k = nth(state.tau, WEEK);
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
    for (let i = 0; i < rows.count; i++) if (nth(code, i) >= 0) expected[i] = nth(expected, i) + nth(beta, nth(code, i));
  });
  for (let i = 0; i < rows.count; i++) expected[i] = Math.exp(nth(expected, i)) * nth(rows.effort, i);
  let over = 0;
  let squares = 0;
  filterDrift({ ...rows, spots: world.spots.length, expected }, world.now, nth(early.tau, WEEK), early.phi, {
    each: (i, m) => {
      if (i < cut) return;
      const w = nth(rows.weight, i);
      const mu = (nth(expected, i) * m) / w;
      over += (nth(rows.fish, i) / w - mu) ** 2 - mu;
      squares += mu * mu;
    },
  });
  return { early, dispersion: over <= 0 ? 30 : Math.min(30, Math.max(0.5, squares / over)) };
}

function model(
  world: RateWorld,
  lists: Lists,
  places: ReturnType<typeof placesOf>,
  groups: readonly FactorGroup[],
  rows: Encoded,
  { state, drift, dispersion }: Fitted,
): CatchRateModel {
  const counting = world.counting ?? 'all';
  let share: GoalShare | null | undefined;
  const shareOf = () => {
    if (share === undefined) share = goalShare(rows.sets, counting);
    return share;
  };
  const beta = state.beta;
  const drifts = Float64Array.from(world.spots, (_, s) => driftOf(drift, s));
  const shares = new Map<number, number>();
  const shareAt = (spot: number, presentation: number): number => {
    if (counting === 'all' || counting === 'action') return 1;
    const key = spot * lists.presentations + presentation;
    let known = shares.get(key);
    if (known === undefined) {
      const [s, p] = [world.spots[spot]?.id ?? '', world.presentations[presentation]?.id ?? ''];
      known = (shareOf()?.(s, p) ?? []).reduce((x, f) => x * f.multiplier, 1);
      shares.set(key, known);
    }
    return known;
  };
  // What the water does is summed once for all presentations.
  const byWater = GROUPS.map((g, i) => [g, nth(beta, i)] as const).filter(([g]) => !g.bait);
  const byBait = GROUPS.map((g, i) => [g, nth(beta, i)] as const).filter(([g]) => g.bait);
  const ratesAt: CatchRateModel['ratesAt'] = (spot, presentations, at, conditions, out) => {
    const v = waterLevels(world, lists, spot, at, conditions);
    const sum = (list: readonly (readonly [Group, Float64Array])[], from: number): number => {
      let log = from;
      for (let k = 0; k < list.length; k++) {
        const [group, b] = nth(list, k);
        const code = group.code(v, lists);
        if (code >= 0) log += nth(b, code);
      }
      return log;
    };
    const water = sum(byWater, state.base);
    const lately = spot < 0 ? 1 : nth(drifts, spot);
    for (let k = 0; k < presentations.length; k++) {
      const p = nth(presentations, k);
      setBait(v, world, lists, p, at, conditions);
      out[k] = Math.exp(sum(byBait, water)) * lately * shareAt(spot, p);
    }
  };
  const one = new Float64Array(1);
  const rateAt: CatchRateModel['rateAt'] = (spot, presentation, at, conditions) => {
    ratesAt(spot, [presentation], at, conditions, one);
    return nth(one, 0);
  };
  const indices = (q: RateQuery) => [places.spots.get(q.spot) ?? -1, places.presentations.get(q.presentation) ?? -1] as const;
  // What a kind of bait is made for is cited by the kind.
  const idOf = (id: string, q: RateQuery) =>
    id === OF_FAMILY ? (world.presentations[places.presentations.get(q.presentation) ?? -1]?.family ?? 'its kind') : id;
  const codesOf = (q: RateQuery) => {
    const [s, p] = indices(q);
    const v = levelsOf(world, lists, s, p, q.at, q.conditions);
    return GROUPS.map((g) => g.code(v, lists));
  };
  return {
    version: MODEL_VERSION,
    sets: rows.count,
    phi: state.phi,
    dispersion,
    signHalfLifeH: lists.signHalfLifeH,
    driftHalfLifeDays: drift.halfLifeDays,
    rate(q) {
      const [s, p] = indices(q);
      return rateAt(s, p, q.at, q.conditions);
    },
    rateAt,
    ratesAt,
    factors(q) {
      const codes = codesOf(q);
      const [s] = indices(q);
      const sum = (a: Float64Array) => a.reduce((x, y) => x + y, 0);
      const all: Factor[] = [
        {
          name: 'base',
          level: 0,
          multiplier: Math.exp(state.base),
          fish: sum(rows.fish),
          expected: sum(rows.effort),
          rule: null,
          unknown: null,
        },
      ];
      GROUPS.forEach((group, g) => {
        const code = nth(codes, g);
        const unknown = code < 0 ? (group.needs?.(q.conditions, world) ?? null) : null;
        // What this world has nothing of (no structures named, say) is no unknown either.
        if (code < 0 && unknown === null) return;
        const rule = code < 0 ? null : (group.prior?.(code, lists) ?? null);
        all.push({
          name: group.name,
          level: code,
          multiplier: code < 0 ? 1 : Math.exp(nth(nth(beta, g), code)),
          fish: code < 0 ? 0 : nth(nth(state.fish, g), code),
          expected: code < 0 ? 0 : nth(nth(state.expected, g), code),
          rule: rule && { ...rule.rule, id: idOf(rule.rule.id, q), prior: rule.mean },
          unknown,
        });
      });
      all.push({
        name: 'spot lately',
        level: s < 0 ? -1 : 0,
        multiplier: s < 0 ? 1 : nth(drifts, s),
        fish: s < 0 ? 0 : nth(drift.fish, s),
        expected: s < 0 ? 0 : nth(drift.expected, s),
        rule: null,
        unknown: null,
      });
      for (const f of shareOf()?.(q.spot, q.presentation) ?? []) all.push({ ...f, level: 0, rule: null, unknown: null });
      return all;
    },
    logVariance(q) {
      const codes = codesOf(q);
      const [s] = indices(q);
      let variance = 0;
      GROUPS.forEach(({ needs }, g) => {
        const group = nth(groups, g);
        const code = nth(codes, g);
        if (code < 0 && !needs?.(q.conditions, world)) return;
        // An unknown level keeps the whole spread of its group.
        const known = code < 0 ? 0 : levelInformation(state, g, code) + (group.weight?.[code] ?? 0);
        variance += 1 / (known + nth(state.tau, g));
      });
      variance += driftLogVariance(drift, s);
      return Math.max(0.01, variance * SHARED);
    },
    with(sets) {
      const more = encode(world, lists, places, sets, rows);
      const next = fitFactors(more, groups, { warm: state, learn: false, passes: 10 });
      return model(world, lists, places, groups, more, {
        state: next,
        drift: driftFrom(world, more, next, drift.halfLifeDays),
        dispersion,
      });
    },
  };
}

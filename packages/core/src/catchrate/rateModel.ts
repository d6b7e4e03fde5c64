// What a fitted catch-rate model answers: rates by spot, bait and hour, the factors that make each, and how unsure each is. Every part is
// a factor, so a rate can be taken apart exactly.
import { f64, nth, num } from '../units/indexed';
import { type Drift, driftLogVariance, driftOf } from './drift';
import type { Encoded, placesOf } from './encode';
import { type GoalShare, goalShare } from './goalShare';
import { type Group, GROUPS, type Lists, levelsOf, setBait, waterLevels } from './groups';
import { type FactorGroup, type FactorState, levelInformation } from './penalisedPoisson';
import { OF_FAMILY, type TradeRule } from './tradeRules';
import type { FishedSet, RateConditions, RateQuery, RateWorld } from './world';

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
const MODEL_VERSION = 'pooled-factors-3';
/** Errors of factors that share fish cancel in part. */
const SHARED = 0.5;

/** What was learned from a log, and what it was learned from. */
export interface Fit {
  readonly world: RateWorld;
  readonly lists: Lists;
  readonly places: ReturnType<typeof placesOf>;
  readonly groups: readonly FactorGroup[];
  readonly rows: Encoded;
  readonly state: FactorState;
  readonly drift: Drift;
  readonly dispersion: number;
}

/** @param learnMore - A fit after more sets, from where it stands. */
export function rateModel(fit: Fit, learnMore: (fit: Fit, sets: readonly FishedSet[]) => Fit): CatchRateModel {
  const { state, rows, lists, drift, dispersion } = fit;
  const shares = sharesOf(fit);
  const ratesAt = ratesOf(fit, shares.at);
  const one = new Float64Array(1);
  const rateAt: CatchRateModel['rateAt'] = (spot, presentation, at, conditions) => {
    ratesAt(spot, [presentation], at, conditions, one);
    return f64(one, 0);
  };
  return {
    version: MODEL_VERSION,
    sets: rows.count,
    phi: state.phi,
    dispersion,
    signHalfLifeH: lists.signHalfLifeH,
    driftHalfLifeDays: drift.halfLifeDays,
    rate: (q) => rateAt(...indices(fit, q), q.at, q.conditions),
    rateAt,
    ratesAt,
    factors: (q) => [
      baseOf(fit),
      ...groupFactors(fit, q),
      latelyOf(fit, q),
      ...shares.of(q.spot, q.presentation).map((f) => ({ ...f, level: 0, rule: null, unknown: null })),
    ],
    logVariance: (q) => logVarianceOf(fit, q),
    with: (sets) => rateModel(learnMore(fit, sets), learnMore),
  };
}

/** Places of a query's spot and presentation in the world, -1 where it has no such. */
const indices = ({ places }: Fit, q: RateQuery): [spot: number, presentation: number] => [
  places.spots.get(q.spot) ?? -1,
  places.presentations.get(q.presentation) ?? -1,
];

function codesOf(fit: Fit, q: RateQuery): number[] {
  const v = levelsOf(fit.world, fit.lists, ...indices(fit, q), q.at, q.conditions);
  return GROUPS.map((g) => g.code(v, fit.lists));
}

/** The share of fish that the goal counts, worked out when it is first asked for. */
function sharesOf({ world, rows, lists }: Fit) {
  const counting = world.counting ?? 'all';
  let share: GoalShare | null | undefined;
  const known = new Map<number, number>();
  const of = (spot: string, presentation: string) => {
    if (share === undefined) share = goalShare(rows.sets, counting);
    return share?.(spot, presentation) ?? [];
  };
  const at = (spot: number, presentation: number): number => {
    if (counting === 'all' || counting === 'action') return 1;
    const key = spot * lists.presentations + presentation;
    let worth = known.get(key);
    if (worth === undefined) {
      worth = of(world.spots[spot]?.id ?? '', world.presentations[presentation]?.id ?? '').reduce((x, f) => x * f.multiplier, 1);
      known.set(key, worth);
    }
    return worth;
  };
  return { of, at };
}

function ratesOf({ world, lists, state, drift }: Fit, shareAt: (spot: number, presentation: number) => number): CatchRateModel['ratesAt'] {
  const drifts = Float64Array.from(world.spots, (_, s) => driftOf(drift, s));
  // What the water does is summed once for all presentations.
  const byWater = GROUPS.map((g, i) => [g, nth(state.beta, i)] as const).filter(([g]) => !g.bait);
  const byBait = GROUPS.map((g, i) => [g, nth(state.beta, i)] as const).filter(([g]) => g.bait);
  return (spot, presentations, at, conditions, out) => {
    const v = waterLevels(world, lists, spot, at, conditions);
    const sum = (list: readonly (readonly [Group, Float64Array])[], from: number): number => {
      let log = from;
      for (let k = 0; k < list.length; k++) {
        const [group, b] = nth(list, k);
        const code = group.code(v, lists);
        if (code >= 0) log += f64(b, code);
      }
      return log;
    };
    const water = sum(byWater, state.base);
    const lately = spot < 0 ? 1 : f64(drifts, spot);
    for (let k = 0; k < presentations.length; k++) {
      const p = num(presentations, k);
      setBait(v, world, lists, p, at, conditions);
      out[k] = Math.exp(sum(byBait, water)) * lately * shareAt(spot, p);
    }
  };
}

const sum = (a: Float64Array) => a.reduce((x, y) => x + y, 0);

function baseOf({ state, rows }: Fit): Factor {
  return {
    name: 'base',
    level: 0,
    multiplier: Math.exp(state.base),
    fish: sum(rows.fish),
    expected: sum(rows.effort),
    rule: null,
    unknown: null,
  };
}

function groupFactors(fit: Fit, q: RateQuery): Factor[] {
  const { world, lists, state } = fit;
  const codes = codesOf(fit, q);
  const [, p] = indices(fit, q);
  // What a kind of bait is made for is cited by the kind.
  const idOf = (id: string) => (id === OF_FAMILY ? (world.presentations[p]?.family ?? 'its kind') : id);
  return GROUPS.flatMap((group, g): Factor[] => {
    const code = num(codes, g);
    if (code < 0) {
      const unknown = group.needs?.(q.conditions, world) ?? null;
      // What this world has nothing of (no structures named, say) is no unknown either.
      return unknown === null ? [] : [{ name: group.name, level: code, multiplier: 1, fish: 0, expected: 0, rule: null, unknown }];
    }
    const rule = group.prior?.(code, lists) ?? null;
    return [
      {
        name: group.name,
        level: code,
        multiplier: Math.exp(f64(nth(state.beta, g), code)),
        fish: f64(nth(state.fish, g), code),
        expected: f64(nth(state.expected, g), code),
        rule: rule && { ...rule.rule, id: idOf(rule.rule.id), prior: rule.mean },
        unknown: null,
      },
    ];
  });
}

/** What a spot has given lately against what it gives as a rule. */
function latelyOf(fit: Fit, q: RateQuery): Factor {
  const { drift } = fit;
  const [s] = indices(fit, q);
  const none = { level: -1, multiplier: 1, fish: 0, expected: 0 };
  const here = s < 0 ? none : { level: 0, multiplier: driftOf(drift, s), fish: f64(drift.fish, s), expected: f64(drift.expected, s) };
  return { name: 'spot lately', ...here, rule: null, unknown: null };
}

function logVarianceOf(fit: Fit, q: RateQuery): number {
  const { world, groups, state, drift } = fit;
  const codes = codesOf(fit, q);
  let variance = 0;
  GROUPS.forEach(({ needs }, g) => {
    const code = num(codes, g);
    if (code < 0 && !needs?.(q.conditions, world)) return;
    // An unknown level keeps the whole spread of its group.
    const known = code < 0 ? 0 : levelInformation(state, g, code) + (nth(groups, g).weight?.[code] ?? 0);
    variance += 1 / (known + f64(state.tau, g));
  });
  variance += driftLogVariance(drift, indices(fit, q)[0]);
  return Math.max(0.01, variance * SHARED);
}

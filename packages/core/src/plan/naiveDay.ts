// What would be done without the arithmetic: yesterday's best spots, laid as if the wind did tomorrow what it did yesterday.
// Scored with tomorrow's rates, so that the difference is what conditions and effort are worth.
import { countRange } from '../catchrate/rangeOf';
import type { Factor } from '../catchrate/rateModel';
import { expectedFish } from '../itinerary/stayValues';
import { nth } from '../units/indexed';
import { DAY, MINUTE } from '../units/time';
import type { DayPlan } from './plannedDay';
import { itineraryProblem } from './itineraryProblem';
import { layDay } from './layDay';
import { shutWords } from './openSteps';
import { type PlanInputs, STEP_MIN } from './planInputs';
import { type Ranking, rankTrip, rateConditions, stepAt } from './rankTrip';
import { reasonsOf } from './reasons';
import { windLater } from './scenarios';

export interface NaiveLeg {
  readonly spotId: string;
  readonly startMs: number;
  readonly departMs: number;
  /** Fish per rod-hour in the days before, and to expect in this stay. */
  readonly rateThen: number;
  readonly rateNow: number;
  /** Fish that yesterday's wind would have given, and that tomorrow's gives. */
  readonly hoped: number;
  readonly expected: number;
  /** What makes the difference. */
  readonly why: string;
}

export interface NaiveDay {
  readonly legs: readonly NaiveLeg[];
  readonly hoped: number;
  readonly expected: number;
  readonly lo80: number;
  readonly hi80: number;
}

/** How far back "yesterday" reaches when fewer spots than needed were fished then, days. */
const REACH_DAYS = [1, 3, 7, 21] as const;
const LEGS = 4;
/** Of what was hoped for, less than this is a loss to be explained. */
const LOSS = 0.93;

/** The naive day of a trip, of as many spots as the plan it is held against; null when nothing was fished lately. */
export function naiveDay(inputs: PlanInputs, ranking: Ranking, plan: Pick<DayPlan, 'legs'> | null): NaiveDay | null {
  const recent = recentRates(inputs, plan?.legs.length ?? LEGS);
  if (recent.length === 0) return null;
  const aboard = ranking.baits.map((b) => nth(inputs.presentations, b).id);
  const { wind } = inputs.water;
  const asYesterday: PlanInputs = { ...inputs, taken: [], water: { ...inputs.water, wind: wind && windLater(wind, 24) } };
  const hoped = rankTrip(asYesterday, { model: ranking.model, aboard });
  const bans = inputs.spots.map((s) => s.id).filter((id) => !recent.some((r) => r.spotId === id));
  let laid: DayPlan;
  try {
    let looked = 0;
    laid = layDay(asYesterday, hoped, { bans, stop: () => ++looked > 400 });
  } catch (error) {
    // None of these spots can be fished; anything else is a fault.
    if (error instanceof RangeError) return null;
    throw error;
  }
  const problem = itineraryProblem({ ...inputs, taken: [] }, ranking);
  const step = (ms: number) => Math.round((ms - inputs.startsAt) / (STEP_MIN * MINUTE));
  const legs = laid.legs.map((l): NaiveLeg => {
    const s = inputs.spots.findIndex((x) => x.id === l.spotId);
    const span = [step(l.startMs), step(l.departMs)] as const;
    const own = problem.spots.find((x) => x.id === l.spotId);
    const expected = (ranking.open[s] ?? []).reduce((sum, [a, b]) => {
      const [from, to] = [Math.max(a, span[0]), Math.min(b, span[1])];
      return own && to > from ? sum + expectedFish(problem, own, from, to) : sum;
    }, 0);
    return {
      spotId: l.spotId,
      startMs: l.startMs,
      departMs: l.departMs,
      rateThen: recent.find((r) => r.spotId === l.spotId)?.rate ?? 0,
      rateNow: expected / ((l.departMs - l.startMs) / (60 * MINUTE)) / inputs.rods,
      hoped: l.expected,
      expected,
      why: whyOther(inputs, ranking, hoped, s, span, expected / Math.max(1e-9, l.expected)),
    };
  });
  const expected = legs.reduce((sum, l) => sum + l.expected, 0);
  return { legs, hoped: laid.expected, expected, ...countRange(expected, ranking.model.dispersion * Math.max(1, legs.length)) };
}

function recentRates(inputs: PlanInputs, wanted: number): { spotId: string; rate: number }[] {
  for (const days of REACH_DAYS) {
    const sums = new Map<string, { fish: number; hours: number }>();
    for (const s of inputs.sets) {
      if (s.at < inputs.now - days * DAY) continue;
      const x = sums.get(s.spot) ?? { fish: 0, hours: 0 };
      x.fish += s.counts ?? s.fish;
      x.hours += s.rodHours;
      sums.set(s.spot, x);
    }
    const list = [...sums].map(([spotId, x]) => ({ spotId, rate: x.fish / x.hours })).filter((x) => x.rate > 0);
    list.sort((a, b) => b.rate - a.rate || (a.spotId < b.spotId ? -1 : 1));
    if (list.length >= wanted || days === REACH_DAYS.at(-1)) return list.slice(0, wanted);
  }
  return [];
}

/** What tells tomorrow from yesterday at a spot in a span: what shuts it, or the factor that falls most. */
function whyOther(inputs: PlanInputs, now: Ranking, then: Ranking, s: number, span: readonly [number, number], share: number): string {
  const shut = shutWords(
    inputs,
    s,
    span,
    (t) => stepAt(inputs, t),
    (t) => now.conditionsAt(s, t),
  );
  if (shut) return shut;
  if (share >= LOSS) return 'as good in tomorrow’s wind';
  const middle = Math.floor((span[0] + span[1]) / 2);
  const factorsOf = (r: Ranking) => {
    const c = r.conditionsAt(s, middle);
    const bait = r.calls.find((x) => x.spotId === inputs.spots[s]?.id)?.presentationId ?? '';
    return { c, list: r.model.factors({ at: c.at, spot: inputs.spots[s]?.id ?? '', presentation: bait, conditions: rateConditions(c) }) };
  };
  const [a, b] = [factorsOf(now), factorsOf(then)];
  const fall = (f: Factor) => f.multiplier / (b.list.find((x) => x.name === f.name)?.multiplier ?? 1);
  const worst = [...a.list].sort((x, y) => fall(x) - fall(y))[0];
  if (!worst || fall(worst) >= 0.99) return 'the hours are worse';
  const words = reasonsOf([{ ...worst, multiplier: Math.min(worst.multiplier, 0.85) }], rateConditions(a.c))[0]?.text ?? worst.name;
  return `${words} (×${worst.multiplier.toFixed(2)}, yesterday’s wind ×${(worst.multiplier / fall(worst)).toFixed(2)})`;
}

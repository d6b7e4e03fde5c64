// What would change a plan: the plan kept under each scenario against the best plan there, and what going over to that
// one is worth. Members of the forecast are joined to one trigger: the hour and the strength of wind that tell them apart.
import { waterStateOf } from '../conditions/waterRecord';
import { expectedFish } from '../itinerary/stayValues';
import { compassPoint } from '../units/angle';
import { HOUR } from '../units/time';
import { sampleWind } from '../weather/wind';
import type { DayPlan, LayOptions } from './plannedDay';
import { itineraryProblem, placeOf } from './itineraryProblem';
import { layDay } from './layDay';
import { type PlanInputs, STEP_MIN } from './planInputs';
import { type Ranking, rankTrip } from './rankTrip';
import type { Scenario } from './scenarios';
import { MINUTE } from '../units/time';
import { said, saidTime } from '../units/measure';
import { nth } from '../units/indexed';

/** What a scenario does to a plan. */
export interface Outcome {
  readonly scenario: Scenario;
  /** Fish of the plan as it stands, and of the best plan, under the scenario. */
  readonly kept: number;
  readonly best: DayPlan;
}

/** A wind that tells when to go over to another plan. */
export interface WindCondition {
  readonly atMs: number;
  readonly aboveMps: number | null;
  readonly belowMps: number | null;
}

export interface Trigger {
  readonly id: string;
  readonly sentence: string;
  /** Fish won by going over. */
  readonly worth: number;
  /** Share of the forecast's members in which it is so; null for what the members do not speak of. */
  readonly chance: number | null;
  readonly condition: WindCondition | null;
  readonly planB: DayPlan;
}

/** Worth naming: fish, and share of the plan. */
const LEAST_FISH = 0.3;
const LEAST_SHARE = 0.03;
const SOLVE_STEPS = 400;
/** How likely each kind is held to be when triggers are put in order; no figure is shown for these. */
const ODDS: Readonly<Record<string, number>> = { wind: 0.25, shift: 0.3, tide: 0.05, taken: 0.15 };

/** Fish of legs kept as they are, counting only the hours in which each spot can be fished. */
export function worthAsItStands(
  inputs: PlanInputs,
  ranking: Ranking,
  plan: Pick<DayPlan, 'legs'>,
  { without }: Pick<LayOptions, 'without'> = {},
): number {
  const again = new Set(plan.legs.map((l) => l.spotId)).size < plan.legs.length;
  const problem = itineraryProblem(inputs, ranking, { again, pins: plan.legs, without });
  const step = (ms: number) => Math.round((ms - inputs.startsAt) / (STEP_MIN * MINUTE));
  return plan.legs.reduce((sum, l) => {
    const spot = problem.spots.find((s) => placeOf(s.id) === l.spotId);
    if (!spot) return sum;
    return (
      sum +
      (spot.open ?? []).reduce((x, [a, b]) => {
        const [from, to] = [Math.max(a, step(l.startMs)), Math.min(b, step(l.departMs))];
        return to > from ? x + expectedFish(problem, spot, from, to) : x;
      }, 0)
    );
  }, 0);
}

/** One scenario worked out: rates anew from its water, the plan kept, the best plan. Null when nothing can be fished in it. */
export function tryScenario(
  inputs: PlanInputs,
  ranking: Ranking,
  plan: DayPlan,
  scenario: Scenario,
  options: LayOptions = {},
): Outcome | null {
  const there: PlanInputs = { ...inputs, water: scenario.water };
  const ranked =
    scenario.water === inputs.water
      ? ranking
      : rankTrip(there, { model: ranking.model, aboard: ranking.baits.map((b) => nth(inputs.presentations, b).id) });
  let looked = 0;
  try {
    const bans = scenario.takenSpotId ? [...(options.bans ?? []), scenario.takenSpotId] : options.bans;
    const { again, without } = options;
    const best = layDay(there, ranked, { bans, again, without, stop: () => ++looked > SOLVE_STEPS });
    const legs = scenario.takenSpotId ? plan.legs.filter((l) => l.spotId !== scenario.takenSpotId) : plan.legs;
    return { scenario, kept: worthAsItStands(there, ranked, { legs }, { without }), best };
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** The triggers behind outcomes, worth most first. */
export function triggersOf(inputs: PlanInputs, plan: DayPlan, outcomes: readonly Outcome[]): Trigger[] {
  const least = Math.max(LEAST_FISH, LEAST_SHARE * plan.expected);
  const worth = (o: Outcome) => o.best.expected - o.kept;
  const name = (id: string | undefined) => inputs.spots.find((s) => s.id === id)?.name ?? 'the dock';
  const where = (b: DayPlan) => {
    const i = b.legs.findIndex((l, k) => l.spotId !== plan.legs[k]?.spotId);
    if (i < 0) {
      const k = b.legs.findIndex((l, j) => l.departMs !== plan.legs[j]?.departMs);
      const leg = b.legs[Math.max(0, k)];
      return `stay at ${name(leg?.spotId)} until ${saidTime(leg?.departMs ?? 0, inputs.zone)}`;
    }
    return i === 0 ? `go to ${name(b.legs[0]?.spotId)} first` : `go to ${name(b.legs[i]?.spotId)} after ${name(b.legs[i - 1]?.spotId)}`;
  };
  const triggers: Trigger[] = [];
  const members = outcomes.filter((o) => o.scenario.kind === 'member');
  const off = members.filter((o) => worth(o) >= least);
  if (off.length > 0) {
    const condition = off.length < members.length ? windThatTells(inputs, members, off) : null;
    const best = off.reduce((a, b) => (worth(b) > worth(a) ? b : a));
    const mean = off.reduce((s, o) => s + worth(o), 0) / off.length;
    triggers.push({
      id: 'members',
      sentence: `If ${condition ? conditionWords(inputs, condition, best) : `the wind does as ${off.length} of ${members.length} forecasts say`}, ${where(best.best)}.`,
      worth: mean,
      chance: off.length / members.length,
      condition,
      planB: best.best,
    });
  }
  for (const o of outcomes) {
    if (o.scenario.kind === 'member' || worth(o) < least) continue;
    triggers.push({
      id: o.scenario.id,
      sentence: `If ${o.scenario.words}, ${where(o.best)}.`,
      worth: worth(o),
      chance: null,
      condition: null,
      planB: o.best,
    });
  }
  const likely = (t: Trigger) => t.worth * (t.chance ?? ODDS[nth(t.id.split(' '), 0)] ?? 0.1);
  return triggers.sort((a, b) => likely(b) - likely(a));
}

/** Hour and strength that best divide members for which the plan holds from those for which it does not. */
function windThatTells(inputs: PlanInputs, all: readonly Outcome[], off: readonly Outcome[]): WindCondition | null {
  const winds = all.map((o) => ({ off: off.includes(o), wind: waterStateOf({ ...o.scenario.water, tide: null, currents: [] }).wind }));
  let best: { condition: WindCondition; right: number } | null = null;
  for (let at = Math.ceil(inputs.startsAt / HOUR) * HOUR; at <= inputs.endsAt; at += HOUR) {
    const speeds = winds.flatMap((w) => {
      const mps = sampleWind(w.wind, at)?.mps;
      return mps === undefined ? [] : [{ off: w.off, mps }];
    });
    if (speeds.length < winds.length) continue;
    const sorted = [...speeds].sort((a, b) => a.mps - b.mps);
    for (let k = 1; k < sorted.length; k++) {
      const edge = (nth(sorted, k - 1).mps + nth(sorted, k).mps) / 2;
      for (const above of [true, false]) {
        const right = speeds.filter((s) => s.off === (above ? s.mps > edge : s.mps < edge)).length;
        if (!best || right > best.right)
          best = { right, condition: { atMs: at, aboveMps: above ? edge : null, belowMps: above ? null : edge } };
      }
    }
  }
  return best && best.right > all.length * 0.7 ? best.condition : null;
}

function conditionWords(inputs: PlanInputs, c: WindCondition, best: Outcome): string {
  const w = sampleWind(waterStateOf({ ...best.scenario.water, tide: null, currents: [] }).wind, c.atMs);
  const from = w ? ` from the ${compassPoint(w.fromDeg)}` : '';
  const at = saidTime(c.atMs, inputs.zone);
  return c.aboveMps !== null
    ? `the wind${from} is over ${said(c.aboveMps, 'wind', 1)} at ${at}`
    : // biome-ignore lint/plugin: one of the two strengths is set, as windThatTells makes them.
      `the wind is under ${said(c.belowMps as number, 'wind', 1)} at ${at}`;
}

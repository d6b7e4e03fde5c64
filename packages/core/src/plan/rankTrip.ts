import { type CatchRateModel, type Factor, fitCatchRate } from '../catchrate/fitCatchRate';
import { levelsOf } from '../catchrate/groups';
import { type LikeWater, likeWater } from '../catchrate/likeWater';
import { rateRange } from '../catchrate/rangeOf';
import type { RateConditions, RateWorld } from '../catchrate/world';
import { conditionsOver, type SpotConditions } from '../conditions/spotConditions';
import { waterStateOf } from '../conditions/waterRecord';
import { clearanceM, openRanges } from '../tide/barWindows';
import { MINUTE } from '../units/time';
import { MIN_STAY_STEPS, type PlanInputs, type PlanSpot, STEP_MIN } from './planInputs';
import { type Reason, reasonsOf } from './reasons';

/** Spot + presentation + when, with its evidence. */
export interface Call {
  readonly spotId: string;
  readonly presentationId: string;
  readonly fromMs: number;
  readonly toMs: number;
  /** Fish per rod-hour in the window, before fading, with its 80 % range. */
  readonly ratePerRodHour: number;
  readonly lo80: number;
  readonly hi80: number;
  readonly likeRodHours: number;
  readonly likeFish: number;
  readonly likeStopIds: readonly string[];
  readonly reasons: readonly Reason[];
  readonly factors: readonly Factor[];
  /** Next best presentation at the same time, or null. */
  readonly second: { readonly presentationId: string; readonly ratePerRodHour: number } | null;
}

/** A spot that cannot be fished on this trip, and why. */
export interface ShutSpot {
  readonly spotId: string;
  readonly why: string;
}

export interface Ranking {
  readonly calls: readonly Call[];
  readonly shut: readonly ShutSpot[];
  /** Fish per rod-hour by spot (order of inputs.spots) and step, for the presentation of its call. */
  readonly stepRates: readonly (readonly number[])[];
  /** Step ranges in which each spot can be fished. */
  readonly open: readonly (readonly (readonly [number, number])[])[];
  readonly model: CatchRateModel;
}

const STRIDE = 3;
const WINDOW_STEPS = 18;

/** What the catch rate reads of conditions. */
export function rateConditions(c: SpotConditions): RateConditions {
  return {
    tideStage: c.tideStage,
    windMps: c.windMps,
    windFromDeg: c.windFromDeg,
    waterTempC: c.waterTempC,
    clarityM: c.clarityM,
    sunHeightDeg: c.sunHeightDeg,
    cloud: c.cloud,
    depthM: c.depthM,
  };
}

/** The world a trip's catch rates live in. */
export function worldOf(inputs: Pick<PlanInputs, 'spots' | 'presentations' | 'now'>): RateWorld {
  return { spots: inputs.spots.map((s) => s.id), presentations: inputs.presentations, now: inputs.now };
}

/** Ranks every spot of a trip: its best presentation, its best window, and what speaks for and against. */
export function rankTrip(inputs: PlanInputs, model = fitCatchRate(worldOf(inputs), inputs.sets)): Ranking {
  const steps = stepsOf(inputs);
  const at = (step: number) => inputs.startsAt + step * STEP_MIN * MINUTE;
  const conditionsAt = conditionsOver(waterStateOf(inputs.water), inputs.startsAt, inputs.endsAt);
  // Conditions change little in a quarter of an hour; each spot's are worked out once for all presentations.
  const seen = inputs.spots.map((spot) => Array.from({ length: Math.ceil(steps / STRIDE) }, (_, i) => conditionsAt(spot, at(i * STRIDE))));
  const conditions = (s: number, step: number) => seen[s]?.[Math.floor(step / STRIDE)] as SpotConditions;
  const read = seen.map((list) => list.map(rateConditions));
  const usable = inputs.presentations.map((p, i) => ({ p, i })).filter(({ p }) => p.skill <= inputs.skill);
  const world = worldOf(inputs);
  const calls: Call[] = [];
  const shut: ShutSpot[] = [];
  const open = inputs.spots.map((spot, s) => openSteps(inputs, spot, s, steps, (t) => conditions(s, t)));
  const stepRates = inputs.spots.map((spot, s) => {
    const windows = open[s] as [number, number][];
    const best = { rate: 0, presentation: -1, from: 0, to: 0, rates: [] as number[] };
    const averages: { presentation: number; rates: number[] }[] = [];
    for (const { i } of usable) {
      const rates = new Array<number>(steps);
      for (let t = 0; t < steps; t += STRIDE) {
        const c = read[s]?.[t / STRIDE] as RateConditions;
        const rate = model.rateOfLevels(levelsOf(world, s, i, at(t), c));
        for (let k = t; k < Math.min(steps, t + STRIDE); k++) rates[k] = rate;
      }
      averages.push({ presentation: i, rates });
      for (const [from, to] of windows) {
        const length = Math.min(WINDOW_STEPS, to - from);
        let sum = 0;
        for (let t = from; t < to; t++) {
          sum += rates[t] as number;
          if (t - from >= length) sum -= rates[t - length] as number;
          if (t - from >= length - 1 && sum / length > best.rate) {
            Object.assign(best, { rate: sum / length, presentation: i, from: t - length + 1, to: t + 1, rates });
          }
        }
      }
    }
    if (best.presentation < 0) {
      shut.push({ spotId: spot.id, why: whyShut(inputs, spot, s, steps, (t) => conditions(s, t)) });
      return new Array<number>(steps).fill(0);
    }
    const middle = at(Math.floor((best.from + best.to) / 2));
    const c = rateConditions(conditionsAt(spot, middle));
    const presentation = inputs.presentations[best.presentation] as PlanInputs['presentations'][number];
    const query = { at: middle, spot: spot.id, presentation: presentation.id, conditions: c };
    const like: LikeWater = likeWater(inputs.sets, query, inputs.now);
    const factors = model.factors(query);
    let second: Call['second'] = null;
    for (const a of averages) {
      if (a.presentation === best.presentation) continue;
      const window = a.rates.slice(best.from, best.to);
      const rate = window.reduce((x, y) => x + y, 0) / window.length;
      if (!second || rate > second.ratePerRodHour) {
        second = { presentationId: inputs.presentations[a.presentation]?.id as string, ratePerRodHour: rate };
      }
    }
    calls.push({
      spotId: spot.id,
      presentationId: presentation.id,
      fromMs: at(best.from),
      toMs: at(best.to),
      ratePerRodHour: best.rate,
      ...rateRange(model, query, best.rate),
      likeRodHours: like.rodHours,
      likeFish: like.fish,
      likeStopIds: [...new Set(like.sets.slice(0, 40).map((x) => x.set.stopId ?? ''))].filter((id) => id !== ''),
      reasons: reasonsOf(factors, c),
      factors,
      second,
    });
    return best.rates;
  });
  calls.sort((a, b) => b.ratePerRodHour - a.ratePerRodHour || (a.spotId < b.spotId ? -1 : 1));
  return { calls, shut, stepRates, open, model };
}

/** Whole planning steps of a trip. */
export function stepsOf(inputs: Pick<PlanInputs, 'startsAt' | 'endsAt'>): number {
  return Math.floor((inputs.endsAt - inputs.startsAt) / (STEP_MIN * MINUTE));
}

function openSteps(
  inputs: PlanInputs,
  spot: PlanSpot,
  s: number,
  steps: number,
  conditions: (step: number) => SpotConditions,
): [number, number][] {
  if (inputs.dockTravelMin[s] === null) return [];
  return openRanges(steps, (t) => shutBecause(inputs, spot, conditions(t)) === null).filter(([from, to]) => to - from >= MIN_STAY_STEPS);
}

function shutBecause(inputs: PlanInputs, spot: PlanSpot, c: SpotConditions): 'bar' | 'wind' | 'wave' | null {
  const { boat } = inputs;
  const depth = spot.accessDepthM === null ? spot.depthMaxM : Math.min(spot.accessDepthM, spot.depthMaxM);
  if (clearanceM(depth, c.tideHeightM ?? 0, { draughtM: boat.draughtM, waveM: c.waveM ?? 0 }) < 0) return 'bar';
  if ((c.windGustMps ?? c.windMps ?? 0) > boat.windLimitMps && (c.fetchM ?? 0) > 500) return 'wind';
  return (c.waveM ?? 0) > boat.waveLimitM ? 'wave' : null;
}

function whyShut(inputs: PlanInputs, spot: PlanSpot, s: number, steps: number, conditions: (step: number) => SpotConditions): string {
  if (inputs.dockTravelMin[s] === null) return 'no way there for this boat at its draught';
  const counts = { bar: 0, wind: 0, wave: 0 };
  for (let t = 0; t < steps; t += STRIDE) {
    const why = shutBecause(inputs, spot, conditions(t));
    if (why) counts[why]++;
  }
  if (counts.bar >= counts.wind && counts.bar >= counts.wave && counts.bar > 0) return 'too little water over the way in during the trip';
  if (counts.wind >= counts.wave && counts.wind > 0) return "gusts over the boat's own limit there during the trip";
  return counts.wave > 0 ? "waves over the boat's own limit there during the trip" : 'no presentation within the skill of the party';
}

import { fitCatchRate } from '../catchrate/fitCatchRate';
import type { CatchRateModel, Factor } from '../catchrate/rateModel';
import { likeWater } from '../catchrate/likeWater';
import { rateRange } from '../catchrate/rangeOf';
import type { FishedSet, RateConditions, RateWorld } from '../catchrate/world';
import { conditionsOver, type SpotConditions } from '../conditions/spotConditions';
import { waterStateOf } from '../conditions/waterRecord';
import { judgeSpot } from '../risk/atPlace';
import { every, type RiskSpan, riskSpans } from '../risk/judgeSpans';
import { waysOf } from '../itinerary/ways';
import { MINUTE } from '../units/time';
import { openSteps, whyShut } from './openSteps';
import { MIN_STAY_STEPS, type PlanInputs, STEP_MIN } from './planInputs';
import { type OtherBait, searchBait, secondBait } from './pickOther';
import { type Reason, reasonsOf } from './reasons';
import { type ShutWays, shutWays, wayShutWords } from './shutWays';
import { whyLeftOut } from './whyLeftOut';
import { f64, nth, num, row } from '../units/indexed';

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
  /** When and by what the way there from the dock is shut. */
  readonly wayShut: readonly { readonly fromMs: number; readonly toMs: number; readonly why: string }[];
  /** What speaks against the spot in the window, over and near before what is not known. */
  readonly risk: readonly RiskSpan[];
  /** What is not known there and then. */
  readonly unknown: readonly string[];
  /** Every presentation at the same hour, best first, this one included. */
  readonly others: readonly OtherBait[];
  /** Best that looks different and fishes elsewhere in the water, or null. */
  readonly second: OtherBait | null;
  /** Best that covers water fast, to find them with before a slower one finishes; null when this one does. */
  readonly search: OtherBait | null;
}

/** A spot that cannot be fished on this trip, and why. */
export interface ShutSpot {
  readonly spotId: string;
  readonly why: string;
}

export interface Ranking {
  readonly calls: readonly Call[];
  readonly shut: readonly ShutSpot[];
  /** Fish per rod-hour by spot (order of inputs.spots), then usable presentation (see baits), then step. */
  readonly rates: readonly (readonly (readonly number[])[])[];
  /** Presentations that may be used, as indices of inputs.presentations. */
  readonly baits: readonly number[];
  /** Step ranges in which each spot can be fished. */
  readonly open: readonly (readonly (readonly [number, number])[])[];
  /** When the sea shuts ways. */
  readonly ways: ShutWays;
  readonly model: CatchRateModel;
  readonly conditionsAt: (spot: number, step: number) => SpotConditions;
}

export interface RankOptions {
  /** Model to rank with; fitted on the inputs' sets when absent. */
  readonly model?: CatchRateModel;
  /** Presentations in the boat; all when absent. */
  readonly aboard?: readonly string[];
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
    onshore: c.onshore,
    currentMps: c.currentMps,
    sinceTurnH: c.sinceTurnH,
    tidePush: c.tidePush,
    waterTemp48hC: c.waterTemp48hC,
    flowM3s: c.flowM3s,
  };
}

/** The world a trip's catch rates live in. */
export function worldOf(inputs: Pick<PlanInputs, 'spots' | 'presentations' | 'now' | 'counting' | 'water' | 'signs' | 'feeds'>): RateWorld {
  const fresh = inputs.water.still ?? false;
  return {
    spots: inputs.spots.map((s) => ({ ...s, fresh })),
    presentations: inputs.presentations,
    now: inputs.now,
    counting: inputs.counting,
    lonDeg: inputs.water.lon,
    signs: inputs.signs,
    feeds: inputs.feeds,
    tidal: inputs.water.tide !== null,
  };
}

/** Whole planning steps of a trip. */
export function stepsOf(inputs: Pick<PlanInputs, 'startsAt' | 'endsAt'>): number {
  return Math.floor((inputs.endsAt - inputs.startsAt) / (STEP_MIN * MINUTE));
}

/** Length of a step, ms. */
export const STEP_MS = STEP_MIN * MINUTE;

/** Instant of a step. */
export const stepAt = (inputs: Pick<PlanInputs, 'startsAt'>, step: number): number => inputs.startsAt + step * STEP_MIN * MINUTE;

/** Ranks every spot of a trip: its best presentation, its best window, and what speaks for and against. */
export function rankTrip(inputs: PlanInputs, { model: given, aboard }: RankOptions = {}): Ranking {
  const model = given ?? fitCatchRate(worldOf(inputs), inputs.sets);
  const steps = stepsOf(inputs);
  const over = conditionsOver(waterStateOf(inputs.water), inputs.startsAt, inputs.endsAt);
  // Conditions change little in a quarter of an hour; each spot's are worked out once for all presentations.
  const seen = inputs.spots.map((spot) =>
    Array.from({ length: Math.ceil(steps / STRIDE) }, (_, i) => over(spot, stepAt(inputs, i * STRIDE))),
  );
  const conditionsAt = (s: number, step: number) => {
    const here = row(seen, s);
    return nth(here, Math.min(here.length - 1, Math.floor(step / STRIDE)));
  };
  const baits = inputs.presentations.flatMap((p, i) => (whyLeftOut(inputs, p, aboard) === null ? [i] : []));
  const ways = shutWays(inputs, steps, STRIDE);
  const cutOff = (s: number) => ways.dock[s]?.ranges.some(([from, to]) => from === 0 && to === steps) ?? false;
  const open = inputs.spots.map((_, s) => (cutOff(s) ? [] : openSteps(inputs, s, steps, (t) => conditionsAt(s, t), STRIDE)));
  const rates = inputs.spots.map((_, s) => ratesOf(inputs, model, baits, s, row(seen, s), steps));
  const bySpot = new Map<string, FishedSet[]>(inputs.spots.map((s) => [s.id, []]));
  for (const set of inputs.sets) bySpot.get(set.spot)?.push(set);
  const calls: Call[] = [];
  const shut: ShutSpot[] = [];
  const reach = reachableSteps(inputs, ways, steps);
  inputs.spots.forEach((spot, s) => {
    const best = bestWindow(row(rates, s), within(row(open, s), row(reach, s)));
    if (best) {
      const fished = bySpot.get(spot.id) ?? [];
      calls.push(callOf(inputs, { s, best, baits, rates: row(rates, s), model, ways, over, conditionsAt, fished }));
      return;
    }
    const onTheWay = () => `${wayShutWords(ways.dock[s]?.why[0])} on the way there during the whole trip`;
    const atIt = () => whyShut(inputs, s, steps, STRIDE, (t) => conditionsAt(s, t));
    const why = cutOff(s) ? onTheWay() : (open[s] ?? []).length > 0 ? 'no way there and back within its hours' : atIt();
    shut.push({ spotId: spot.id, why });
  });
  calls.sort((a, b) => b.ratePerRodHour - a.ratePerRodHour || (a.spotId < b.spotId ? -1 : 1));
  return { calls, shut, rates, baits, open, ways, model, conditionsAt };
}

/** Fish a rod-hour of each bait at a spot, step by step. */
function ratesOf(
  inputs: PlanInputs,
  model: CatchRateModel,
  baits: readonly number[],
  s: number,
  seen: readonly SpotConditions[],
  steps: number,
): number[][] {
  const read = seen.map(rateConditions);
  const lists = baits.map(() => new Array<number>(steps));
  const now = new Float64Array(baits.length);
  for (let t = 0; t < steps; t += STRIDE) {
    model.ratesAt(s, baits, stepAt(inputs, t), nth(read, t / STRIDE), now);
    lists.forEach((list, b) => {
      for (let k = t; k < Math.min(steps, t + STRIDE); k++) list[k] = f64(now, b);
    });
  }
  return lists;
}

interface CallInputs extends Pick<Ranking, 'ways' | 'model' | 'conditionsAt' | 'baits'> {
  /** The spot's place in the list, and its best window. */
  readonly s: number;
  readonly best: Window;
  readonly rates: readonly (readonly number[])[];
  readonly over: (spot: PlanInputs['spots'][number], atMs: number) => SpotConditions;
  /** What was fished there. */
  readonly fished: readonly FishedSet[];
}

function callOf(inputs: PlanInputs, { s, best, baits, rates, model, ways, over, conditionsAt, fished }: CallInputs): Call {
  const spot = nth(inputs.spots, s);
  const at = (step: number) => stepAt(inputs, step);
  const middle = at(Math.floor((best.from + best.to) / 2));
  const c = rateConditions(over(spot, middle));
  const mean = (list: readonly number[]) => list.slice(best.from, best.to).reduce((x, y) => x + y, 0) / (best.to - best.from);
  const others = baits
    .map((p, b) => ({ presentationId: nth(inputs.presentations, p).id, ratePerRodHour: mean(row(rates, b)) }))
    .sort((x, y) => y.ratePerRodHour - x.ratePerRodHour || (x.presentationId < y.presentationId ? -1 : 1));
  const presentation = nth(inputs.presentations, num(baits, best.bait));
  const query = { at: middle, spot: spot.id, presentation: presentation.id, conditions: c };
  const like = likeWater(fished, query, inputs.now);
  const factors = model.factors(query);
  return {
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
    wayShut: (ways.dock[s]?.ranges ?? []).map(([from, to], k) => ({
      fromMs: at(from),
      toMs: at(to),
      why: wayShutWords(ways.dock[s]?.why[k]),
    })),
    risk: riskSpans(every(at(best.from), at(best.to), STRIDE * STEP_MS), at(best.to), (t) =>
      judgeSpot(inputs.boat, inputs.party, spot, conditionsAt(s, Math.floor((t - inputs.startsAt) / STEP_MS))),
    ),
    unknown: [...new Set(factors.flatMap((f) => (f.unknown ? [f.unknown] : [])))],
    others,
    second: secondBait(inputs, presentation, others),
    search: searchBait(inputs, presentation, others),
  };
}

/**
 * Steps of each spot between the earliest arrival by any way and the latest leaving that is home in time; [0, 0] where it is out
 * of reach.
 */
function reachableSteps(inputs: PlanInputs, ways: ShutWays, steps: number): (readonly [number, number])[] {
  const n = inputs.spots.length;
  const { sets } = ways;
  const toSteps = (min: number | null | undefined) => (min === null || min === undefined ? steps + 1 : Math.ceil(min / STEP_MIN));
  const all = waysOf({
    stepMin: STEP_MIN,
    steps,
    minStaySteps: 1,
    spots: inputs.spots.map((s) => ({ id: s.id, ratePerHour: [], fadePerHour: 0 })),
    dockTravelSteps: inputs.dockTravelMin.map(toSteps),
    travelSteps: inputs.travelMin.map((row) => row.map(toSteps)),
    shutWays: { dock: ways.dock.map((w) => w.ranges), between: ways.between.map((row) => row.map((w) => w.ranges)) },
    byStep: {
      level: ways.level,
      dockTravelSteps: sets.map((w) => w.dockMin.map(toSteps)),
      travelSteps: sets.map((w) => w.betweenMin.map((row) => row.map(toSteps))),
    },
  });
  const first = inputs.spots.map((_, s) => all.first(s));
  for (let changed = true; changed; ) {
    changed = false;
    for (let s = 0; s < n; s++) {
      if (num(first, s) > steps) continue;
      for (let q = 0; q < n; q++) {
        const there = s === q ? steps + 1 : all.arrive(s, q, num(first, s));
        if (there < num(first, q)) [first[q], changed] = [there, true];
      }
    }
  }
  return first.map((from, s) => {
    let to = steps;
    while (to > from && all.home(s, to) > steps) to--;
    return to > from ? [from, to] : [0, 0];
  });
}

/** Stretches of ranges inside a span, long enough for a stay. */
function within(ranges: readonly (readonly [number, number])[], [from, to]: readonly [number, number]): [number, number][] {
  return ranges.map(([a, b]): [number, number] => [Math.max(a, from), Math.min(b, to)]).filter(([a, b]) => b - a >= MIN_STAY_STEPS);
}

interface Window {
  readonly rate: number;
  readonly bait: number;
  readonly from: number;
  readonly to: number;
}

/** Best presentation and hour and a half of a spot, or null when it is never open. */
function bestWindow(rates: readonly (readonly number[])[], open: readonly (readonly [number, number])[]): Window | null {
  let best: Window | null = null;
  rates.forEach((list, bait) => {
    for (const [from, to] of open) {
      const length = Math.min(WINDOW_STEPS, to - from);
      let sum = 0;
      for (let t = from; t < to; t++) {
        sum += num(list, t);
        if (t - from >= length) sum -= num(list, t - length);
        if (t - from >= length - 1 && (best === null || sum / length > best.rate)) {
          best = { rate: sum / length, bait, from: t - length + 1, to: t + 1 };
        }
      }
    }
  });
  return best;
}

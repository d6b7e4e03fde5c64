import { countRange } from '../catchrate/rangeOf';
import type { ItineraryLeg, ItineraryProblem, PinnedStay } from '../itinerary/problem';
import { scoreItinerary } from '../itinerary/scoreItinerary';
import { solveItinerary } from '../itinerary/solveItinerary';
import { MINUTE } from '../units/time';
import { fishedBefore } from './fishedBefore';
import { MARGIN_STEPS, MIN_STAY_STEPS, type PlanInputs, STEP_MIN } from './planInputs';
import { type Ranking, stepAt, stepsOf } from './rankTrip';
import { whyLeftOut } from './whyLeftOut';
import { saidTime } from '../units/measure';
import { nth, num, row } from '../units/indexed';

/** A presentation fished for part of a leg. */
export interface LegPart {
  readonly presentationId: string;
  readonly fromMs: number;
  readonly toMs: number;
}

/** One planned leg, in instants. */
export interface PlanLeg {
  readonly spotId: string;
  /** The first presentation. */
  readonly presentationId: string;
  /** Presentations in turn. */
  readonly parts: readonly LegPart[];
  readonly arriveMs: number;
  readonly startMs: number;
  readonly departMs: number;
  /** Expected fish of all rods, with the 80 % range of the count. */
  readonly expected: number;
  readonly lo80: number;
  readonly hi80: number;
  readonly pinned: boolean;
}

export interface DayPlan {
  readonly legs: readonly PlanLeg[];
  readonly expected: number;
  readonly lo80: number;
  readonly hi80: number;
  /** No plan can be worth more fish than this. */
  readonly bound: number;
  readonly proved: boolean;
  /** Minutes under way, the run home included; null in plans that were kept before it was told. */
  readonly runMin: number | null;
}

/** A stay that is to be kept: at its times, or at any when they are absent. */
export interface Pin {
  readonly spotId: string;
  readonly startMs?: number;
  readonly departMs?: number;
}

/** A stay with its times. */
export interface TimedPin extends Pin {
  readonly startMs: number;
  readonly departMs: number;
}

export interface LayOptions {
  readonly pins?: readonly Pin[];
  readonly bans?: readonly string[];
  /** Pinned spots in the order in which they are to be fished. */
  readonly order?: readonly string[];
  /** Longest and shortest stay by spot, minutes. */
  readonly stays?: Readonly<Record<string, { readonly minMin?: number; readonly maxMin?: number }>>;
  /** Spots may be fished a second time after a rest. */
  readonly again?: boolean;
  /** Presentations that this plan does without, though they are aboard. */
  readonly without?: readonly string[];
  /** The trip is under way: the rest of it is laid from here. */
  readonly from?: FromHere;
  readonly stop?: () => boolean;
}

/** Where a trip under way stands. */
export interface FromHere {
  readonly atMs: number;
  /** The spot that is fished, or was last left; null when none was. */
  readonly spotId: string | null;
  /** Rate there now against what was expected of it at this hour, by what it has given and how it has faded; 0 when it is left for good. */
  readonly share: number;
}

/** Presentations a leg chooses among. */
const BAITS = 3;
/** Changing over, with the second rod rigged, steps. */
const SWITCH_STEPS = 1;
/** A second visit: rest before it, what it is worth of the first, and how many spots are worth offering it. */
const REST_STEPS = 24;
const AGAIN_WORTH = 0.75;
const AGAIN_SPOTS = 8;
const AGAIN = ' again';
const MAX_PLANNED = 52;
/** To learn, a party sees several waters, and no long blank: longest stay in steps, wait for a fish in minutes (common practice). */
const LEARN_STAY_STEPS = 15;
const LEARN_PATIENCE_MIN = 30;

/** Longest wait for a fish that a plan lets a party stand, minutes; null when any. */
export function patienceOf(inputs: Pick<PlanInputs, 'patienceMin' | 'counting'>): number | null {
  return inputs.patienceMin ?? (inputs.counting === 'action' ? LEARN_PATIENCE_MIN : null);
}

/** Spot id of an itinerary's spot, which may be a second visit. */
export const placeOf = (id: string): string => (id.endsWith(AGAIN) ? id.slice(0, -AGAIN.length) : id);

/** A trip's ranking as an itinerary problem. Banned spots and spots without a way are left out. */
export function itineraryProblem(
  inputs: PlanInputs,
  ranking: Ranking,
  { bans = [], stays = {}, again = false, order, pins = [], without = [], from }: LayOptions = {},
): ItineraryProblem {
  const steps = stepsOf(inputs);
  const toSteps = (min: number | null | undefined) => (min === null || min === undefined ? steps + 1 : Math.ceil(min / STEP_MIN));
  const stepOf = (ms: number) => (ms - inputs.startsAt) / (STEP_MIN * MINUTE);
  const whole = (ms: number | undefined) => (ms === undefined ? undefined : Math.round(stepOf(inputs.startsAt + ms)));
  const patience = patienceOf(inputs);
  const rank = new Map(ranking.calls.map((c, i) => [c.spotId, i]));
  const longest = inputs.counting === 'action' ? LEARN_STAY_STEPS : undefined;
  const firsts = inputs.spots
    .map((spot, i) => ({ spot, i, id: spot.id, worth: 1 }))
    .filter(
      ({ spot, i }) =>
        // Where the boat is stays in it, shut or not: the ways begin there.
        spot.id === from?.spotId || (!bans.includes(spot.id) && ranking.open[i]?.length && inputs.dockTravelMin[i] !== null),
    )
    // The most that can be planned at once; the worst of a large water are left out.
    .sort(
      (a, b) =>
        Number(b.id === from?.spotId) - Number(a.id === from?.spotId) ||
        Number(pins.some((p) => p.spotId === b.id)) - Number(pins.some((p) => p.spotId === a.id)) ||
        (rank.get(a.id) ?? 0) - (rank.get(b.id) ?? 0),
    )
    .slice(0, MAX_PLANNED);
  const seconds = again ? firsts.slice(0, AGAIN_SPOTS).map((x) => ({ ...x, id: x.id + AGAIN, worth: AGAIN_WORTH })) : [];
  const kept = [...firsts, ...seconds].sort((a, b) => a.i - b.i || a.id.length - b.id.length);
  const here = from ? kept.findIndex((k) => k.id === from.spotId) : -1;
  return {
    stepMin: STEP_MIN,
    steps,
    ...(from ? { from: { spot: here, step: Math.min(steps, Math.max(0, Math.ceil(stepOf(from.atMs)))) } } : {}),
    minStaySteps: MIN_STAY_STEPS,
    switchSteps: SWITCH_STEPS,
    pauses: inputs.breaks.map((b) => [Math.floor(stepOf(b.fromMs)), Math.ceil(stepOf(b.toMs))] as const),
    leastRatePerHour: patience === null ? 0 : 60 / patience,
    maxRunSteps: inputs.boat.runMin === null ? undefined : Math.floor(inputs.boat.runMin / STEP_MIN),
    order,
    shutWays: seaWays(
      ranking,
      kept.map(({ i }) => i),
    ),
    byStep: tideWays(
      ranking,
      kept.map(({ i }) => i),
      toSteps,
    ),
    dockTravelSteps: kept.map(({ i }) => toSteps(inputs.dockTravelMin[i])),
    travelSteps: kept.map(({ i }) => kept.map(({ i: j }) => (i === j ? 0 : toSteps(inputs.travelMin[i]?.[j])))),
    spots: kept.map(({ spot, i, id, worth }) => {
      const lists = row(ranking.rates, i);
      const best = lists
        .map((list, b) => ({ b, list, most: openMost(list, row(ranking.open, i)) }))
        .filter(({ b }) => !without.includes(nth(inputs.presentations, num(ranking.baits, b)).id))
        .sort((x, y) => y.most - x.most)
        .slice(0, BAITS);
      const others = inputs.taken.filter((t) => t.spotId === spot.id);
      const left = (step: number) => (others.length === 0 ? 1 : fishedBefore(others, spot.fadePerHour, stepAt(inputs, step)));
      const baits = best.map(({ b, list }) => ({
        id: nth(inputs.presentations, num(ranking.baits, b)).id,
        ratePerHour: list.map((r, step) => r * inputs.rods * worth * left(step) * (id === from?.spotId ? from.share : 1)),
      }));
      const stay = stays[spot.id];
      return {
        id,
        ratePerHour: baits[0]?.ratePerHour ?? new Array<number>(steps).fill(0),
        baits,
        fadePerHour: spot.fadePerHour,
        open: row(ranking.open, i),
        blocked: others.map((t) => [Math.floor(stepOf(t.fromMs)) - MARGIN_STEPS, Math.ceil(stepOf(t.toMs)) + MARGIN_STEPS] as const),
        // Where lines are in already, a few minutes more are a stay.
        minStaySteps: whole(stay?.minMin === undefined ? undefined : stay.minMin * MINUTE) ?? (id === from?.spotId ? 1 : undefined),
        maxStaySteps: stay?.maxMin === undefined ? longest : whole(stay.maxMin * MINUTE),
        ...(id === spot.id ? {} : { again: { spot: spot.id, restSteps: REST_STEPS } }),
      };
    }),
  };
}

/** Ways shut by the sea between the spots of a problem; undefined when none is. */
function seaWays({ ways }: Ranking, kept: readonly number[]): ItineraryProblem['shutWays'] {
  const dock = kept.map((i) => ways.dock[i]?.ranges ?? []);
  const between = kept.map((i) => kept.map((j) => ways.between[i]?.[j]?.ranges ?? []));
  return [...dock, ...between.flat()].some((w) => w.length > 0) ? { dock, between } : undefined;
}

/** The ways between the spots of a problem by height of tide and sea; undefined where they are the same all day. */
function tideWays(
  { ways }: Ranking,
  kept: readonly number[],
  toSteps: (min: number | null | undefined) => number,
): ItineraryProblem['byStep'] {
  const { sets } = ways;
  if (sets.length < 2) return undefined;
  return {
    level: ways.level,
    dockTravelSteps: sets.map((w) => kept.map((i) => toSteps(w.dockMin[i]))),
    travelSteps: sets.map((w) => kept.map((i) => kept.map((j) => (i === j ? 0 : toSteps(w.betweenMin[i]?.[j]))))),
  };
}

function openMost(list: readonly number[], open: readonly (readonly [number, number])[]): number {
  let most = 0;
  for (const [from, to] of open) for (let t = from; t < to; t++) most = Math.max(most, num(list, t));
  return most;
}

/**
 * Lays the itinerary worth most expected fish.
 * Throws RangeError when pins cannot be kept or nothing can be fished, saying which.
 */
export function layDay(inputs: PlanInputs, ranking: Ranking, options: LayOptions = {}): DayPlan {
  const { pins = [], bans = [], stop } = options;
  const both = pins.find((p) => bans.includes(p.spotId));
  if (both) throw new RangeError(`pins: ${nameOf(inputs, both.spotId)} is both pinned and banned; take one back`);
  const closed = pins.map((p) => ranking.shut.find((s) => s.spotId === p.spotId)).find((s) => s !== undefined);
  if (closed) throw new RangeError(`pins: ${nameOf(inputs, closed.spotId)} is pinned but shut: ${closed.why}`);
  const problem = itineraryProblem(inputs, ranking, options);
  requireBait(inputs, ranking, options.without);
  if (problem.spots.length === 0)
    throw new RangeError(`spots: none can be fished on this trip; ${ranking.shut[0]?.why ?? 'all are banned'}`);
  try {
    const solved = solveItinerary(problem, { pins: pins.map((p) => pinned(inputs, p)), stop });
    if (solved.legs.length === 0) throw new RangeError(`spots: none can be fished on this trip; ${whyNoLegs(inputs, ranking)}`);
    const { runSteps } = scoreItinerary(problem, solved.legs);
    return dayPlan(inputs, ranking, solved.legs, { ...solved, runSteps }, pins);
  } catch (error) {
    throw withNames(inputs, error);
  }
}

function pinned(inputs: PlanInputs, p: Pin): PinnedStay {
  const step = (ms: number | undefined) => (ms === undefined ? undefined : Math.round((ms - inputs.startsAt) / (STEP_MIN * MINUTE)));
  return { spot: p.spotId, startStep: step(p.startMs), departStep: step(p.departMs) };
}

function requireBait(inputs: PlanInputs, ranking: Ranking, without: readonly string[] = []): void {
  if (ranking.baits.some((b) => !without.includes(nth(inputs.presentations, b).id))) return;
  const why = inputs.presentations.flatMap(
    (p) => whyLeftOut(inputs, p) ?? (without.includes(p.id) ? `${p.name} is left to other boats` : []),
  );
  throw new RangeError(
    `presentations: no presentation can be fished on this trip: ${[...new Set(why)].slice(0, 3).join('; ') || 'none is aboard'}`,
  );
}

/** Every spot is open, but no stay is worth while: the party's patience, the time or the fuel is the limit. */
function whyNoLegs(inputs: PlanInputs, ranking: Ranking): string {
  const steps = stepsOf(inputs);
  const patience = patienceOf(inputs);
  if (patience !== null) {
    const best = (ranking.calls[0]?.ratePerRodHour ?? 0) * inputs.rods;
    return `the party's patience of ${patience} min between fish is the limit; the best spot gives one in ${best > 0 ? (60 / best).toFixed(0) : 'no'} min`;
  }
  const nearest = Math.min(...inputs.dockTravelMin.map((m) => m ?? Number.POSITIVE_INFINITY));
  if (2 * nearest > steps * STEP_MIN)
    return `the trip of ${steps * STEP_MIN} min is shorter than the nearest run out and back, ${(2 * nearest).toFixed(0)} min`;
  return 'no spot has fish to expect within its hours';
}

/** Scores legs made or moved by hand with the solver's arithmetic. Throws RangeError when they cannot be sailed. */
export function scoreDay(
  inputs: PlanInputs,
  ranking: Ranking,
  legs: readonly TimedPin[],
  { without, from }: Pick<LayOptions, 'without' | 'from'> = {},
): DayPlan {
  requireBait(inputs, ranking, without);
  const again = new Set(legs.map((l) => l.spotId)).size < legs.length;
  // Only the spots of the legs matter, which keeps a leg that is dragged within a frame.
  const bans = inputs.spots.flatMap((s) => (s.id === from?.spotId || legs.some((l) => l.spotId === s.id) ? [] : [s.id]));
  const problem = itineraryProblem(inputs, ranking, { again, pins: legs, bans, without, from });
  const step = (ms: number) => Math.round((ms - inputs.startsAt) / (STEP_MIN * MINUTE));
  const shut = legs.map((l) => ranking.shut.find((s) => s.spotId === l.spotId)).find((s) => s !== undefined);
  if (shut) throw new RangeError(`legs: ${nameOf(inputs, shut.spotId)} is shut: ${shut.why}`);
  const seen = new Set<string>();
  try {
    const scored = scoreItinerary(
      problem,
      legs.map((l) => {
        const spot = seen.has(l.spotId) ? l.spotId + AGAIN : l.spotId;
        seen.add(l.spotId);
        return { spot, startStep: step(l.startMs), departStep: step(l.departMs) };
      }),
    );
    return dayPlan(inputs, ranking, scored.legs, { bound: scored.value, proved: false, runSteps: scored.runSteps }, []);
  } catch (error) {
    throw withNames(inputs, error);
  }
}

/** Solved legs as a plan in instants. */
export function dayPlan(
  inputs: PlanInputs,
  ranking: Ranking,
  legs: readonly ItineraryLeg[],
  solved: { readonly bound: number; readonly proved: boolean; readonly runSteps?: number },
  pins: readonly Pin[],
): DayPlan {
  const at = (step: number) => stepAt(inputs, step);
  const expected = legs.reduce((sum, l) => sum + l.expected, 0);
  return {
    legs: legs.map((l) => {
      const spotId = placeOf(l.spot);
      const parts = (l.baits ?? []).map((b) => ({ presentationId: b.id, fromMs: at(b.fromStep), toMs: at(b.toStep) }));
      return {
        spotId,
        // biome-ignore lint/plugin: a stop without a bait of its own is one that a call has named.
        presentationId: parts[0]?.presentationId ?? (ranking.calls.find((c) => c.spotId === spotId)?.presentationId as string),
        parts,
        arriveMs: at(l.arriveStep),
        startMs: at(l.startStep),
        departMs: at(l.departStep),
        expected: l.expected,
        ...countRange(l.expected, ranking.model.dispersion),
        pinned: pins.some((p) => p.spotId === spotId),
      };
    }),
    expected,
    // Legs differ from each other by day and spot, so the sum of several is closer to Poisson than one alone.
    ...countRange(expected, ranking.model.dispersion * Math.max(1, legs.length)),
    bound: solved.bound,
    proved: solved.proved,
    runMin: solved.runSteps === undefined ? null : solved.runSteps * STEP_MIN,
  };
}

function nameOf(inputs: PlanInputs, id: string): string {
  return inputs.spots.find((s) => s.id === id)?.name ?? id;
}

/** Puts spot names where the solver, which knows only ids, has put ids, and clock times where it has put steps. */
function withNames(inputs: PlanInputs, error: unknown): unknown {
  if (!(error instanceof RangeError)) return error;
  let text = error.message;
  for (const s of inputs.spots) text = text.replaceAll(s.id, s.name);
  const clock = (step: string) => saidTime(stepAt(inputs, Number(step)), inputs.zone);
  text = text
    .replace(/before (\d+)$/, (_, n: string) => `before ${clock(n)}`)
    .replace(/in step (-?\d+)/g, (_, n: string) => `at ${clock(n)}`)
    .replace(/step (-?\d+) to (-?\d+)/g, (_, a: string, b: string) => `${clock(a)} to ${clock(b)}`)
    .replace(/step (-?\d+)/g, (_, n: string) => clock(n))
    .replace(/(\d+) steps/g, (_, n: string) => `${Number(n) * STEP_MIN} min`)
    .replace(/the trip has (\d+)/, (_, n: string) => `the trip has ${Number(n) * STEP_MIN}`);
  return new RangeError(text);
}

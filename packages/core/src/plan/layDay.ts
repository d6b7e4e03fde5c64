import { countRange } from '../catchrate/rangeOf';
import type { ItineraryProblem, PinnedStay } from '../itinerary/problem';
import { scoreItinerary } from '../itinerary/scoreItinerary';
import { solveItinerary } from '../itinerary/solveItinerary';
import { MINUTE } from '../units/time';
import { MIN_STAY_STEPS, type PlanInputs, STEP_MIN } from './planInputs';
import { type Ranking, stepsOf } from './rankTrip';

/** One planned leg, in instants. */
export interface PlanLeg {
  readonly spotId: string;
  readonly presentationId: string;
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
}

export interface Pin {
  readonly spotId: string;
  readonly startMs: number;
  readonly departMs: number;
}

/** A trip's ranking as an itinerary problem. Banned spots and spots without a way are left out. */
export function itineraryProblem(inputs: PlanInputs, ranking: Ranking, bans: readonly string[] = []): ItineraryProblem {
  const steps = stepsOf(inputs);
  const toSteps = (min: number | null | undefined) => (min === null || min === undefined ? steps + 1 : Math.ceil(min / STEP_MIN));
  const kept = inputs.spots
    .map((spot, i) => ({ spot, i }))
    .filter(({ spot, i }) => !bans.includes(spot.id) && ranking.open[i]?.length && inputs.dockTravelMin[i] !== null);
  return {
    stepMin: STEP_MIN,
    steps,
    minStaySteps: MIN_STAY_STEPS,
    dockTravelSteps: kept.map(({ i }) => toSteps(inputs.dockTravelMin[i])),
    travelSteps: kept.map(({ i }) => kept.map(({ i: j }) => toSteps(inputs.travelMin[i]?.[j]))),
    spots: kept.map(({ spot, i }) => ({
      id: spot.id,
      ratePerHour: (ranking.stepRates[i] as readonly number[]).map((r) => r * inputs.rods),
      fadePerHour: spot.fadePerHour,
      open: ranking.open[i] as readonly (readonly [number, number])[],
    })),
  };
}

/**
 * Lays the itinerary worth most expected fish.
 * Throws RangeError when pins cannot be kept or nothing can be fished, saying which.
 */
export function layDay(
  inputs: PlanInputs,
  ranking: Ranking,
  { pins = [], bans = [], stop }: { pins?: readonly Pin[]; bans?: readonly string[]; stop?: () => boolean } = {},
): DayPlan {
  const both = pins.find((p) => bans.includes(p.spotId));
  if (both) throw new RangeError(`pins: ${nameOf(inputs, both.spotId)} is both pinned and banned; take one back`);
  const problem = itineraryProblem(inputs, ranking, bans);
  if (problem.spots.length === 0) {
    throw new RangeError(`spots: none can be fished on this trip; ${ranking.shut[0]?.why ?? 'all are banned'}`);
  }
  const pinned: PinnedStay[] = pins.map((p) => ({
    spot: p.spotId,
    startStep: Math.round((p.startMs - inputs.startsAt) / (STEP_MIN * MINUTE)),
    departStep: Math.round((p.departMs - inputs.startsAt) / (STEP_MIN * MINUTE)),
  }));
  try {
    const solved = solveItinerary(problem, { pins: pinned, stop });
    return dayPlan(inputs, ranking, solved.legs, solved, pins);
  } catch (error) {
    throw withNames(inputs, error);
  }
}

/** Scores legs made or moved by hand with the solver's arithmetic. Throws RangeError when they cannot be sailed. */
export function scoreDay(inputs: PlanInputs, ranking: Ranking, legs: readonly Pin[]): DayPlan {
  const problem = itineraryProblem(inputs, ranking);
  const step = (ms: number) => Math.round((ms - inputs.startsAt) / (STEP_MIN * MINUTE));
  try {
    const scored = scoreItinerary(
      problem,
      legs.map((l) => ({ spot: l.spotId, startStep: step(l.startMs), departStep: step(l.departMs) })),
    );
    return dayPlan(inputs, ranking, scored.legs, { bound: scored.value, proved: false }, []);
  } catch (error) {
    throw withNames(inputs, error);
  }
}

function dayPlan(
  inputs: PlanInputs,
  ranking: Ranking,
  legs: readonly { spot: string; arriveStep: number; startStep: number; departStep: number; expected: number }[],
  solved: { bound: number; proved: boolean },
  pins: readonly Pin[],
): DayPlan {
  const at = (step: number) => inputs.startsAt + step * STEP_MIN * MINUTE;
  const expected = legs.reduce((sum, l) => sum + l.expected, 0);
  return {
    legs: legs.map((l) => ({
      spotId: l.spot,
      presentationId: ranking.calls.find((c) => c.spotId === l.spot)?.presentationId as string,
      arriveMs: at(l.arriveStep),
      startMs: at(l.startStep),
      departMs: at(l.departStep),
      expected: l.expected,
      ...countRange(l.expected, ranking.model.dispersion),
      pinned: pins.some((p) => p.spotId === l.spot),
    })),
    expected,
    // Legs differ from each other by day and spot, so the sum of several is closer to Poisson than one alone.
    ...countRange(expected, ranking.model.dispersion * Math.max(1, legs.length)),
    bound: solved.bound,
    proved: solved.proved,
  };
}

function nameOf(inputs: PlanInputs, id: string): string {
  return inputs.spots.find((s) => s.id === id)?.name ?? id;
}

/** Puts spot names where the solver, which knows only ids, has put ids. */
function withNames(inputs: PlanInputs, error: unknown): unknown {
  if (!(error instanceof RangeError)) return error;
  let text = error.message;
  for (const s of inputs.spots) text = text.replaceAll(s.id, s.name);
  return new RangeError(text);
}

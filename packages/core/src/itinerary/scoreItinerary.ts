import { arrivalStep } from './arrivalStep';
import type { ItineraryLeg, ItineraryProblem } from './problem';
import { bestStay } from './stayValues';
import { waysOf } from './ways';
import { nth, num } from '../units/indexed';

/**
 * Scores legs made by hand with the solver's own arithmetic.
 * Throws RangeError that names the leg when they break the terms: order, way, windows, shortest stay, return.
 */
export function scoreItinerary(
  p: ItineraryProblem,
  legs: readonly { spot: string; startStep: number; departStep: number }[],
): { value: number; legs: ItineraryLeg[]; runSteps: number } {
  const ways = waysOf(p);
  let at = -1;
  let free = 0;
  const seen = new Set<string>();
  const ended = new Map<string, number>();
  let run = 0;
  const scored = legs.map((leg) => {
    const s = p.spots.findIndex((x) => x.id === leg.spot);
    if (s < 0) throw new RangeError(`legs: spot ${leg.spot} is not among the trip's spots`);
    if (seen.has(leg.spot)) throw new RangeError(`legs: spot ${leg.spot} is visited twice`);
    seen.add(leg.spot);
    const way = at < 0 ? ways.firstRun(s) : ways.run(at, s, free);
    const arriveStep = at < 0 ? ways.first(s) : ways.arrive(at, s, free);
    if (arriveStep > p.steps) throw new RangeError(`legs: the way to ${leg.spot} is shut by the sea or the tide until the trip is over`);
    if (leg.startStep < arriveStep && arriveStep > free + way)
      throw new RangeError(
        `legs: ${leg.spot} starts in step ${leg.startStep}, but the sea or the tide shuts the way there; the boat cannot be there before ${arriveStep}`,
      );
    if (leg.startStep < arriveStep) {
      throw new RangeError(`legs: ${leg.spot} starts in step ${leg.startStep}, but the boat cannot be there before ${arriveStep}`);
    }
    const spot = nth(p.spots, s);
    const shortest = Math.min(p.minStaySteps, spot.minStaySteps ?? p.minStaySteps);
    if (leg.departStep - leg.startStep < shortest) throw new RangeError(`legs: the stay at ${leg.spot} is shorter than ${shortest} steps`);
    if (spot.open && !spot.open.some(([from, to]) => leg.startStep >= from && leg.departStep <= to)) {
      throw new RangeError(`legs: ${leg.spot} cannot be fished from step ${leg.startStep} to ${leg.departStep}; its way in is shut then`);
    }
    at = s;
    free = leg.departStep;
    const comes = arrivalStep(spot, arriveStep, leg.startStep);
    const block = spot.blocked?.find(([from, to]) => comes < to && leg.departStep > from);
    if (block) throw new RangeError(`legs: another boat of ours has ${leg.spot} from step ${block[0]} to ${block[1]}`);
    const first = spot.again && ended.get(spot.again.spot);
    if (spot.again && (first === undefined || leg.startStep < first + spot.again.restSteps)) {
      throw new RangeError(`legs: ${spot.again.spot} must rest ${spot.again.restSteps} steps before it is fished again`);
    }
    ended.set(leg.spot, leg.departStep);
    run += way;
    const { expected, baits } = bestStay(p, spot, leg.startStep, leg.departStep);
    return {
      spot: leg.spot,
      startStep: leg.startStep,
      departStep: leg.departStep,
      arriveStep: comes,
      expected,
      ...(baits.length > 0 ? { baits } : {}),
    };
  });
  if (at >= 0 && free + num(p.dockTravelSteps, at) > p.steps) {
    throw new RangeError(`legs: the boat is not back at the dock in time after ${legs.at(-1)?.spot}`);
  }
  if (at >= 0 && ways.home(at, free) > p.steps) {
    throw new RangeError(`legs: the sea or the tide shuts the way home after ${legs.at(-1)?.spot}`);
  }
  if (at >= 0) run += ways.homeRun(at, free);
  if (run > (p.maxRunSteps ?? Number.POSITIVE_INFINITY)) {
    throw new RangeError(`legs: ${run} steps under way with the run home are more than the fuel allows, ${p.maxRunSteps}`);
  }
  return { value: scored.reduce((sum, l) => sum + l.expected, 0), legs: scored, runSteps: run };
}

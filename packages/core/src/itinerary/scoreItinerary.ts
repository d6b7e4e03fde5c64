import type { ItineraryLeg, ItineraryProblem } from './problem';
import { expectedFish } from './stayValues';

/**
 * Scores legs made by hand with the solver's own arithmetic.
 * Throws RangeError that names the leg when they break the terms: order, way, windows, shortest stay, return.
 */
export function scoreItinerary(
  p: ItineraryProblem,
  legs: readonly { spot: string; startStep: number; departStep: number }[],
): { value: number; legs: ItineraryLeg[] } {
  let at = -1;
  let free = 0;
  const seen = new Set<string>();
  const scored = legs.map((leg) => {
    const s = p.spots.findIndex((x) => x.id === leg.spot);
    if (s < 0) throw new RangeError(`legs: spot ${leg.spot} is not among the trip's spots`);
    if (seen.has(leg.spot)) throw new RangeError(`legs: spot ${leg.spot} is visited twice`);
    seen.add(leg.spot);
    const way = at < 0 ? (p.dockTravelSteps[s] as number) : (p.travelSteps[at]?.[s] as number);
    const arriveStep = free + way;
    if (leg.startStep < arriveStep) {
      throw new RangeError(`legs: ${leg.spot} starts in step ${leg.startStep}, but the boat cannot be there before ${arriveStep}`);
    }
    if (leg.departStep - leg.startStep < p.minStaySteps) {
      throw new RangeError(`legs: the stay at ${leg.spot} is shorter than ${p.minStaySteps} steps`);
    }
    const spot = p.spots[s] as ItineraryProblem['spots'][number];
    if (spot.open && !spot.open.some(([from, to]) => leg.startStep >= from && leg.departStep <= to)) {
      throw new RangeError(`legs: ${leg.spot} cannot be fished from step ${leg.startStep} to ${leg.departStep}; its way in is shut then`);
    }
    at = s;
    free = leg.departStep;
    return { ...leg, arriveStep, expected: expectedFish(p, spot, leg.startStep, leg.departStep) };
  });
  if (at >= 0 && free + (p.dockTravelSteps[at] as number) > p.steps) {
    throw new RangeError(`legs: the boat is not back at the dock in time after ${legs.at(-1)?.spot}`);
  }
  return { value: scored.reduce((sum, l) => sum + l.expected, 0), legs: scored };
}

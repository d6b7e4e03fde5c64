// Which of a boat's ways hold in each step of a trip: those of the height of tide below which the water does not fall on the run.
import type { WaterState } from '../conditions/spotConditions';
import { MINUTE } from '../units/time';
import { type PlanInputs, STEP_MIN, type WaysAt } from './planInputs';
import { nth } from '../units/indexed';

/** A run is held against the least water of this long from its start, minutes (common practice: most runs are shorter). */
const RUN_MIN = 30;

/** The ways at the most water, for trips whose ways do not change with the tide. */
export function deepestWays(inputs: Pick<PlanInputs, 'dockTravelMin' | 'travelMin' | 'sea'>): WaysAt {
  return {
    tideM: Number.NEGATIVE_INFINITY,
    dockMin: inputs.dockTravelMin,
    betweenMin: inputs.travelMin,
    dockSea: inputs.sea.dock,
    betweenSea: inputs.sea.between,
  };
}

/** The ways by height of tide, the lowest first. */
export function waysOfTrip(inputs: Pick<PlanInputs, 'dockTravelMin' | 'travelMin' | 'sea' | 'byTide'>): readonly WaysAt[] {
  return inputs.byTide && inputs.byTide.length > 0 ? inputs.byTide : [deepestWays(inputs)];
}

/** Index of the ways that hold in each step. @param water - With the height of tide; where it is not known the lowest ways hold. */
export function waysInSteps(inputs: PlanInputs, water: Pick<WaterState, 'levelAt'>, steps: number): number[] {
  const ways = waysOfTrip(inputs);
  if (ways.length === 1) return new Array<number>(steps).fill(0);
  const { levelAt } = water;
  return Array.from({ length: steps }, (_, t) => {
    if (!levelAt) return 0;
    const at = inputs.startsAt + t * STEP_MIN * MINUTE;
    const least = Math.min(...[0, 0.5, 1].map((share) => levelAt(at + share * RUN_MIN * MINUTE)));
    let k = 0;
    while (k + 1 < ways.length && nth(ways, k + 1).tideM <= least) k++;
    return k;
  });
}

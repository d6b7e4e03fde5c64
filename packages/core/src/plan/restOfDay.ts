import type { DayPlan, FromHere } from './plannedDay';
import { layDay } from './layDay';
import type { PlanInputs } from './planInputs';
import type { Ranking } from './rankTrip';

/** A trip under way, and what is left of its plan. */
export interface RestAsked extends FromHere {
  /** Spots fished so far, the present one too. */
  readonly fished: readonly string[];
  /** Stops of the plan that are left. */
  readonly left: readonly string[];
}

export interface RestOfDay {
  readonly plan: DayPlan;
  /** What the stops of the plan still give from here, at their best times and order; null when none of them can be fished any more. */
  readonly kept: DayPlan | null;
}

/**
 * The best rest of a day from where the boat is now, beside what the plan's own stops still give.
 * A spot that was fished is not gone back to, but for the one where lines are in.
 * Throws RangeError when nothing can be fished any more, saying why.
 */
export function restOfDay(inputs: PlanInputs, ranking: Ranking, { fished, left, ...from }: RestAsked): RestOfDay {
  // Where the boat is counts whatever is banned; nothing leads back there once it is left.
  const plan = layDay(inputs, ranking, { bans: fished, from });
  const others = inputs.spots.flatMap((s) => (left.includes(s.id) ? [] : [s.id]));
  let kept: DayPlan | null = null;
  try {
    if (left.length > 0) kept = layDay(inputs, ranking, { bans: [...fished, ...others], from });
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
  }
  return { plan, kept };
}

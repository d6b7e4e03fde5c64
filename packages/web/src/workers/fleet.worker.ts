// Plans all boats of a day together, off the main thread: the plan in turn at once, better ones as they are found.
import type { PlanDesk } from '@bluffwind/contract/plan';
import type { FleetPlan, FleetProblem } from '@bluffwind/core/fleet/fleetProblem';
import { solveFleet } from '@bluffwind/core/fleet/solveFleet';
import { type DayPlan, dayPlan, itineraryProblem, placeOf, scoreDay } from '@bluffwind/core/plan/layDay';
import { MARGIN_STEPS, type PlanInputs, STEP_MIN } from '@bluffwind/core/plan/planInputs';
import { type Ranking, rankTrip } from '@bluffwind/core/plan/rankTrip';
import { MINUTE } from '@bluffwind/core/units/time';
import { expose } from 'comlink';
import { deskInputs } from './deskInputs';

interface Boat {
  readonly tripId: string;
  readonly inputs: PlanInputs;
  readonly ranking: Ranking;
}

/** A trip within the fleet's plan. */
export interface FleetTrip {
  readonly tripId: string;
  /** Fish with the water to itself, in the plan of all, and in the plan that is kept (null without one). */
  readonly alone: number;
  readonly together: number;
  readonly kept: number | null;
  readonly plan: DayPlan;
}

export interface FleetSoFar {
  readonly trips: readonly FleetTrip[];
  readonly value: number;
  readonly bound: number;
  readonly ms: number;
  readonly done: boolean;
}

let boats: Boat[] = [];
let asked = 0;
const SOLVER_MS = 3000;

function problemOf(b: Boat): FleetProblem['boats'][number]['problem'] {
  // The others of the day are planned here, so what they had before is free.
  const problem = itineraryProblem({ ...b.inputs, taken: [] }, b.ranking);
  return { ...problem, spots: problem.spots.map((s) => ({ ...s })) };
}

const work = {
  /** Takes the desks of a day's trips and ranks each. */
  open(desks: readonly { tripId: string; desk: PlanDesk }[]): void {
    boats = desks.map(({ tripId, desk }) => {
      const inputs = deskInputs(desk);
      return { tripId, inputs, ranking: rankTrip(inputs, { aboard: desk.aboard ?? undefined }) };
    });
  },
  /**
   * Plans the boats together. @param fair - Gives the trip that loses most a greater weight.
   * @param kept - Legs of the plans that are kept, by trip.
   */
  async plan(
    fair: boolean,
    kept: Readonly<Record<string, readonly { spotId: string; startMs: number; departMs: number }[]>>,
    told: (so: FleetSoFar) => void,
  ): Promise<void> {
    const mine = ++asked;
    if (boats.length === 0) return;
    const start = performance.now();
    const first = Math.min(...boats.map((b) => b.inputs.startsAt));
    const problems = boats.map(problemOf);
    const fleet = (weights: readonly number[]): FleetProblem => ({
      marginSteps: MARGIN_STEPS,
      placeOf,
      boats: boats.map((b, i) => ({
        id: b.tripId,
        startStep: Math.round((b.inputs.startsAt - first) / (STEP_MIN * MINUTE)),
        problem: problems[i] as (typeof problems)[number],
        weight: weights[i] ?? 1,
      })),
    });
    const worthOf = (b: Boat) => {
      const legs = kept[b.tripId];
      if (!legs || legs.length === 0) return null;
      try {
        return scoreDay({ ...b.inputs, taken: [] }, b.ranking, legs).expected;
      } catch (error) {
        // The kept plan no longer fits the water.
        if (error instanceof RangeError) return null;
        throw error;
      }
    };
    const keptWorth = boats.map(worthOf);
    const tell = (plan: FleetPlan, done: boolean) => {
      if (mine !== asked) return;
      told({
        value: plan.value,
        bound: plan.bound,
        ms: performance.now() - start,
        done,
        trips: boats.map((b, i) => {
          const own = plan.boats.find((x) => x.id === b.tripId);
          return {
            tripId: b.tripId,
            alone: own?.alone ?? 0,
            together: own?.value ?? 0,
            kept: keptWorth[i] ?? null,
            plan: dayPlan(b.inputs, b.ranking, own?.legs ?? [], { bound: own?.alone ?? 0, proved: false }, []),
          };
        }),
      });
    };
    const limit = (ms: number) => () => mine !== asked || performance.now() - start > ms;
    let weights = boats.map(() => 1);
    let plan = solveFleet(fleet(weights), { stop: limit(fair ? SOLVER_MS / 2 : SOLVER_MS), onBetter: (p) => tell(p, false) });
    if (fair) {
      // Who gives up the largest part of what it would have alone weighs more.
      weights = plan.boats.map((b) => (b.alone > 0 ? Math.min(3, (b.alone / Math.max(0.1, b.value)) ** 2) : 1));
      plan = solveFleet(fleet(weights), { stop: limit(SOLVER_MS), onBetter: (p) => tell(p, false) });
    }
    tell(plan, true);
  },
};
export type FleetWorker = typeof work;

expose(work);

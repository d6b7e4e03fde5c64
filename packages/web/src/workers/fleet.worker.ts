// Plans all boats of a day together, off the main thread: the plan in turn at once, better ones as they are found.
import type { PlanDesk } from '@bluffwind/contract/plan';
import type { FleetPlan, FleetProblem } from '@bluffwind/core/fleet/fleetProblem';
import { type GoesWithout, shareBaits } from '@bluffwind/core/fleet/shareBaits';
import { solveFleet } from '@bluffwind/core/fleet/solveFleet';
import { solveItinerary } from '@bluffwind/core/itinerary/solveItinerary';
import type { DayPlan } from '@bluffwind/core/plan/plannedDay';
import { dayPlan, scoreDay } from '@bluffwind/core/plan/layDay';
import { itineraryProblem, placeOf } from '@bluffwind/core/plan/itineraryProblem';
import { MARGIN_STEPS, type PlanInputs, STEP_MIN } from '@bluffwind/core/plan/planInputs';
import { ALL_DAY, dayLines, riskLines, riskOfLegs } from '@bluffwind/core/plan/legRisk';
import { laidWithout } from '@bluffwind/core/risk/findingWords';
import type { Quantity } from '@bluffwind/core/risk/judge';
import type { RiskSpan } from '@bluffwind/core/risk/judgeSpans';
import { type Ranking, rankTrip } from '@bluffwind/core/plan/rankTrip';
import { amongOthers, type SettlingBoat, settleFleet } from '@bluffwind/core/plan/settleFleet';
import { scenariosOf } from '@bluffwind/core/plan/scenarios';
import { type Outcome, type Trigger, triggersOf, tryScenario } from '@bluffwind/core/plan/whatWouldChange';
import { MINUTE } from '@bluffwind/core/units/time';
import { expose } from 'comlink';
import { breathe } from './breathe';
import { deskInputs } from './deskInputs';
import { plannedSpots } from './plannedSpots';

interface Boat {
  readonly tripId: string;
  readonly desk: PlanDesk;
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
  /** Presentations that it leaves to other boats, with the fish that costs it. */
  readonly without: readonly { readonly presentationId: string; readonly fish: number }[];
  /** What speaks against its stops and ways, the gravest first, and what it is laid without. */
  readonly risk: readonly { readonly level: RiskSpan['level']; readonly text: string }[];
  readonly notKnown: readonly Quantity[];
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
/** Looks of a boat's own solver while baits are shared out. */
const LOOKS = 400;
const TRIGGERS = 12;
const RISKS = 6;

/** A boat with its spots free of what the trips planned here had before; what others keep stays theirs. */
function freed(b: Boat): PlanInputs {
  return { ...b.inputs, taken: b.desk.taken.filter((t) => !boats.some((x) => x.tripId === t.tripId)) };
}

function problemOf(b: Boat, without: readonly string[]): FleetProblem['boats'][number]['problem'] {
  return itineraryProblem(freed(b), b.ranking, { without });
}

/** Who goes without which short bait. */
function shared(): GoesWithout[] {
  const lasts: Record<string, number> = {};
  for (const { desk } of boats) for (const p of desk.presentations) if (p.tripsADay !== null) lasts[p.id] = p.tripsADay;
  return shareBaits(
    boats.map((b) => {
      const known = new Map<string, number>();
      const fishWithout = (without: readonly string[]): number => {
        const key = without.join();
        const before = known.get(key);
        if (before !== undefined) return before;
        let looked = 0;
        const fish = solveItinerary(problemOf(b, without), { stop: () => ++looked > LOOKS }).value;
        known.set(key, fish);
        return fish;
      };
      const aboard = b.ranking.baits.map((i) => b.inputs.presentations[i]?.id as string);
      return { id: b.tripId, aboard, fishWithout };
    }),
    lasts,
  );
}

/** The boats as they stand among each other. */
function settling(leftBy: (b: Boat) => readonly string[]): SettlingBoat[] {
  return boats.map((b) => ({ id: b.tripId, inputs: freed(b), ranking: b.ranking, without: leftBy(b) }));
}

/** What speaks against a boat's plan. */
function riskOf(b: Boat, plan: DayPlan): Pick<FleetTrip, 'risk' | 'notKnown'> {
  const day = riskOfLegs(b.inputs, b.ranking, plan.legs);
  const { legs, notKnown } = day;
  const name = (id: string) => b.inputs.spots.find((s) => s.id === id)?.name ?? 'a stop';
  const order = { over: 0, near: 1, unknown: 2 };
  const spoken = (spans: readonly RiskSpan[], where: string) =>
    riskLines(
      spans.filter((s) => s.level !== 'unknown' && !ALL_DAY.includes(s.quantity)),
      b.inputs.zone,
      where,
    );
  const risk = [
    ...legs.flatMap((l) => [...spoken(l.way, `on the way to ${name(l.spotId)}`), ...spoken(l.here, `at ${name(l.spotId)}`)]),
    ...dayLines(day, b.inputs.zone).filter((l) => l.level !== 'unknown'),
    ...(notKnown.length > 0 ? [{ level: 'unknown' as const, text: laidWithout(notKnown) }] : []),
  ];
  return { risk: risk.sort((x, y) => order[x.level] - order[y.level]).slice(0, RISKS), notKnown };
}

const work = {
  /** Takes the desks of a day's trips and ranks each. */
  open(desks: readonly { tripId: string; desk: PlanDesk }[]): void {
    boats = desks.map(({ tripId, desk }) => {
      // A bait that other trips of these have is shared out anew.
      const inputs = deskInputs({ ...desk, presentations: desk.presentations.map((p) => ({ ...p, heldBy: [] })) });
      return { tripId, desk, inputs, ranking: rankTrip(inputs, { aboard: desk.aboard ?? undefined }) };
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
    const given = shared();
    const leftBy = (b: Boat) => given.filter((g) => g.boat === b.tripId).map((g) => g.bait);
    const problems = boats.map((b) => problemOf(b, leftBy(b)));
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
        return scoreDay(freed(b), b.ranking, legs).expected;
      } catch (error) {
        // The kept plan no longer fits the water.
        if (error instanceof RangeError) return null;
        throw error;
      }
    };
    const keptWorth = boats.map(worthOf);
    const tell = (plan: FleetPlan, done: boolean) => {
      if (mine !== asked) return;
      const own = boats.map((b) => {
        const p = plan.boats.find((x) => x.id === b.tripId);
        return dayPlan(b.inputs, b.ranking, p?.legs ?? [], { bound: p?.alone ?? 0, proved: false }, []);
      });
      // What boats leave each other of a spot is counted once the solver has them apart.
      const plans = done ? settleFleet(settling(leftBy), own, { layAnew: !fair }) : own;
      told({
        value: plans.reduce((sum, p) => sum + p.expected, 0),
        bound: plan.bound,
        ms: performance.now() - start,
        done,
        trips: boats.map((b, i) => {
          const own = plan.boats.find((x) => x.id === b.tripId);
          return {
            tripId: b.tripId,
            alone: (own?.alone ?? 0) + given.filter((g) => g.boat === b.tripId).reduce((sum, g) => sum + g.fish, 0),
            together: plans[i]?.expected ?? 0,
            kept: keptWorth[i] ?? null,
            plan: plans[i] as DayPlan,
            without: given.flatMap((g) => (g.boat === b.tripId ? [{ presentationId: g.bait, fish: g.fish }] : [])),
            ...riskOf(b, plans[i] as DayPlan),
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
  /** What would change each boat's plan with the others where they are; told boat by boat. */
  async triggers(so: readonly FleetTrip[], told: (done: number) => void): Promise<Record<string, readonly Trigger[]>> {
    const found: Record<string, readonly Trigger[]> = {};
    for (const [k, own] of so.entries()) {
      const b = boats.find((x) => x.tripId === own.tripId);
      if (!b) continue;
      const without = own.without.map((w) => w.presentationId);
      const inputs = amongOthers(
        { id: b.tripId, inputs: freed(b), ranking: b.ranking, without },
        so.map((x) => ({ id: x.tripId, legs: x.plan.legs })),
      );
      const outcomes: Outcome[] = [];
      for (const scenario of scenariosOf(inputs.water, b.desk.members, plannedSpots(b.desk, own.plan.legs))) {
        const outcome = tryScenario(inputs, b.ranking, own.plan, scenario, { without });
        if (outcome) outcomes.push(outcome);
        await breathe();
      }
      found[own.tripId] = triggersOf(inputs, own.plan, outcomes).slice(0, TRIGGERS);
      told(k + 1);
    }
    return found;
  },
};
export type FleetWorker = typeof work;

expose(work);

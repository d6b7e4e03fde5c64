/** One way to fish a spot: a presentation with its rate in each step. */
export interface ItineraryBait {
  readonly id: string;
  readonly ratePerHour: readonly number[];
}

/** A place to fish in an itinerary. Steps count from the start of the trip. */
export interface ItinerarySpot {
  readonly id: string;
  /** Expected fish per hour for the whole party in each step, >= 0, before fading. */
  readonly ratePerHour: readonly number[];
  /** How fast the rate falls during a stay, 1/h, >= 0. */
  readonly fadePerHour: number;
  /** Step ranges [from, to) in which it can be fished; a stay lies inside one. Absent means always. */
  readonly open?: readonly (readonly [number, number])[];
  /** Presentations to choose among during a stay; absent means one, with ratePerHour. */
  readonly baits?: readonly ItineraryBait[];
  /** Step ranges [from, to) in which another boat of ours lies there: one comes after it, and waits elsewhere until then. */
  readonly blocked?: readonly (readonly [number, number])[];
  /** Shortest and longest stay, steps; absent means the problem's shortest, and no longest. */
  readonly minStaySteps?: number;
  readonly maxStaySteps?: number;
  /** This is a second visit: only after that spot, and so many steps after leaving it. */
  readonly again?: { readonly spot: string; readonly restSteps: number };
}

export interface ItineraryProblem {
  /** Length of a step, minutes, > 0. */
  readonly stepMin: number;
  /** Steps from leaving the dock to being back. */
  readonly steps: number;
  readonly minStaySteps: number;
  /** Steps between the dock and each spot. */
  readonly dockTravelSteps: readonly number[];
  /** Steps between spots; takes exactly so long. */
  readonly travelSteps: readonly (readonly number[])[];
  readonly spots: readonly ItinerarySpot[];
  /** Steps lost when the presentation is changed during a stay; 1 when absent. */
  readonly switchSteps?: number;
  /** Steps in which nobody fishes (a break aboard); the boat may run. */
  readonly pauses?: readonly (readonly [number, number])[];
  /** A stay is not kept up while fewer fish than this are expected per hour; 0 when absent. */
  readonly leastRatePerHour?: number;
  /** Most steps under way in all, the way home included (fuel). */
  readonly maxRunSteps?: number;
  /** The trip is under way: from which spot (its index, or -1 for the dock) it goes on, and in which step. From the dock in step 0 when absent. */
  readonly from?: { readonly spot: number; readonly step: number };
  /** Spots that must be visited in this order. */
  readonly order?: readonly string[];
  /** Steps in which a way cannot be run, by sea state: from and to the dock for each spot, and between spots. */
  readonly shutWays?: { readonly dock: readonly ShutRanges[]; readonly between: readonly (readonly ShutRanges[])[] };
  /**
   * Ways that change with the tide: which set of them holds in each step of leaving, and the sets. dockTravelSteps and travelSteps
   * are then the shortest of all sets; more than the trip's steps is no way.
   */
  readonly byStep?: {
    readonly level: readonly number[];
    readonly dockTravelSteps: readonly (readonly number[])[];
    readonly travelSteps: readonly (readonly (readonly number[])[])[];
  };
}

/** Step ranges [from, to) in which something is shut. */
export type ShutRanges = readonly (readonly [number, number])[];

/** A stay that must be part of the plan: at these steps, or at any when they are absent. */
export interface PinnedStay {
  readonly spot: string;
  readonly startStep?: number;
  readonly departStep?: number;
}

/** A presentation fished in [from, to) of a leg. */
export interface LegBait {
  readonly id: string;
  readonly fromStep: number;
  readonly toStep: number;
}

/** A leg of an itinerary: arrives, waits, fishes [startStep, departStep). */
export interface ItineraryLeg {
  readonly spot: string;
  readonly arriveStep: number;
  readonly startStep: number;
  readonly departStep: number;
  /** Expected fish. */
  readonly expected: number;
  /** Presentations in turn, where the spot has a choice. */
  readonly baits?: readonly LegBait[];
}

export interface Itinerary {
  /** Expected fish of all legs. */
  readonly value: number;
  /** No itinerary can be worth more than this. */
  readonly bound: number;
  /** True when value is the optimum. */
  readonly proved: boolean;
  readonly legs: readonly ItineraryLeg[];
}

/** Most spots one problem may hold: visited sets are two 30-bit words. */
export const MAX_SPOTS = 60;

/** Throws RangeError that names the field, the value and what is allowed. */
export function checkProblem(p: ItineraryProblem): void {
  const n = p.spots.length;
  if (n > MAX_SPOTS) throw new RangeError(`spots: at most ${MAX_SPOTS}, got ${n}`);
  if (!(p.minStaySteps >= 1)) throw new RangeError(`minStaySteps: expected at least 1, got ${p.minStaySteps}`);
  if (p.dockTravelSteps.length !== n) throw new RangeError(`dockTravelSteps: expected ${n} values, got ${p.dockTravelSteps.length}`);
  if (p.travelSteps.length !== n || p.travelSteps.some((row) => row.length !== n)) {
    throw new RangeError(`travelSteps: expected ${n} rows of ${n} values`);
  }
  if (new Set(p.spots.map((s) => s.id)).size !== n) throw new RangeError('spots: ids must differ');
  if (p.from && !(p.from.step >= 0 && p.from.step <= p.steps && p.from.spot >= -1 && p.from.spot < n))
    throw new RangeError(`from: expected a step of 0 to ${p.steps} and a spot or the dock, got ${p.from.step} at ${p.from.spot}`);
  p.spots.forEach((s) => {
    for (const rates of [s.ratePerHour, ...(s.baits ?? []).map((b) => b.ratePerHour)]) {
      if (rates.length !== p.steps) throw new RangeError(`spots.${s.id}.ratePerHour: expected ${p.steps} values, got ${rates.length}`);
      if (rates.some((r) => !(r >= 0))) throw new RangeError(`spots.${s.id}.ratePerHour: expected values >= 0`);
    }
    if (!(s.fadePerHour >= 0)) throw new RangeError(`spots.${s.id}.fadePerHour: expected >= 0, got ${s.fadePerHour}`);
    if ((s.minStaySteps ?? 0) > (s.maxStaySteps ?? Number.POSITIVE_INFINITY)) {
      throw new RangeError(`spots.${s.id}: its shortest stay of ${s.minStaySteps} steps is longer than its longest of ${s.maxStaySteps}`);
    }
  });
}

/** Index of a second visit's first spot, or -1. */
export function firstOf(p: ItineraryProblem, s: number): number {
  const again = p.spots[s]?.again;
  return again ? p.spots.findIndex((x) => x.id === again.spot) : -1;
}

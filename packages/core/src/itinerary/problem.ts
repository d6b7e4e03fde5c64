/** A place to fish in an itinerary. Steps count from the start of the trip. */
export interface ItinerarySpot {
  readonly id: string;
  /** Expected fish per hour for the whole party in each step, >= 0, before fading. */
  readonly ratePerHour: readonly number[];
  /** How fast the rate falls during a stay, 1/h, >= 0. */
  readonly fadePerHour: number;
  /** Step ranges [from, to) in which it can be fished; a stay lies inside one. Absent means always. */
  readonly open?: readonly (readonly [number, number])[];
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
}

/** A stay that must be part of the plan, exactly at these steps. */
export interface PinnedStay {
  readonly spot: string;
  readonly startStep: number;
  readonly departStep: number;
}

/** A leg of an itinerary: arrives, waits, fishes [startStep, departStep). */
export interface ItineraryLeg {
  readonly spot: string;
  readonly arriveStep: number;
  readonly startStep: number;
  readonly departStep: number;
  /** Expected fish. */
  readonly expected: number;
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
  p.spots.forEach((s) => {
    if (s.ratePerHour.length !== p.steps) {
      throw new RangeError(`spots.${s.id}.ratePerHour: expected ${p.steps} values, got ${s.ratePerHour.length}`);
    }
    if (s.ratePerHour.some((r) => !(r >= 0))) throw new RangeError(`spots.${s.id}.ratePerHour: expected values >= 0`);
    if (!(s.fadePerHour >= 0)) throw new RangeError(`spots.${s.id}.fadePerHour: expected >= 0, got ${s.fadePerHour}`);
  });
}

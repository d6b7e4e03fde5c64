import type { ItineraryLeg, ItineraryProblem, PinnedStay } from '../itinerary/problem';

/** One boat's trip in a fleet's day: its own problem, on its own clock. */
export interface FleetBoat {
  readonly id: string;
  /** Step of the fleet's clock in which the boat's problem begins. */
  readonly startStep: number;
  readonly problem: ItineraryProblem;
  readonly pins?: readonly PinnedStay[];
  /** Weight of its fish in the fleet's; 1 when absent. */
  readonly weight?: number;
}

/** Spots of one id are one place: no two boats lie there at once. */
export interface FleetProblem {
  readonly boats: readonly FleetBoat[];
  /** Steps that lie free between two boats at a spot. */
  readonly marginSteps: number;
  /** Spots whose ids differ but which are one place (second visits): id to place. */
  readonly placeOf?: (spotId: string) => string;
}

/** A boat's plan within the fleet's, legs on the boat's own clock. */
export interface FleetBoatPlan {
  readonly id: string;
  readonly value: number;
  /** What it would catch with the water to itself. */
  readonly alone: number;
  readonly legs: readonly ItineraryLeg[];
}

export interface FleetPlan {
  readonly value: number;
  readonly bound: number;
  readonly boats: readonly FleetBoatPlan[];
}

/** Two boats too close at one spot, or null. Times are steps of the fleet's clock. */
export interface Meeting {
  readonly spot: string;
  readonly boats: readonly [string, string];
  readonly fromStep: number;
  readonly toStep: number;
}

/** Meetings of plans: boats that lie at one place with fewer than the margin's steps between them. */
export function meetings(fleet: FleetProblem, plans: readonly { id: string; legs: readonly ItineraryLeg[] }[]): Meeting[] {
  const place = fleet.placeOf ?? ((id: string) => id);
  const stays = plans.flatMap((plan) => {
    const start = fleet.boats.find((b) => b.id === plan.id)?.startStep ?? 0;
    return plan.legs.map((l) => ({ boat: plan.id, spot: place(l.spot), from: start + l.arriveStep, to: start + l.departStep }));
  });
  const found: Meeting[] = [];
  stays.forEach((a, i) => {
    for (const b of stays.slice(i + 1)) {
      if (a.boat === b.boat || a.spot !== b.spot) continue;
      if (a.from < b.to + fleet.marginSteps && b.from < a.to + fleet.marginSteps) {
        found.push({ spot: a.spot, boats: [a.boat, b.boat], fromStep: Math.max(a.from, b.from), toStep: Math.min(a.to, b.to) });
      }
    }
  });
  return found;
}

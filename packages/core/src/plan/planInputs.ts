import type { SpotGround } from '../conditions/spotConditions';
import type { WaterRecord } from '../conditions/waterRecord';
import type { Envelope, FishedSet } from '../catchrate/world';

/** A spot as planning sees it. */
export interface PlanSpot extends SpotGround {
  readonly id: string;
  readonly name: string;
  /** Charted depth of the shallowest water on the way in, m below datum (negative dries); null when always open. */
  readonly accessDepthM: number | null;
  /** How fast a stay fades, 1/h. */
  readonly fadePerHour: number;
}

export interface PlanPresentation {
  readonly id: string;
  readonly name: string;
  /** 1 anyone to 3 expert. */
  readonly skill: number;
  readonly envelope: Envelope;
}

/** Everything a trip's plan is made from: plain data, so that worker and server work on the same. */
export interface PlanInputs {
  readonly now: number;
  readonly startsAt: number;
  readonly endsAt: number;
  readonly zone: string;
  /** Rods fished at once. */
  readonly rods: number;
  /** Greatest skill of presentation the party can fish. */
  readonly skill: number;
  readonly boat: { readonly draughtM: number; readonly windLimitMps: number; readonly waveLimitM: number };
  readonly water: WaterRecord;
  readonly spots: readonly PlanSpot[];
  readonly presentations: readonly PlanPresentation[];
  readonly sets: readonly FishedSet[];
  /** Run times in minutes; null where there is no way. */
  readonly dockTravelMin: readonly (number | null)[];
  readonly travelMin: readonly (readonly (number | null)[])[];
}

/** Length of a planning step, minutes. */
export const STEP_MIN = 5;
/** Shortest stay, steps. */
export const MIN_STAY_STEPS = 4;

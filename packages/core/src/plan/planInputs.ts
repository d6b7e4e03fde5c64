import type { SpotGround } from '../conditions/spotConditions';
import type { WaterRecord } from '../conditions/waterRecord';
import type { SeaPlace } from '../ground/seaOnWays';
import type { Counting, Envelope, FishedSet } from '../catchrate/world';

/** A spot as planning sees it. */
export interface PlanSpot extends SpotGround {
  readonly id: string;
  readonly name: string;
  readonly structure: string;
  /** How heavily it is fished, 1 to 3. */
  readonly pressure: number;
  /** Charted depth of the shallowest water on the way in, m below datum (negative dries); null when always open. */
  readonly accessDepthM: number | null;
  /** How fast a stay fades, 1/h. */
  readonly fadePerHour: number;
  /** How it is stood or walked: 1 anyone, 2 sure feet, 3 a climb. */
  readonly footing: number;
  /** It is left to rest until then; null when it is not. */
  readonly restsUntil: number | null;
}

/** Where in the water a presentation fishes. */
export type Zone = 'bottom' | 'middle' | 'surface';

export interface PlanPresentation {
  readonly id: string;
  readonly name: string;
  readonly family: string;
  readonly familyName: string;
  /** 1 anyone to 3 expert. */
  readonly skill: number;
  /** How fast it covers water, 1 to 5. */
  readonly coverRate: number;
  /** Risk of loss, 1 to 3. */
  readonly snag: number;
  /** Rods that it takes. */
  readonly rods: number;
  /** Boats that have the last of the day's bait; empty when there is enough. */
  readonly heldBy: readonly string[];
  readonly zone: Zone;
  /** What it looks like to a fish, in a word. */
  readonly look: string;
  readonly envelope: Envelope;
}

/** Lines up for a while: a meal, the head, a rest from the sea. */
export interface Break {
  readonly name: string;
  readonly fromMs: number;
  readonly toMs: number;
}

/** A spot that another boat of ours has for a while. */
export interface TakenSpot {
  readonly spotId: string;
  readonly fromMs: number;
  readonly toMs: number;
  readonly boat: string;
}

/** Everything a trip's plan is made from: plain data, so that worker and server work on the same. */
export interface PlanInputs {
  readonly now: number;
  readonly startsAt: number;
  readonly endsAt: number;
  readonly zone: string;
  readonly counting: Counting;
  /** Fish that all anglers together may keep; null when nothing limits it or none are kept. */
  readonly bag: number | null;
  /** Rods fished at once. */
  readonly rods: number;
  /** Greatest skill of presentation the party can fish. */
  readonly skill: number;
  /** Hardest footing that the party manages, 1 to 3. */
  readonly footing: number;
  /** Longest wait for a fish that the party stands, minutes; null when it does not mind. */
  readonly patienceMin: number | null;
  readonly breaks: readonly Break[];
  readonly boat: {
    readonly draughtM: number;
    readonly windLimitMps: number;
    readonly waveLimitM: number;
    /** Minutes that the fuel lasts with a third in reserve; null when unknown. */
    readonly runMin: number | null;
  };
  readonly water: WaterRecord;
  readonly spots: readonly PlanSpot[];
  readonly presentations: readonly PlanPresentation[];
  readonly sets: readonly FishedSet[];
  readonly taken: readonly TakenSpot[];
  /** Run times in minutes; null where there is no way. */
  readonly dockTravelMin: readonly (number | null)[];
  readonly travelMin: readonly (readonly (number | null)[])[];
  /** The sea that ways cross: places, and which of them each way meets (indices), from the dock and between spots. */
  readonly sea: {
    readonly places: readonly SeaPlace[];
    readonly dock: readonly (readonly number[])[];
    readonly between: readonly (readonly (readonly number[])[])[];
  };
}

/** Length of a planning step, minutes. */
export const STEP_MIN = 5;
/** Shortest stay, steps. */
export const MIN_STAY_STEPS = 4;
/** Steps between two boats of ours at one spot. */
export const MARGIN_STEPS = 3;

import type { SpotGround } from '../conditions/spotConditions';
import type { PartyFigures } from './partyFigures';
import type { WaterRecord } from '../conditions/waterRecord';
import type { SpotTrack } from '../ground/spotTrack';
import type { SeaPlace } from '../ground/seaOnWays';
import type { Envelope } from '../catchrate/envelope';
import type { Counting, FishedSet } from '../catchrate/world';
import type { Feed } from '../catchrate/feeds';
import type { Sign } from '../catchrate/signs';
import type { Hazard } from '../risk/hazard';
import type { PartyAtRisk } from '../risk/judge';

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
  /** What the crew knows to be dangerous there, and when. */
  readonly hazards: readonly Hazard[];
  /** What has to be checked locally before it is fished; empty for nothing. */
  readonly legality: string;
  /** Of one drawn as a line: what a boat drifts or tows along. */
  readonly track?: SpotTrack | null | undefined;
}

/** A boat's ways at one height of tide. */
export interface WaysAt {
  /** Height of tide from which they hold, m. */
  readonly tideM: number;
  /** Minutes from the dock and between spots; null where there is no way. */
  readonly dockMin: readonly (number | null)[];
  readonly betweenMin: readonly (readonly (number | null)[])[];
  /** Which places of the sea each way meets. */
  readonly dockSea: readonly (readonly number[])[];
  readonly betweenSea: readonly (readonly (readonly number[])[])[];
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
  /** Its own build; null where the crew has not said. */
  readonly sizeMm?: number | null;
  readonly weightG?: number | null;
  readonly pauseS?: number | null;
  readonly leaderKg?: number | null;
  readonly colour?: string;
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
export interface PlanInputs extends PartyFigures {
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
  readonly breaks: readonly Break[];
  /** Limits that are null are not known. */
  readonly boat: {
    readonly draughtM: number;
    readonly windLimitMps: number | null;
    readonly gustLimitMps: number | null;
    readonly waveLimitM: number | null;
    readonly speedMps: number;
    /** Speed that is left at the wave limit, m/s; half where absent or null. */
    readonly roughMps?: number | null | undefined;
    /** False for people on foot, who walk between spots and fish what a cast reaches; true where absent. */
    readonly afloat?: boolean;
    /** Minutes under way that the fuel lasts with a third in reserve, less what the boat's other trips take; null when unknown. */
    readonly runMin: number | null;
    /** What it shows to wind and water, m2; absent on foot. */
    readonly drift?: { readonly windageM2: number; readonly hullM2: number } | undefined;
  };
  /** Who is aboard, as far as limits go. */
  readonly party: PartyAtRisk;
  readonly water: WaterRecord;
  readonly spots: readonly PlanSpot[];
  readonly presentations: readonly PlanPresentation[];
  readonly sets: readonly FishedSet[];
  readonly taken: readonly TakenSpot[];
  /** Signs of fish that the crew has seen on this water. */
  readonly signs?: readonly Sign[];
  /** Bait that went in at the spots. */
  readonly feeds?: readonly Feed[];
  /** Run times in minutes at the most water of the trip; null where there is no way even then. */
  readonly dockTravelMin: readonly (number | null)[];
  readonly travelMin: readonly (readonly (number | null)[])[];
  /** The sea that ways cross: places, and which of them each way meets (indices), from the dock and between spots. */
  readonly sea: {
    readonly places: readonly SeaPlace[];
    readonly dock: readonly (readonly number[])[];
    readonly between: readonly (readonly (readonly number[])[])[];
  };
  /** The ways by height of tide, the lowest first; absent where the tide makes no difference. */
  readonly byTide?: readonly WaysAt[];
}

/** Casting off, anchoring and getting lines in, minutes of every run (common practice). */
export const HANDLING_MIN = 3;
/** Length of a planning step, minutes. */
export const STEP_MIN = 5;
/** Shortest stay, steps. */
export const MIN_STAY_STEPS = 4;
/** Steps between two boats of ours at one spot. */
export const MARGIN_STEPS = 3;

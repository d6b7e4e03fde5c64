import type { Envelope } from './envelope';
import type { Feed } from './feeds';
import type { Sign } from './signs';

/** The conditions a catch rate reads; null is unknown. Units as in SpotConditions. */
export interface RateConditions {
  readonly tideStage?: number | null;
  readonly windMps?: number | null;
  readonly windFromDeg?: number | null;
  readonly waterTempC?: number | null;
  readonly clarityM?: number | null;
  readonly sunHeightDeg?: number | null;
  readonly cloud?: number | null;
  /** Depth over the spot, m. */
  readonly depthM?: number | null;
  /** -1 full lee to 1 square onto the bank. */
  readonly onshore?: number | null;
  readonly currentMps?: number | null;
  /** Hours since the last turn of the tide, and how hard it runs, 0 to 1. */
  readonly sinceTurnH?: number | null;
  readonly tidePush?: number | null;
  /** Change over two days, C. */
  readonly waterTemp48hC?: number | null;
  readonly flowM3s?: number | null;
}

/** Measured lengths of a set's fish, each as a share of the length that the goal asks of its species. */
export interface Lengths {
  readonly count: number;
  readonly sum: number;
  readonly squares: number;
}

/** One set: a presentation fished in a stop, with its effort and what it caught; none caught is 0. */
export interface FishedSet {
  readonly at: number;
  readonly spot: string;
  readonly presentation: string;
  /** Rods times hours, > 0. */
  readonly rodHours: number;
  /** Fish of the target (weighted by species), >= 0. */
  readonly fish: number;
  /** Of these, how many the goal counts (such as those that may be kept); absent is all. */
  readonly counts?: number;
  readonly lengths?: Lengths;
  readonly conditions: RateConditions;
  readonly stopId?: string;
}

export interface RateQuery {
  readonly at: number;
  readonly spot: string;
  readonly presentation: string;
  readonly conditions: RateConditions;
}

export interface RateSpot {
  readonly id: string;
  readonly structure?: string | null;
  /** How heavily it is fished, 1 to 3. */
  readonly pressure?: number | null;
  readonly bottom?: string | null;
  /** Charted depths, m. */
  readonly depthMinM?: number | null;
  readonly depthMaxM?: number | null;
  readonly lat?: number | null;
  readonly lon?: number | null;
  /** Fresh water. */
  readonly fresh?: boolean;
}

export interface RatePresentation {
  readonly id: string;
  readonly family?: string | null;
  readonly envelope: Envelope | null;
  /** Where in the water it fishes: bottom, middle, surface. */
  readonly zone?: string | null;
  readonly look?: string | null;
  /** How fast it covers water, 1 to 5. */
  readonly coverRate?: number | null;
  readonly sizeMm?: number | null;
  readonly weightG?: number | null;
  readonly pauseS?: number | null;
  readonly leaderKg?: number | null;
  readonly colour?: string | null;
}

/** What the goal counts: every fish of its species, those that are long enough, those that may be kept, or every fish of any kind. */
export type Counting = 'all' | 'long' | 'keepable' | 'action';

export interface RateWorld {
  readonly spots: readonly RateSpot[];
  readonly presentations: readonly RatePresentation[];
  /** Instant from which age is counted. */
  readonly now: number;
  readonly counting?: Counting;
  /** Signs of fish that the crew has seen. */
  readonly signs?: readonly Sign[];
  /** Bait that went in at the spots. */
  readonly feeds?: readonly Feed[];
  /** Whether the water has a tide; true when absent. */
  readonly tidal?: boolean;
  /** Longitude for the hour by the sun, degrees east; 0 when absent. */
  readonly lonDeg?: number;
}

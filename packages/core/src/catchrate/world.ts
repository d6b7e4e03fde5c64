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
}

/** One set: a presentation fished in a stop, with its effort and what it caught; none caught is 0. */
export interface FishedSet {
  readonly at: number;
  readonly spot: string;
  readonly presentation: string;
  /** Rods times hours, > 0. */
  readonly rodHours: number;
  /** Fish of the target, >= 0. */
  readonly fish: number;
  readonly conditions: RateConditions;
  readonly stopId?: string;
}

export interface RateQuery {
  readonly at: number;
  readonly spot: string;
  readonly presentation: string;
  readonly conditions: RateConditions;
}

/** Where a presentation is meant to work: its family's envelope. */
export interface Envelope {
  readonly depthMinM: number;
  readonly depthMaxM: number;
  readonly tempMinC: number;
  readonly tempMaxC: number;
}

export interface RateWorld {
  readonly spots: readonly string[];
  readonly presentations: readonly { readonly id: string; readonly envelope: Envelope | null }[];
  /** "Lately" is the 14 days before this instant. */
  readonly now: number;
}

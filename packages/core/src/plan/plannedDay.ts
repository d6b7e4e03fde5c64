// A day as it is laid, and what a captain asks of it.

/** A presentation fished for part of a leg. */
export interface LegPart {
  readonly presentationId: string;
  readonly fromMs: number;
  readonly toMs: number;
}

/** One planned leg, in instants. */
export interface PlanLeg {
  readonly spotId: string;
  /** The first presentation. */
  readonly presentationId: string;
  /** Presentations in turn. */
  readonly parts: readonly LegPart[];
  readonly arriveMs: number;
  readonly startMs: number;
  readonly departMs: number;
  /** Expected fish of all rods, with the 80 % range of the count. */
  readonly expected: number;
  readonly lo80: number;
  readonly hi80: number;
  readonly pinned: boolean;
}

export interface DayPlan {
  readonly legs: readonly PlanLeg[];
  readonly expected: number;
  readonly lo80: number;
  readonly hi80: number;
  /** No plan can be worth more fish than this. */
  readonly bound: number;
  readonly proved: boolean;
  /** Minutes under way, the run home included; null in plans that were kept before it was told. */
  readonly runMin: number | null;
}

/** A stay that is to be kept: at its times, or at any when they are absent. */
export interface Pin {
  readonly spotId: string;
  readonly startMs?: number;
  readonly departMs?: number;
}

/** A stay with its times. */
export interface TimedPin extends Pin {
  readonly startMs: number;
  readonly departMs: number;
}

export interface LayOptions {
  readonly pins?: readonly Pin[];
  readonly bans?: readonly string[];
  /** Pinned spots in the order in which they are to be fished. */
  readonly order?: readonly string[];
  /** Longest and shortest stay by spot, minutes. */
  readonly stays?: Readonly<Record<string, { readonly minMin?: number; readonly maxMin?: number }>>;
  /** Spots may be fished a second time after a rest. */
  readonly again?: boolean;
  /** Presentations that this plan does without, though they are aboard. */
  readonly without?: readonly string[];
  /** The trip is under way: the rest of it is laid from here. */
  readonly from?: FromHere;
  readonly stop?: () => boolean;
}

/** Where a trip under way stands. */
export interface FromHere {
  readonly atMs: number;
  /** The spot that is fished, or was last left; null when none was. */
  readonly spotId: string | null;
  /** Rate there now against what was expected of it at this hour, by what it has given and how it has faded; 0 when it is left for good. */
  readonly share: number;
}

// What a rig card is made from, and what it says.
import type { SpotConditions } from '../conditions/spotConditions';
import type { PlanPresentation } from '../plan/planInputs';
import type { SpotTrack } from '../ground/spotTrack';
import type { Measure } from '../units/measure';
import type { HandPart } from './handLimits';
import type { Layout } from './rigFamilies';
import type { StrengthCount } from './leaderChoice';

/** A part of a rig, or of how it is fished, that a card speaks of. */
export type PartName =
  | 'depth'
  | 'weight'
  | 'leader'
  | 'hook'
  | 'hook height'
  | 'dropper'
  | 'line'
  | 'drag'
  | 'diver'
  | 'blade'
  | 'retrieve'
  | 'pause'
  | 'colour'
  | 'scent'
  | 'cast'
  | 'again'
  | 'boat'
  | 'snagged'
  | 'sea anchor'
  | 'feeder'
  | 'feed'
  | 'link'
  | 'boards'
  | 'lines'
  | 'track'
  | 'window'
  | 'rod';

/** Figures that the crew set instead of the card's: g, kg, m and s. */
export type ByHand = Readonly<Partial<Record<HandPart, number>>>;

/** One line of a card. Figures stand in its sentences with their kinds. */
export interface RigPart {
  readonly name: PartName;
  /** What to tie, set or do. */
  readonly what: string;
  readonly why: string;
  /** Facts of the trade behind it, such as P8. */
  readonly rules: readonly string[];
  /** The figure in SI (g for weights), with its kind; null where there is none. */
  readonly value: number | null;
  readonly measure: Measure | 's' | null;
  /** What the arithmetic says where a hand has changed it; null where it was left. */
  readonly otherwise: string | null;
  /** Both ways that practitioners swear by, where they differ. */
  readonly schools: readonly { readonly name: string; readonly what: string }[];
}

/** What is in the boxes, and what a stopwatch and the log say of it. */
export interface RigBox {
  /** Weights and jig heads, g. */
  readonly weightsG: readonly number[];
  readonly headsG: readonly number[];
  /** Diameters of sea anchors aboard, m. */
  readonly anchorsM: readonly number[];
  /** A bait timed to the bottom, by presentation. */
  readonly timed: Readonly<Record<string, { readonly depthM: number; readonly seconds: number }>>;
  /** Depth that a diver was found to reach, by presentation, m. */
  readonly dives: Readonly<Record<string, number>>;
  /** Counts of leaders in the log, by family. */
  readonly leaders: Readonly<Record<string, readonly StrengthCount[]>>;
}

/** Sizes of the trade's boxes, for a crew that has listed none (common practice). */
export const USUAL_BOX: RigBox = {
  weightsG: [10, 15, 20, 30, 40, 60, 80, 100, 120, 150, 180, 200, 250],
  headsG: [1, 2, 3, 3.5, 5, 7, 10, 14, 18, 21, 28],
  anchorsM: [0.9, 1.2, 1.5, 1.8, 2.4],
  timed: {},
  dives: {},
  leaders: {},
};

export type RigWater = Pick<
  SpotConditions,
  | 'at'
  | 'depthM'
  | 'currentMps'
  | 'currentToDeg'
  | 'windMps'
  | 'windGustMps'
  | 'windFromDeg'
  | 'waterTempC'
  | 'clarityM'
  | 'lightFraction'
  | 'sunHeightDeg'
  | 'cloud'
  | 'tideStage'
  | 'stillWater'
>;

export type RigBait = Pick<
  PlanPresentation,
  'id' | 'name' | 'family' | 'familyName' | 'zone' | 'snag' | 'rods' | 'sizeMm' | 'weightG' | 'pauseS' | 'leaderKg' | 'colour'
>;

export interface RigPlace {
  readonly name: string;
  readonly structure: string;
  readonly bottom: string;
  /** Bearing from the bank to open water, degrees true; null in the open. */
  readonly shoreNormalDeg: number | null;
  /** Of one drawn as a line: what a boat drifts or tows along. */
  readonly track?: SpotTrack | null | undefined;
}

export interface RigQuestion {
  readonly bait: RigBait;
  readonly place: RigPlace;
  readonly water: RigWater;
  /** Local hour of the stop, 0 to 24. */
  readonly hour: number;
  /** What the party is after, by name; the first counts most. */
  readonly species: readonly string[];
  /** Height over the bottom at which fish were marked lately, m; null where none were. */
  readonly markedUpM: number | null;
  /** What the boat shows to wind and water, m2. */
  readonly boat: { readonly windageM2: number; readonly hullM2: number };
  /** What it draws, m; 0 where nobody floats. */
  readonly draughtM: number;
  /** Height of the water over datum, m. */
  readonly tideM: number;
  readonly box: RigBox;
  readonly byHand: ByHand;
}

/** The rig in its water, in metres: what the drawing is made of. */
export interface RigDrawing {
  readonly layout: Layout;
  readonly depthM: number;
  /** The main line from the weight or lure (first) to the surface: height over it and distance against the current. */
  readonly line: readonly { readonly upM: number; readonly alongM: number }[];
  /** Height of weight or lure over the bottom. */
  readonly weightUpM: number;
  /** Height of the hook over the bottom, and length of what it hangs on. */
  readonly hookUpM: number;
  readonly leaderM: number;
  readonly dropperM: number | null;
  readonly angleDeg: number | null;
  readonly backM: number;
  readonly currentMps: number | null;
  readonly markedUpM: number | null;
}

export interface RigCard {
  readonly presentationId: string;
  readonly name: string;
  readonly familyName: string;
  readonly layout: Layout;
  readonly rods: number;
  readonly snag: number;
  readonly parts: readonly RigPart[];
  readonly take: { readonly what: string; readonly rules: readonly string[] };
  readonly quiet: string;
  readonly caution: string;
  /** What no arithmetic could give, and a way on. */
  readonly warnings: readonly string[];
  readonly drawing: RigDrawing;
}

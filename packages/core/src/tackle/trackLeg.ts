// A stop that is fished under way: a drift over a line, boards along an edge, trolled baits between marks. How fast, how often in an hour, and
// what lies under it at that height of tide.
import type { SpotTrack } from '../ground/spotTrack';
import { said, saidBare } from '../units/measure';
import { driftSpeed } from './driftSpeed';
import type { Layout } from './rigFamilies';

/** What the boat does while its lines are out. */
export type TrackKind = 'drift' | 'boards' | 'troll';

/** Speed over the ground with boards and with trolled baits, m/s (1.5 mph and 5.5 knots, common practice). */
const TOWED_MPS = { boards: 0.67, troll: 2.8 } as const;
/** Back up for the next drift slowly and off the line, m/s, and setting up again, s (from memory). */
const BACK_MPS = 2.5;
const SET_UP_S = 120;
/** A wide turn with everything out, s (from memory). */
const TURN_S = { boards: 150, troll: 90 } as const;
/** A drift that leads off the line by more than this crosses it, degrees. */
const CROSSES_DEG = 60;
/** What one drift across a line covers: the fish lie along it, so far to either side, m (from memory). */
const ACROSS_M = 60;
/** Slower than this a boat lies rather than drifts, m/s. */
const STILL_MPS = 0.03;
/** Water that is wanted under the keel, m. */
const UNDER_KEEL_M = 0.5;

/** How a rig is fished along a line; null for one that is fished from a boat that lies. */
export const trackKindOf = (layout: Layout): TrackKind | null =>
  layout === 'vertical' ? 'drift' : layout === 'boards' || layout === 'troll' ? layout : null;

export interface TrackWater {
  readonly windMps: number | null;
  readonly windFromDeg: number | null;
  readonly currentMps: number | null;
  readonly currentToDeg: number | null;
  /** True where there is no current to know of. */
  readonly stillWater?: boolean;
  /** Height of the water over datum, m. */
  readonly tideM: number;
  readonly waterKgM3?: number;
}

export interface TrackBoat {
  readonly windageM2: number;
  readonly hullM2: number;
  readonly draughtM: number;
  /** Diameter of the sea anchor in the water, m; 0 for none. */
  readonly anchorM: number;
}

/** One pass after the other along a track. */
export interface TrackLeg {
  readonly kind: TrackKind;
  readonly lengthM: number;
  /** Diameter of the sea anchor behind which it drifts, m; 0 for none. */
  readonly anchorM: number;
  /** Over the ground, m/s. */
  readonly speedMps: number;
  /** Where the boat goes, degrees true. */
  readonly toDeg: number;
  /** Lines fish for so long in a pass, min. */
  readonly passMin: number;
  /** Passes in an hour, with the way back and the turns. */
  readonly passesPerHour: number;
  /** The drift leads across the line rather than along it. */
  readonly across: boolean;
  /** Water under the boat along it, m; null where nobody has sounded any of it. */
  readonly depthM: { readonly least: number; readonly middle: number; readonly most: number } | null;
  /** The drift is reckoned by the wind alone, since nobody knows the current. */
  readonly byWindAlone: boolean;
  /** Part of the track that nobody has sounded, 0 to 1. */
  readonly unsounded: number;
  /** Part of it with too little water under the keel, 0 to 1. */
  readonly tooShoal: number;
}

/**
 * How a track is fished; null where a drift cannot be told, since the wind is not known, or nothing moves the boat: it lies.
 */
export function trackLeg(kind: TrackKind, track: SpotTrack, water: TrackWater, boat: TrackBoat): TrackLeg | null {
  const depths = track.bedM.filter((d) => d !== null).map((d) => d + water.tideM);
  const ground = {
    depthM: depths.length === 0 ? null : spreadOf(depths),
    unsounded: 1 - depths.length / Math.max(1, track.bedM.length),
    tooShoal: depths.filter((d) => d < boat.draughtM + UNDER_KEEL_M).length / Math.max(1, track.bedM.length),
  };
  if (kind !== 'drift') {
    const speedMps = TOWED_MPS[kind];
    const passS = track.lengthM / speedMps;
    const common = {
      kind,
      lengthM: track.lengthM,
      speedMps,
      toDeg: track.bearingDeg,
      anchorM: 0,
      across: false,
      byWindAlone: false,
      ...ground,
    };
    return { ...common, passMin: passS / 60, passesPerHour: 3600 / (passS + TURN_S[kind]) };
  }
  const { windMps, windFromDeg, currentMps, currentToDeg } = water;
  if (windMps === null || (windMps > 0 && windFromDeg === null)) return null;
  const { speedMps, toDeg } = driftSpeed({
    windMps,
    windFromDeg: windFromDeg ?? 0,
    currentMps: currentMps ?? 0,
    currentToDeg: currentToDeg ?? 0,
    windageM2: boat.windageM2,
    hullM2: boat.hullM2,
    anchorDiameterM: boat.anchorM,
    ...(water.waterKgM3 === undefined ? {} : { waterKgM3: water.waterKgM3 }),
  });
  if (speedMps < STILL_MPS) return null;
  // A line can be drifted from either end.
  const off = Math.abs(((toDeg - track.bearingDeg + 540) % 360) - 180);
  const offLine = Math.min(off, 180 - off);
  const across = offLine > CROSSES_DEG;
  const along = speedMps * Math.cos((offLine * Math.PI) / 180);
  const lengthM = across ? Math.min(track.lengthM, 2 * ACROSS_M) : track.lengthM;
  const passS = lengthM / (across ? speedMps : along);
  return {
    kind,
    lengthM,
    anchorM: boat.anchorM,
    speedMps,
    toDeg: Math.round(toDeg) % 360,
    passMin: passS / 60,
    passesPerHour: 3600 / (passS + lengthM / BACK_MPS + SET_UP_S),
    across,
    byWindAlone: currentMps === null && water.stillWater !== true,
    ...ground,
  };
}

function spreadOf(depths: readonly number[]) {
  const sorted = [...depths].sort((a, b) => a - b);
  return { least: sorted[0] ?? 0, middle: sorted[sorted.length >> 1] ?? 0, most: sorted.at(-1) ?? 0 };
}

/** A track in a sentence, with what is to be minded. */
export function trackWords(t: TrackLeg): { readonly text: string; readonly mind: string | null } {
  const behind = t.anchorM > 0 ? ` behind a sea anchor of ${said(t.anchorM, 'height', 1)}` : ' without a sea anchor';
  const way = { drift: `Drift ${t.across ? 'across' : 'along'} it${behind}`, boards: 'Boards along it', troll: 'Troll along it' }[t.kind];
  const passes =
    t.passesPerHour >= 1.5 ? `about ${Math.round(t.passesPerHour)} passes an hour` : `a pass takes ${Math.round(t.passMin)} min`;
  const under =
    t.depthM === null
      ? 'nobody has sounded it'
      : `${saidBare(t.depthM.least, 'depth', 1)} to ${said(t.depthM.most, 'depth', 1)} under the boat`;
  const alone = t.byWindAlone ? 'The current is not known: this is by the wind alone.' : null;
  const ground =
    t.tooShoal > 0
      ? `${t.tooShoal > 0.5 ? 'Most' : 'Part'} of it has too little water under the keel at this height of water: shorten it, or come at another hour.`
      : t.unsounded > 0.2 && t.depthM !== null
        ? 'Part of it nobody has sounded: watch the sounder.'
        : null;
  const mind = [ground, alone].filter((m) => m !== null).join(' ') || null;
  return {
    text: `${way}, ${said(t.lengthM, 'near', 0)} toward ${t.toDeg}° at ${said(t.speedMps, 'current', 1)}: ${passes}, ${under}.`,
    mind,
  };
}

// Side-planing boards over the sea bed: a live bait without weight swims at leader and line let out (P19, common practice); a weighted one
// hangs by the sum of `plumbLine` at the speed through the water, which is the boat's over the ground less the current. The depth under each
// board is read along the boat's track, shifted sideways by the board's reach.
import { depthAt, type SeaBed, toLocal } from '../ground/seaBed';
import { inRange, overNothing } from '../units/inRange';
import { LINE_CD, SEA_WATER } from './matter';
import { said } from '../units/measure';
import { depthOfLine } from './depthOfLine';

export type BoardSide = 'port' | 'starboard';

export interface Board {
  readonly side: BoardSide;
  /** Leader between board line and hook, m. */
  readonly leaderM: number;
  /** Line let out below the board beside the leader, m. */
  readonly outM: number;
  readonly weightG: number;
  /** How far beside the boat it runs, m; by its place in the list of its side when left out. */
  readonly reachM?: number;
}

export interface Spread {
  readonly boards: readonly Board[];
  /** Speed over the ground, m/s. */
  readonly boatMps: number;
  readonly currentMps: number;
  readonly currentToDeg: number;
  /** Course over the ground, degrees true. */
  readonly headingDeg: number;
  /** The boat's way, [lon, lat]. */
  readonly track: readonly (readonly [number, number])[];
  /** Height of the tide above datum, m; 0 when left out. */
  readonly tideM?: number;
  /** Diameter of the leaders, mm. */
  readonly lineMm?: number;
}

export interface BoardUnder {
  readonly side: BoardSide;
  readonly reachM: number;
  /** Place in the order in which they are put out: the outermost of a side first, so that lines do not cross. */
  readonly order: number;
  /** Depth of the bait, m. */
  readonly depthM: number;
  /** Least and middle depth of water under it along the track, m; null where none of it is sounded. */
  readonly leastUnderM: number | null;
  readonly medianUnderM: number | null;
  readonly throughWaterMps: number;
  /** Depth under it at each point of the track, m; null where it is not sounded. */
  readonly underM: readonly (number | null)[];
  readonly warnings: readonly string[];
}

/** Reach of the innermost board when none is given, and from one to the next, m (common practice). */
const FIRST_REACH_M = 12;
const NEXT_REACH_M = 9;
/** Bait kept so far off the bottom or the weed, m (P29). */
const CLEAR_M = 0.3;
/** No bait is fished shorter, m. */
const SHORTEST_M = 0.6;
/** More weight pulls a board under (P19). */
const MOST_WEIGHT_G = 14;
/** Below this a board does not plane, m/s through the water (common practice). */
const LEAST_WATER_MPS = 0.25;

/**
 * Where each bait of a spread swims and how deep the water is under it.
 * @throws RangeError for a quantity out of range, no boards, or a track of fewer than two points.
 */
export function boardSpread(spread: Spread, bed: SeaBed): BoardUnder[] {
  const { boards, boatMps, currentMps, currentToDeg, headingDeg, track, tideM = 0, lineMm = 0.4 } = spread;
  if (boards.length === 0) throw new RangeError('boards: expected at least one, got none');
  if (track.length < 2) throw new RangeError(`track: expected at least two positions, got ${track.length}`);
  inRange('boatMps', boatMps, 0, 10, 'm/s');
  inRange('currentMps', currentMps, 0, 5, 'm/s');
  const throughWaterMps = throughWater(boatMps, headingDeg, currentMps, currentToDeg);
  const reach = reaches(boards);
  const paths = beside(track, bed);
  const order = putOut(boards, reach);
  return boards.map((b, i): BoardUnder => {
    const reachM = reach[i] ?? 0;
    const depthM = baitDepth(b, i, throughWaterMps, lineMm);
    const side = b.side === 'starboard' ? 1 : -1;
    const underM = paths.map((p) => {
      const d = depthAt(bed, p.xM + side * reachM * p.rightX, p.yM + side * reachM * p.rightY);
      return d === null ? null : d + tideM;
    });
    const known = underM.filter((d) => d !== null).sort((x, y) => x - y);
    const warnings: string[] = [];
    const least = known[0] ?? null;
    const dry = known.filter((d) => d <= 0).length;
    const touching = known.filter((d) => d > 0 && d < depthM + CLEAR_M).length;
    if (dry > 0) warnings.push(`runs over land or dry ground at ${dry} of ${underM.length} points`);
    if (touching > 0)
      warnings.push(
        `the bait is within ${said(CLEAR_M, 'depth', 1)} of the bottom or on it at ${touching} of ${underM.length} points; ${wayOn(depthM, known)}`,
      );
    if (known.length < underM.length) warnings.push(`${underM.length - known.length} of ${underM.length} points are not sounded`);
    if (b.weightG > MOST_WEIGHT_G)
      warnings.push(`${said(b.weightG, 'lead', 0)} pulls the board under; ${said(MOST_WEIGHT_G, 'lead', 0)} is the most`);
    if (throughWaterMps < LEAST_WATER_MPS) warnings.push('too slow through the water for a board to hold out to the side');
    return {
      side: b.side,
      reachM,
      order: order[i] ?? 0,
      depthM,
      leastUnderM: least,
      medianUnderM: known.length === 0 ? null : middle(known),
      throughWaterMps,
      underM,
      warnings,
    };
  });
}

function baitDepth(b: Board, i: number, throughWaterMps: number, lineMm: number): number {
  inRange(`boards.${i}.leaderM`, b.leaderM, 0, 100, 'm');
  inRange(`boards.${i}.outM`, b.outM, 0, 100, 'm');
  inRange(`boards.${i}.weightG`, b.weightG, 0, 500, 'g');
  const lineM = overNothing(`boards.${i}.leaderM`, b.leaderM + b.outM, 'm of leader and line');
  if (b.weightG === 0) return lineM;
  return depthOfLine({ lineM, currentMps: throughWaterMps, lineMm, sinkerG: b.weightG, waterKgM3: SEA_WATER, lineCd: LINE_CD });
}

/** Speed through the water of a boat that makes good a course over the ground, m/s. */
export function throughWater(boatMps: number, headingDeg: number, currentMps: number, currentToDeg: number): number {
  const [h, c] = [(headingDeg * Math.PI) / 180, (currentToDeg * Math.PI) / 180];
  return Math.hypot(boatMps * Math.sin(h) - currentMps * Math.sin(c), boatMps * Math.cos(h) - currentMps * Math.cos(c));
}

/** Line to take in so that the bait clears the shallowest water it floats over, or to go elsewhere where nothing would be left of it. */
function wayOn(depthM: number, known: readonly number[]): string {
  const least = known.find((d) => d > 0) ?? 0;
  const shorter = Math.ceil((depthM + CLEAR_M - least) * 10 - 1e-6) / 10;
  return least - CLEAR_M < SHORTEST_M ? 'too shallow for a bait there: steer farther out' : `shorten by ${said(shorter, 'depth', 1)}`;
}

function reaches(boards: readonly Board[]): number[] {
  const met = { port: 0, starboard: 0 };
  return boards.map((b, i) => {
    const byPlace = FIRST_REACH_M + NEXT_REACH_M * met[b.side]++;
    return inRange(`boards.${i}.reachM`, b.reachM ?? byPlace, 0, 200, 'm');
  });
}

/** Outermost first on each side, port before starboard. */
function putOut(boards: readonly Board[], reach: readonly number[]): number[] {
  const order = boards.map((_, i) => i).sort((a, b) => (reach[b] ?? 0) - (reach[a] ?? 0) || a - b);
  const place = boards.map(() => 0);
  order.forEach((board, n) => {
    place[board] = n + 1;
  });
  return place;
}

/** The track in metres of the bed, with the direction to starboard at each point. */
function beside(track: Spread['track'], bed: SeaBed): { xM: number; yM: number; rightX: number; rightY: number }[] {
  const points = track.map(([lon, lat]) => toLocal(bed, lat, lon));
  return points.map((p, i) => {
    const a = points[Math.max(0, i - 1)] ?? p;
    const b = points[Math.min(points.length - 1, i + 1)] ?? p;
    const way = Math.hypot(b.xM - a.xM, b.yM - a.yM) || 1;
    return { ...p, rightX: (b.yM - a.yM) / way, rightY: -(b.xM - a.xM) / way };
  });
}

function middle(sorted: readonly number[]): number {
  const n = sorted.length;
  return ((sorted[Math.floor((n - 1) / 2)] ?? 0) + (sorted[Math.floor(n / 2)] ?? 0)) / 2;
}

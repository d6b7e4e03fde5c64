// What was seen lately at and near a spot: each sign fades by a half-life and with distance.
import { HOUR } from '../units/time';
import { nth } from '../units/indexed';

export const SIGN_KINDS = ['bait', 'birds', 'marks', 'rays', 'surface', 'follow', 'colour', 'temperature'] as const;
export type SignKind = (typeof SIGN_KINDS)[number];

/** One thing seen. */
export interface Sign {
  readonly at: number;
  /** Where it was seen; null for one that was set on the chart away from any spot. */
  readonly spot: string | null;
  readonly kind: SignKind;
  /** Where it was set on the chart; absent where only the spot is known. */
  readonly lat?: number | null | undefined;
  readonly lon?: number | null | undefined;
  /** How marks lay: tight to the bottom is likely the target, hanging above likely not. */
  readonly relation?: 'tight' | 'above' | null;
}

export interface SignLevels {
  readonly any: number;
  readonly bait: number;
  readonly follow: number;
  readonly break: number;
}
export const NO_SIGNS: SignLevels = { any: 0, bait: 0, follow: 0, break: 0 };

/** Half-lives that the log may choose among, hours. */
export const SIGN_HALF_LIVES_H = [4, 12, 36, 96] as const;
/** Half-life before the log has said anything (common practice: signs hold for hours to a day). */
export const SIGN_HALF_LIFE_H = 12;
/** A sign at a neighbouring spot so far away counts half, m. */
const HALF_DISTANCE_M = 350;
const REACH_M = 1500;
/** What is set on the chart so near a spot is at it, m. */
const SAME_PLACE_M = 80;
const KEPT_HALF_LIVES = 6;

interface Place {
  readonly id: string;
  readonly lat?: number | null;
  readonly lon?: number | null;
}

interface Near {
  readonly at: number;
  readonly weight: number;
  readonly kind: SignKind;
}

/** Signs by spot, ready to be asked for. */
export interface SignIndex {
  readonly bySpot: readonly (readonly Near[])[];
}

/** Sorts signs to every spot within reach of where they were seen. */
export function signIndex(spots: readonly Place[], signs: readonly Sign[]): SignIndex | null {
  if (signs.length === 0) return null;
  const at = new Map(spots.map((s, i) => [s.id, i]));
  const bySpot: Near[][] = spots.map(() => []);
  for (const s of [...signs].sort((a, b) => a.at - b.at)) {
    const from = s.spot === null ? undefined : at.get(s.spot);
    const set = s.lat != null && s.lon != null ? { id: '', lat: s.lat, lon: s.lon } : null;
    const seen = set ?? (from === undefined ? null : spots[from]);
    if (!seen) continue;
    const own = s.kind === 'marks' ? (s.relation === 'above' ? 0.35 : s.relation === 'tight' ? 1 : 0.7) : 1;
    spots.forEach((spot, i) => {
      const d = i === from ? 0 : distance(seen, spot);
      if (d > REACH_M) return;
      // A follow is one fish: it is where it was.
      if (s.kind === 'follow' && d > (set ? SAME_PLACE_M : 0)) return;
      bySpot[i]?.push({ at: s.at, kind: s.kind, weight: own * 2 ** (-d / HALF_DISTANCE_M) });
    });
  }
  return { bySpot };
}

/** Strength of each kind of sign at a spot and instant; only what was seen before it counts. */
export function signsAt(index: SignIndex | null, spot: number, at: number, halfLifeH: number): SignLevels {
  const list = index?.bySpot[spot];
  if (!list || list.length === 0) return NO_SIGNS;
  let [any, bait, follow, broken] = [0, 0, 0, 0];
  const oldest = at - KEPT_HALF_LIVES * halfLifeH * HOUR;
  for (let i = list.length - 1; i >= 0; i--) {
    const s = nth(list, i);
    if (s.at > at) continue;
    if (s.at < oldest) break;
    const w = s.weight * 2 ** (-(at - s.at) / HOUR / halfLifeH);
    if (s.kind === 'follow') follow += w;
    else if (s.kind === 'colour' || s.kind === 'temperature') broken += w;
    else {
      any += w;
      if (s.kind === 'bait' || s.kind === 'birds') bait += w;
    }
  }
  return { any, bait, follow, break: broken };
}

/** Metres between two places, plane; infinity where a place has no position. */
function distance(a: Place, b: Place): number {
  if (a.lat == null || a.lon == null || b.lat == null || b.lon == null) return Number.POSITIVE_INFINITY;
  const [dy, dx] = [(a.lat - b.lat) * 111_200, (a.lon - b.lon) * 111_200 * Math.cos((a.lat * Math.PI) / 180)];
  return Math.hypot(dx, dy);
}

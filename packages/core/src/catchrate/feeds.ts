// Spots that are fed: roaming fish are held only by feeding that is regular, at least twice a week for one to two weeks ahead (T8, common
// practice).
import { DAY } from '../units/time';
import { num } from '../units/indexed';

/** Bait that went in. */
export interface Feed {
  readonly at: number;
  readonly spot: string;
}

/** How a spot is fed: 0 regularly, 1 now and then, -1 not of late. */
export type Feeding = -1 | 0 | 1;

/** Between feeds of twice a week lie so many days at most. */
const GAP_DAYS = 4;
/** Regular feeding holds fish from so many days on. */
const HOLDS_DAYS = 7;
/** A feed without another after it is forgotten after so many days. */
const FORGOTTEN_DAYS = 7;

/** Feeds by spot, oldest first. */
export type FeedIndex = readonly (readonly number[])[];

/** Sorts feeds to their spots; null when there are none. */
export function feedIndex(spots: readonly { readonly id: string }[], feeds: readonly Feed[]): FeedIndex | null {
  if (feeds.length === 0) return null;
  const bySpot: number[][] = spots.map(() => []);
  const at = new Map(spots.map((s, i) => [s.id, i]));
  for (const f of [...feeds].sort((a, b) => a.at - b.at)) bySpot[at.get(f.spot) ?? -1]?.push(f.at);
  return bySpot;
}

/**
 * How a spot stood fed at an instant: only what went in before it counts. Regular is an unbroken row of feeds, none more than four days after
 * the one before, that began a week or more ago and whose last is no older than four days.
 */
export function feedingAt(index: FeedIndex | null, spot: number, at: number): Feeding {
  const feeds = index?.[spot];
  if (!feeds) return -1;
  let k = feeds.length - 1;
  while (k >= 0 && num(feeds, k) > at) k--;
  if (k < 0) return -1;
  const last = num(feeds, k);
  if (at - last > FORGOTTEN_DAYS * DAY) return -1;
  let first = last;
  for (let i = k - 1; i >= 0 && first - num(feeds, i) <= GAP_DAYS * DAY; i--) first = num(feeds, i);
  return at - last <= GAP_DAYS * DAY && at - first >= HOLDS_DAYS * DAY ? 0 : 1;
}

// Photos of fish as lines of a table of past trips: when each was taken, and at which spot it was, by the position that the camera wrote.
import { distanceM } from '../ground/seaBed';
import { localDate, localTime, MINUTE } from '../units/time';
import type { Table } from './table';

/** What a camera wrote beside a picture. */
export interface PhotoFacts {
  readonly name: string;
  /** Instant by the satellites, or by a clock whose zone is told; null where only a wall clock is. */
  readonly atMs: number | null;
  /** Wall clock as "YYYY-MM-DD HH:MM"; null where there is none. */
  readonly wall: string | null;
  readonly lat: number | null;
  readonly lon: number | null;
}

interface PlacedSpot {
  readonly name: string;
  readonly lat: number;
  readonly lon: number;
}

/** A photo farther than this from every spot is of none, m (common practice: a boat swings, a phone is off by some tens). */
const REACH_M = 300;
/** Photos of one spot that are not farther apart than this are of one stop. */
const STOP_MS = 150 * MINUTE;
/** Lines were in the water so long before the first fish of a stop (from memory of the trade). */
const BEFORE_MS = 30 * MINUTE;

export const PHOTO_HEADER = ['date', 'from', 'spot', 'fish', 'caught at', 'photo'] as const;

/** Where a photo was taken, by the nearest spot, or how far off that is. */
function placeOf(p: PhotoFacts, spots: readonly PlacedSpot[]): string {
  if (p.lat === null || p.lon === null) return 'photos without a position';
  const here = { lat: p.lat, lon: p.lon };
  const near = spots.map((s) => ({ s, m: distanceM(here, s) })).sort((a, b) => a.m - b.m)[0];
  if (!near) return 'no spot near';
  if (near.m <= REACH_M) return near.s.name;
  return `${near.m < 10_000 ? `${(near.m / 1000).toFixed(1)} km` : 'far'} from ${near.s.name}`;
}

/**
 * A line for each photo, one fish each, in the order of time: stops begin half an hour before their first. How long each was fished no
 * photo tells. @param zone - In which wall clocks are read, and the table is written. A photo without a time gets no line.
 */
export function photoTable(photos: readonly PhotoFacts[], spots: readonly PlacedSpot[], zone: string): { table: Table; without: string[] } {
  const clock = (ms: number) => `${localDate(ms, zone)} ${localTime(ms, zone)}`;
  const timed = photos
    .flatMap((p) => {
      const wall = p.atMs === null ? p.wall : clock(p.atMs);
      return wall === null ? [] : [{ p, wall, spot: placeOf(p, spots) }];
    })
    .sort((a, b) => a.wall.localeCompare(b.wall) || a.p.name.localeCompare(b.p.name));
  /** Wall clocks run on as if the zone had no changes: only spans of hours are taken of them. */
  const wallMs = (wall: string) => Date.parse(`${wall.replace(' ', 'T')}:00Z`);
  const last = new Map<string, { from: string; at: number }>();
  const records = timed.map(({ p, wall, spot }, i) => {
    const [date = '', time = ''] = wall.split(' ');
    const before = last.get(spot);
    const at = wallMs(wall);
    const goesOn = before?.from.startsWith(date) === true && at - before.at <= STOP_MS;
    const begun = new Date(at - BEFORE_MS).toISOString().slice(0, 16).replace('T', ' ');
    // A stop is of one day: just after midnight it begins at midnight.
    const from = goesOn ? before.from : begun.startsWith(date) ? begun : `${date} 00:00`;
    last.set(spot, { from, at });
    return { line: i + 2, cells: [date, from.slice(11), spot, '1', time, p.name] };
  });
  return {
    table: { header: [...PHOTO_HEADER], records, delimiter: ',' },
    without: photos.filter((p) => p.atMs === null && p.wall === null).map((p) => p.name),
  };
}

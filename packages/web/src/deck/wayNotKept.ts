// Positions of a way that are in no entry yet: they stay on the phone when it dies, and are given away when the deck is opened again.
import type { TimedPlace } from '@bluffwind/core/ground/wayGone';

interface NotKept {
  readonly stopId: string;
  readonly points: TimedPlace[];
}

const keyOf = (tripId: string) => `way not kept ${tripId}`;

/** Writes them down; without any they are forgotten. */
export function noteWay(tripId: string, stopId: string, points: readonly TimedPlace[]): void {
  try {
    if (points.length === 0) localStorage.removeItem(keyOf(tripId));
    else localStorage.setItem(keyOf(tripId), JSON.stringify({ stopId, points }));
  } catch {
    // Private pages keep nothing: a part that is not full is lost with the phone there.
  }
}

/** What a phone that died had not given away, or null. */
export function wayNotKept(tripId: string): NotKept | null {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(tripId)) ?? 'null') as NotKept | null;
    const sound = (p: TimedPlace) => [p.lat, p.lon, p.atMs].every((x) => typeof x === 'number' && Number.isFinite(x));
    return typeof kept?.stopId === 'string' && Array.isArray(kept.points) && kept.points.length > 0 && kept.points.every(sound)
      ? kept
      : null;
  } catch {
    return null;
  }
}

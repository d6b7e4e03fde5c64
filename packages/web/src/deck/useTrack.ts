import { distanceM } from '@bluffwind/core/ground/seaBed';
import type { TimedPlace } from '@bluffwind/core/ground/wayGone';
import { useEffect, useRef, useState } from 'react';
import { serverNow } from '../data/clock';
import { noteWay, wayNotKept } from './wayNotKept';

/** A position is taken when the boat has moved so far, or so long after the last; what is not known so well is none. */
const STEP_M = 12;
const STEP_MS = 30_000;
const WORST_M = 60;
/** So many, or so long, are put into one entry. */
const PART = 5;
const PART_MS = 45_000;

export interface Recording {
  readonly on: boolean;
  readonly points: readonly TimedPlace[];
  /** Why no position comes, in words; empty while they do. */
  readonly why: string;
  readonly toggle: () => void;
}

/**
 * Follows the phone's own position while it is asked to, and gives it away in parts; a part that was not full when the phone died is given
 * away at once.
 * @param keep - Puts a part into the trip's entries.
 */
export function useTrack(tripId: string, stopId: string, keep: (stopId: string, points: TimedPlace[]) => void): Recording {
  const [on, setOn] = useState(false);
  const [points, setPoints] = useState<readonly TimedPlace[]>([]);
  const [why, setWhy] = useState('');
  const give = useRef(keep);
  give.current = keep;
  useEffect(() => {
    const left = wayNotKept(tripId);
    if (!left) return;
    noteWay(tripId, left.stopId, []);
    give.current(left.stopId, left.points);
  }, [tripId]);
  useEffect(() => {
    if (!on) return;
    if (!('geolocation' in navigator)) {
      setWhy('This browser knows no position.');
      setOn(false);
      return;
    }
    let part: TimedPlace[] = [];
    let last: TimedPlace | null = null;
    let partFrom = 0;
    const flush = () => {
      if (part.length > 0) give.current(stopId, part);
      part = [];
      noteWay(tripId, stopId, part);
    };
    const watch = navigator.geolocation.watchPosition(
      ({ coords }) => {
        setWhy('');
        if (coords.accuracy > WORST_M) return;
        // A tenth of a metre; no position is known better.
        const [lat, lon] = [coords.latitude, coords.longitude].map((x) => Number(x.toFixed(6))) as [number, number];
        const here: TimedPlace = { lat, lon, atMs: Math.round(serverNow()) };
        if (last && distanceM(last, here) < STEP_M && here.atMs - last.atMs < STEP_MS) return;
        last = here;
        if (part.length === 0) partFrom = here.atMs;
        part.push(here);
        noteWay(tripId, stopId, part);
        setPoints((all) => [...all, here]);
        if (part.length >= PART || here.atMs - partFrom >= PART_MS) flush();
      },
      () => setWhy('No position: allow it in the browser’s settings, and go where the sky is open.'),
      { enableHighAccuracy: true, maximumAge: 2000, timeout: 30_000 },
    );
    const away = () => {
      if (document.hidden) flush();
    };
    document.addEventListener('visibilitychange', away);
    return () => {
      document.removeEventListener('visibilitychange', away);
      navigator.geolocation.clearWatch(watch);
      flush();
    };
  }, [on, tripId, stopId]);
  return { on, points, why, toggle: () => setOn((o) => !o) };
}

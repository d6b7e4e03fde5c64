import { useEffect, useState } from 'react';

export interface OwnPosition {
  readonly lat: number;
  readonly lon: number;
  /** Radius within which it lies two times of three, m (W3C Geolocation gives 95 %; halved). */
  readonly accuracyM: number;
}

export interface Positioning {
  readonly own: OwnPosition | null;
  /** Why there is none, in words; empty while it is looked for or not asked for. */
  readonly why: string;
}

const NOWHERE: Positioning = { own: null, why: '' };
const WHY: Record<number, string> = {
  1: 'The phone does not tell this page where it is; allow it in the browser’s settings.',
  2: 'No position: go where the sky is open.',
  3: 'No position yet: go where the sky is open.',
};

/** Where the phone is, while it is wanted. It goes nowhere but to this screen. */
export function useOwnPosition(wanted: boolean): Positioning {
  const [at, setAt] = useState<Positioning>(NOWHERE);
  useEffect(() => {
    if (!wanted) return;
    if (!('geolocation' in navigator)) {
      setAt({ own: null, why: 'This browser knows no position.' });
      return;
    }
    const watch = navigator.geolocation.watchPosition(
      ({ coords }) => setAt({ own: { lat: coords.latitude, lon: coords.longitude, accuracyM: coords.accuracy / 2 }, why: '' }),
      (error) => setAt((before) => ({ own: before.own, why: WHY[error.code] ?? 'No position.' })),
      { enableHighAccuracy: true, maximumAge: 5000, timeout: 30_000 },
    );
    return () => navigator.geolocation.clearWatch(watch);
  }, [wanted]);
  return at;
}

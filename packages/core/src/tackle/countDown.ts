// Casts of a bare bomb on an open spool, counted to the bottom: each is a sounding. The bomb falls straight down, so that distance and
// bearing of the cast are its place; the height of the tide is taken off where they go to the sea bed.
import { metresPerDegree } from '../ground/seaBed';
import { inRange, overNothing } from '../units/inRange';
import { SEA_WATER } from './matter';
import { sinkSpeed } from './sinkSpeed';

export interface CountedCast {
  /** Degrees true. */
  readonly bearingDeg: number;
  readonly distanceM: number;
  readonly seconds: number;
}

/** A sounding as it was counted: depth of the water then, m. */
export interface CountedSounding {
  readonly lon: number;
  readonly lat: number;
  readonly depthM: number;
}

/**
 * Depths under counted casts.
 * @param bomb - Its timed speed, m/s, or the mass of a bare lead, g, from which the speed follows.
 * @param from - Where the rod stands, degrees.
 * @throws RangeError for a bomb without speed and mass, and for casts over 300 m or 200 m deep.
 */
export function countDown(
  bomb: { readonly bombMps?: number; readonly bombG?: number; readonly waterKgM3?: number },
  from: { readonly lon: number; readonly lat: number },
  casts: readonly CountedCast[],
): CountedSounding[] {
  if (bomb.bombMps === undefined && bomb.bombG === undefined)
    throw new RangeError('bombMps: expected the speed at which the bomb sinks, or bombG, got neither');
  const speed = bomb.bombMps ?? sinkSpeed({ massG: bomb.bombG ?? 0 }, bomb.waterKgM3 ?? SEA_WATER);
  inRange('bombMps', overNothing('bombMps', speed, 'm/s'), 0, 10, 'm/s');
  const m = metresPerDegree(inRange('lat', from.lat, -85, 85, 'degrees'));
  return casts.map((c, i) => {
    inRange(`casts.${i}.distanceM`, c.distanceM, 0, 300, 'm');
    inRange(`casts.${i}.bearingDeg`, c.bearingDeg, 0, 360, 'degrees');
    const depthM = inRange(`casts.${i}.seconds`, c.seconds, 0, 200 / speed, 's') * speed;
    const to = (c.bearingDeg * Math.PI) / 180;
    return {
      lon: from.lon + (c.distanceM * Math.sin(to)) / m.lon,
      lat: from.lat + (c.distanceM * Math.cos(to)) / m.lat,
      depthM,
    };
  });
}

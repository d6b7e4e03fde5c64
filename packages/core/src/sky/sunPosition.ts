// Positions by astronomy-engine (VSOP87 truncated; better than 1 arc minute). Bearings are degrees true, clockwise.
import { Body, Equator, Horizon, Observer } from 'astronomy-engine';

/** Height above the horizon with refraction, and bearing, both in degrees. */
export interface SkyPosition {
  readonly heightDeg: number;
  readonly bearingDeg: number;
}

/**
 * Where the sun stands.
 * @param atMs - Instant, Unix milliseconds.
 * @param lat - Latitude, degrees, -90 to 90.
 * @param lon - Longitude, degrees east, -180 to 180.
 */
export function sunPosition(atMs: number, lat: number, lon: number): SkyPosition {
  const observer = new Observer(lat, lon, 0);
  const at = new Date(atMs);
  const eq = Equator(Body.Sun, at, observer, true, true);
  const hor = Horizon(at, observer, eq.ra, eq.dec, 'normal');
  return { heightDeg: hor.altitude, bearingDeg: hor.azimuth };
}

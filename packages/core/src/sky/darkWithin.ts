import { skyDay } from './skyDay';

/**
 * Whether the sun is down at some time between two instants, by its upper limb with refraction.
 * @param fromMs - Unix milliseconds. @param toMs - At most a day later.
 */
export function darkWithin(fromMs: number, toMs: number, lat: number, lon: number): boolean {
  const { sunrise, sunset } = skyDay(fromMs, lat, lon);
  const startsDark = sunrise !== null && (sunset === null || sunrise < sunset);
  return startsDark || (sunset !== null && sunset < toMs);
}

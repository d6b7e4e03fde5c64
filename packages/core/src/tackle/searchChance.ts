import { inRange } from '../units/inRange';

/**
 * Water searched and the chance to come across a group of fish in it: groups that lie at random, as many to the km2
 * (Poisson: 1 - exp(-groups x swath x speed x time)).
 * @param swathM - Width that is seen or fished, m. @param speedMps - m/s. @param groupsPerKm2 - 0 or more. @param minutes - 0 to 1440.
 * @throws RangeError for a quantity out of range.
 */
export function searchChance(swathM: number, speedMps: number, groupsPerKm2: number, minutes: number): { areaM2: number; chance: number } {
  inRange('swathM', swathM, 0, 2000, 'm');
  inRange('speedMps', speedMps, 0, 30, 'm/s');
  inRange('groups', groupsPerKm2, 0, 1e6, 'a km2');
  inRange('minutes', minutes, 0, 1440, 'min');
  const areaM2 = swathM * speedMps * minutes * 60;
  return { areaM2, chance: -Math.expm1((-groupsPerKm2 * areaM2) / 1e6) };
}

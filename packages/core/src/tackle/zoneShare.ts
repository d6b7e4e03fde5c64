import { inRange, overNothing } from '../units/inRange';

/**
 * How much of a cast lies in a band along an edge: plane geometry, W1 and P22 (common practice: along the bank the lure works the whole cast).
 * @param castM - Length of the cast, m, over 0. @param bandM - Width of the band where the fish are, m, over 0.
 * @param angleDeg - Angle between cast and edge, 0 (along it) to 90 (square to it).
 * @throws RangeError for a quantity out of range.
 * @example zoneShare(30, 1.5, 10).inZoneM.toFixed(5) === '8.63816'
 */
export function zoneShare(castM: number, bandM: number, angleDeg: number): { inZoneM: number; share: number } {
  overNothing('castM', castM, 'm');
  overNothing('bandM', bandM, 'm');
  inRange('angleDeg', angleDeg, 0, 90, 'degrees');
  const inZoneM = Math.min(castM, bandM / Math.sin((angleDeg * Math.PI) / 180));
  return { inZoneM, share: inZoneM / castM };
}

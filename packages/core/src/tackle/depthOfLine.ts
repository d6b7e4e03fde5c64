import { overNothing } from '../units/inRange';
import { type LineInCurrent, pullOf } from './plumbLine';

/**
 * Depth that a weight reaches on so much line, m: the sum of `plumbLine` turned round.
 * @param lineM - Line from the surface to the weight, m, over 0.
 * @throws RangeError as of `plumbLine`.
 */
export function depthOfLine({ lineM, ...input }: Omit<LineInCurrent, 'depthM'> & { readonly lineM: number }): number {
  overNothing('lineM', lineM, 'm');
  const { pullN, u0, perM } = pullOf({ ...input, depthM: lineM });
  if (perM === 0) return lineM;
  const u1 = u0 + (perM / pullN) * lineM;
  return (pullN / perM) * (Math.asinh(u1) - Math.asinh(u0));
}

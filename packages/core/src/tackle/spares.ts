import { inRange } from '../units/inRange';

/**
 * Spares to carry: the fewest with which running out has less than a given chance, losses falling at random (Poisson).
 * @param riskPerRodHour - Losses in an hour of one rod, 0 to 20. @param rodHours - 0 to 2000. @param shortBelow - Chance to run out, over 0 to under 1.
 * @throws RangeError for a quantity out of range.
 */
export function spares(riskPerRodHour: number, rodHours: number, shortBelow = 0.05): number {
  const mean = inRange('risk', riskPerRodHour, 0, 20, 'a rod-hour') * inRange('rodHours', rodHours, 0, 2000, 'h');
  if (!(shortBelow > 0 && shortBelow < 1)) throw new RangeError(`shortBelow: expected over 0 to under 1, got ${shortBelow}`);
  // By logarithms, so that a long day over bad ground does not lose its first terms to underflow.
  let logTerm = -mean;
  let held = Math.exp(logTerm);
  let n = 0;
  while (1 - held >= shortBelow && n < 100_000) {
    n++;
    logTerm += Math.log(mean / n);
    held += Math.exp(logTerm);
  }
  return n;
}

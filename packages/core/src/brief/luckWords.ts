import type { AgainstPlan } from './composeBrief';

/** A stop against what was expected of it, with whether luck explains it: "2 where 1 to 5 were expected: within luck". */
export function luckWords({ fish, lo80, hi80, verdict }: Pick<AgainstPlan, 'fish' | 'lo80' | 'hi80' | 'verdict'>): string {
  const expected = lo80 === hi80 ? (lo80 === 1 ? '1 was' : `${lo80} were`) : `${lo80} to ${hi80} were`;
  const luck = { within: 'within luck', above: 'better than luck alone', below: 'worse than bad luck alone' }[verdict];
  return `${fish === 0 ? 'None' : fish} where ${expected} expected: ${luck}`;
}

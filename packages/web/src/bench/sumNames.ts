/** The sums of the bench with what they are called, apart from what works them out. */
export const SUM_NAMES: readonly (readonly [key: string, name: string])[] = [
  ['sink', 'Sinking and count-down'],
  ['plumb', 'Line in a current'],
  ['drift', 'Drift and sea anchor'],
  ['feeder', 'Feeder at range'],
  ['countdown', 'Casts counted down'],
  ['zone', 'Cast along the edge'],
  ['dive', 'Diver for a depth'],
  ['boards', 'Boards over the bed'],
  ['leader', 'Leader, how fine'],
  ['search', 'Search or sit'],
  ['mix', 'Bait and its cost'],
  ['campaign', 'Feeding ahead'],
  ['fish', 'Length and weight of a fish'],
  ['gas', 'Fish from deep water'],
];

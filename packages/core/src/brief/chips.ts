/** What a crew says of a trip in a word. */
export const CHIPS = [
  'easy fishing',
  'slow',
  'rough',
  'weed',
  'crowded',
  'bait ran out',
  'gear trouble',
  'guests happy',
  'guests tired',
] as const;

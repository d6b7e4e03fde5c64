/** Signs as the deck names them. */
export const SIGNS = [
  ['bait', 'Bait massed or showering'],
  ['birds', 'Birds working'],
  ['marks', 'Marks on the sounder'],
  ['rays', 'Rays rooting'],
  ['surface', 'Fish at the surface'],
  ['follow', 'A follow'],
  ['colour', 'A line where the water’s colour changes'],
  ['temperature', 'A break in the water’s temperature'],
] as const;
export type SignName = (typeof SIGNS)[number][0];

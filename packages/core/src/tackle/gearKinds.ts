/** What a crew's boxes hold. */
export const GEAR_KINDS = [
  'rod',
  'reel',
  'line',
  'leader',
  'hook',
  'weight',
  'head',
  'lure',
  'feeder',
  'board',
  'float',
  'sea anchor',
  'sounder',
  'net',
  'release tool',
] as const;
export type GearKind = (typeof GEAR_KINDS)[number];

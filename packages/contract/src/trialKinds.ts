/** What a trial compares. */
export const TRIED = ['leader', 'hook', 'lure'] as const;
export type Tried = (typeof TRIED)[number];

/** So many are set side by side at most. */
export const MOST_ARMS = 4;

/** What is wrong with the things that are to be compared, in words; empty when nothing is. */
export function faultOfArms(arms: readonly string[]): string {
  if (arms.length < 2) return 'compare at least two';
  if (arms.length > MOST_ARMS) return `compare at most ${MOST_ARMS}`;
  if (arms.some((a) => a.length > 40)) return 'at most 40 letters each';
  return new Set(arms.map((a) => a.toLowerCase())).size < arms.length ? 'two of them are the same' : '';
}

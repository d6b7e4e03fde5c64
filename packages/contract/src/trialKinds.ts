/** What a trial compares. */
export const TRIED = ['leader', 'hook', 'lure'] as const;
export type Tried = (typeof TRIED)[number];

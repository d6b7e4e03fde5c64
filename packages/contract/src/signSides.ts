/** Sides of a structure, as a boat tells them. */
export const SIGN_SIDES = ['up-current', 'down-current', 'deep', 'shallow', 'shaded', 'sunny'] as const;
export type SignSide = (typeof SIGN_SIDES)[number];

/** Figures of a rig that a hand may set, each from its least to its most: grams of a weight, kilograms of a leader, metres, and seconds of a pause. */
export const HAND_LIMITS = {
  weight: [0.1, 5000],
  leader: [0.1, 200],
  'hook height': [0, 60],
  dropper: [0.02, 5],
  diver: [0.1, 30],
  pause: [0, 120],
  'sea anchor': [0, 10],
  link: [0.02, 10],
} as const;

/** A part with a figure that a hand may set. */
export type HandPart = keyof typeof HAND_LIMITS;

/** Whether a part of a card has such a figure. */
export const isHandPart = (name: string): name is HandPart => name in HAND_LIMITS;

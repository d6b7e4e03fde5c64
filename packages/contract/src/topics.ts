/** What of an outfit can change, in a few topics: by them screens know what to read again. */
export const TOPIC_NAMES = ['crew', 'waters', 'conditions', 'spots', 'log', 'trips', 'gear', 'after'] as const;

export type Topic = (typeof TOPIC_NAMES)[number];

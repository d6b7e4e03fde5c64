/** Longest picture that is kept, bytes, and how many a water has. */
export const PICTURE_BYTES = 3_000_000;
export const MOST_PICTURES = 8;

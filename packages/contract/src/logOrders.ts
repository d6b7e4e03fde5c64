/** What the log can be put in order by. */
export const LOG_ORDERS = ['when', 'boat', 'spot', 'bait', 'rods', 'rodHours', 'fish', 'lost', 'largest', 'tide', 'wind', 'water'] as const;
export type LogOrder = (typeof LOG_ORDERS)[number];

/** What the log can be narrowed to beside places, baits and days. */
export const LOG_TIDES = ['in', 'out'] as const;
/** Up to Beaufort 2, 3 and 4, 5 and over. */
export const LOG_WINDS = ['light', 'breeze', 'strong'] as const;
export const LOG_GAVE = ['fish', 'nothing'] as const;

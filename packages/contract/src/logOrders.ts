/** What the log can be put in order by. */
export const LOG_ORDERS = ['when', 'boat', 'spot', 'bait', 'rods', 'rodHours', 'fish', 'lost', 'largest', 'tide', 'wind', 'water'] as const;
export type LogOrder = (typeof LOG_ORDERS)[number];

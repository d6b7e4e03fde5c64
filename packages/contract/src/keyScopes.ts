/** What a key of a program may be for, each with what the owner reads of it. */
export const KEY_SCOPES = {
  log: 'read the log',
  conditions: 'read the water: stations, tide, forecast',
  trips: 'read the trips',
  readings: 'store readings',
} as const;
export type KeyScope = keyof typeof KEY_SCOPES;

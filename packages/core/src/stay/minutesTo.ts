import { HOUR } from '../units/time';

/** Ways from one spot to others: in calm water, and hour by hour where tide and sea make them longer or shut them. */
export interface WaysFrom {
  /** Minutes by spot. */
  readonly travelMin: Readonly<Record<string, number>>;
  /** Minutes by spot for each hour from an instant on; null where there is no way then. */
  readonly byHour?: { readonly fromMs: number; readonly minutes: Readonly<Record<string, readonly (number | null)[]>> } | undefined;
}

/**
 * Minutes to another spot when a boat leaves at an instant (Unix ms); null where there is no way then. Outside of the hours that are
 * known it takes what it takes in calm water.
 */
export function minutesTo({ travelMin, byHour }: WaysFrom, id: string, atMs: number): number | null {
  const calm = travelMin[id] ?? null;
  const hour = byHour?.minutes[id]?.[Math.floor((atMs - (byHour?.fromMs ?? 0)) / HOUR)];
  return hour === undefined ? calm : hour;
}

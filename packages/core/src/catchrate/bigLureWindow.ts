// The narrow window of large jointed lures (T4, common practice): 10 to 14 h, half clear water, a breeze and cloud.

/** What it takes, each with its limits: local hours, m seen down, m/s, share of the sky. */
export const BIG_LURE_WINDOW = { hour: [10, 14], clarityM: [0.75, 1.5], windMps: [4.5, 9], cloud: [0.6, 1] } as const;

export type WindowPart = 'hour' | 'clarity' | 'wind' | 'cloud';

/** For each part whether it is as big lures want it; null where it is not known. */
export type WindowMet = Readonly<Record<WindowPart, boolean | null>>;

/** @param hour - Local, 0 to 24. */
export function bigLureWindow(
  hour: number,
  c: { readonly clarityM?: number | null; readonly windMps?: number | null; readonly cloud?: number | null },
): WindowMet {
  const within = (value: number | null | undefined, [least, most]: readonly [number, number]) =>
    value === null || value === undefined ? null : value >= least && value <= most;
  return {
    hour: hour >= BIG_LURE_WINDOW.hour[0] && hour <= BIG_LURE_WINDOW.hour[1],
    clarity: within(c.clarityM, BIG_LURE_WINDOW.clarityM),
    wind: within(c.windMps, BIG_LURE_WINDOW.windMps),
    cloud: within(c.cloud, BIG_LURE_WINDOW.cloud),
  };
}

export const WINDOW_PARTS: readonly WindowPart[] = ['hour', 'clarity', 'wind', 'cloud'];
export const WINDOW_WORDS: Readonly<Record<WindowPart, string>> = {
  hour: 'the hour',
  clarity: 'the clarity',
  wind: 'the wind',
  cloud: 'cloud',
};

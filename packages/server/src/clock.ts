/** The server's only source of time. */
export interface Clock {
  /** Unix milliseconds. */
  now(): number;
}

export const realClock: Clock = { now: () => Date.now() };

/** A clock that can be set and runs on; the demo's and the tests'. */
export interface SettableClock extends Clock {
  set(atMs: number): void;
}

export function settableClock(startMs: number): SettableClock {
  let offset = startMs - Date.now();
  return {
    now: () => Date.now() + offset,
    set: (atMs) => {
      offset = atMs - Date.now();
    },
  };
}

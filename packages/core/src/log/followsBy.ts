// Looks and takes on large lures (P21: about two takes in ten looks), counted by what makes their window (T4).
import { bigLureWindow, WINDOW_PARTS, type WindowPart } from '../catchrate/bigLureWindow';

/** A time in which a large lure was fished. */
export interface BigLureSet {
  /** Local hour at its middle, 0 to 24. */
  readonly hour: number;
  readonly rodHours: number;
  readonly clarityM: number | null;
  readonly windMps: number | null;
  readonly cloud: number | null;
  /** Fish that followed, and that took (landed, lost or missed). */
  readonly follows: number;
  readonly takes: number;
}

export interface LooksAndTakes {
  readonly rodHours: number;
  /** Fish that came to it: that followed or took. */
  readonly looks: number;
  readonly takes: number;
}

export interface FollowsBy {
  readonly all: LooksAndTakes;
  /** With everything as they want it, with one thing missing or not known, and with more. */
  readonly window: { readonly open: LooksAndTakes; readonly nearly: LooksAndTakes; readonly shut: LooksAndTakes };
  readonly parts: readonly { readonly part: WindowPart; readonly right: LooksAndTakes; readonly wrong: LooksAndTakes }[];
}

/** Counts them. */
export function followsBy(sets: readonly BigLureSet[]): FollowsBy {
  const met = sets.map((s) => ({ set: s, met: bigLureWindow(s.hour, s) }));
  const sum = (which: (m: (typeof met)[number]) => boolean): LooksAndTakes => {
    const some = met.filter(which).map((m) => m.set);
    const takes = some.reduce((n, s) => n + s.takes, 0);
    return { rodHours: some.reduce((n, s) => n + s.rodHours, 0), looks: takes + some.reduce((n, s) => n + s.follows, 0), takes };
  };
  const right = (m: (typeof met)[number]) => WINDOW_PARTS.filter((p) => m.met[p] === true).length;
  const most = WINDOW_PARTS.length;
  return {
    all: sum(() => true),
    window: {
      open: sum((m) => right(m) === most),
      nearly: sum((m) => right(m) === most - 1),
      shut: sum((m) => right(m) < most - 1),
    },
    parts: WINDOW_PARTS.map((part) => ({ part, right: sum((m) => m.met[part] === true), wrong: sum((m) => m.met[part] === false) })),
  };
}

/** What they come to, in a sentence. */
export function followWords({ all, window }: FollowsBy): string {
  if (all.looks === 0)
    return all.rodHours === 0
      ? 'No big lure has been fished yet.'
      : `No fish has come to a big lure in ${all.rodHours.toFixed(0)} rod-hours.`;
  // Takes are always logged; without a single look that was no take nobody has logged looks.
  if (all.looks === all.takes)
    return `${all.takes} fish took big lures in ${all.rodHours.toFixed(0)} rod-hours. No follow has been logged on deck (Saw sign, A follow), so nobody can say how many only looked; two takes in ten looks are usual.`;
  const per = (x: LooksAndTakes) => (x.rodHours > 0 ? x.looks / x.rodHours : 0);
  const share = Math.round((10 * all.takes) / all.looks);
  const usual = `${all.looks} fish came to big lures, ${all.takes} took: ${share} in 10, where 2 in 10 are usual.`;
  if (window.open.rodHours < 3) return `${usual} The window has hardly been fished yet.`;
  const out = { rodHours: window.nearly.rodHours + window.shut.rodHours, looks: window.nearly.looks + window.shut.looks, takes: 0 };
  if (out.rodHours < 3) return usual;
  return `${usual} In the window ${per(window.open).toFixed(2)} came a rod-hour, outside it ${per(out).toFixed(2)}.`;
}

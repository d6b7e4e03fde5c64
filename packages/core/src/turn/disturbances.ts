/** What takes lines out of the water without the boat leaving. */
export const DISTURBANCES = ['boat', 'weed', 'gear', 'break', 'other'] as const;
export type Disturbance = (typeof DISTURBANCES)[number];

/** As a guide says each. */
export const DISTURBANCE_WORDS: Readonly<Record<Disturbance, string>> = {
  boat: 'a boat over the spot',
  weed: 'weed on the lines',
  gear: 'trouble with gear',
  break: 'a break aboard',
  other: 'something else',
};

/** A time in which nothing was fished at a stop. */
export interface LinesOut {
  readonly what: Disturbance;
  readonly fromMs: number;
  /** Null while it goes on. */
  readonly toMs: number | null;
}

/**
 * Minutes of a stop in which nothing was fished, up to an instant; times that overlap count once.
 * @param nowMs - Where what goes on ends. @returns Minutes, >= 0.
 */
export function minutesOut(outs: readonly LinesOut[], startMs: number, nowMs: number): number {
  const spans = outs
    .map((o) => [Math.max(startMs, o.fromMs), Math.min(nowMs, o.toMs ?? nowMs)] as const)
    .filter(([from, to]) => to > from)
    .sort((a, b) => a[0] - b[0]);
  let [sum, until] = [0, Number.NEGATIVE_INFINITY];
  for (const [from, to] of spans) {
    sum += Math.max(0, to - Math.max(from, until));
    until = Math.max(until, to);
  }
  return sum / 60_000;
}

/** "25 min without lines: weed on the lines, a break aboard"; empty where nothing was lost. */
export function outWords(outs: readonly LinesOut[], startMs: number, nowMs: number): string {
  const minutes = minutesOut(outs, startMs, nowMs);
  if (minutes < 1) return '';
  return `${minutes.toFixed(0)} min without lines: ${[...new Set(outs.map((o) => DISTURBANCE_WORDS[o.what]))].join(', ')}`;
}

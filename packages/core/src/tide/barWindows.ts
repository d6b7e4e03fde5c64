// Depth over a bar = charted depth + height of tide - draught - margin - half the wave height (common practice).
import { rootBetween } from '../units/roots';
import { MINUTE } from '../units/time';

/** What stands between a boat's keel and the ground, m; negative means it cannot pass. */
export function clearanceM(
  chartedDepthM: number,
  tideHeightM: number,
  { draughtM, marginM = 0.5, waveM = 0 }: { draughtM: number; marginM?: number; waveM?: number },
): number {
  return chartedDepthM + tideHeightM - draughtM - marginM - waveM / 2;
}

/** Step ranges [from, to) in which a test holds, for steps 0 to count - 1. */
export function openRanges(count: number, holds: (step: number) => boolean): [number, number][] {
  const ranges: [number, number][] = [];
  let from = -1;
  for (let t = 0; t <= count; t++) {
    const open = t < count && holds(t);
    if (open && from < 0) from = t;
    if (!open && from >= 0) {
      ranges.push([from, t]);
      from = -1;
    }
  }
  return ranges;
}

/** A span in which a boat can pass. */
export interface PassageWindow {
  readonly fromMs: number;
  readonly toMs: number;
  /** Least and most clearance in it, m. */
  readonly leastM: number;
  readonly mostM: number;
}

const STEP = 10 * MINUTE;

/**
 * Spans of [fromMs, toMs] in which a clearance is not negative, their ends to the second.
 * @param clearanceAt - Clearance at an instant, m; null (unknown) counts as shut.
 */
export function passageWindows(clearanceAt: (atMs: number) => number | null, fromMs: number, toMs: number): PassageWindow[] {
  const windows: PassageWindow[] = [];
  const value = (t: number) => clearanceAt(t) ?? -1;
  let open: { fromMs: number; leastM: number; mostM: number } | null = null;
  let before = value(fromMs);
  if (before >= 0) open = { fromMs, leastM: before, mostM: before };
  for (let t = fromMs; t < toMs; t += STEP) {
    const next = Math.min(toMs, t + STEP);
    const here = value(next);
    if (before >= 0 !== here >= 0) {
      const edge = Math.round(rootBetween(value, t, next, before, here) / 1000) * 1000;
      if (here >= 0) open = { fromMs: edge, leastM: 0, mostM: here };
      else if (open) {
        windows.push({ ...open, toMs: edge, leastM: 0 });
        open = null;
      }
    } else if (open) open = { ...open, leastM: Math.min(open.leastM, here), mostM: Math.max(open.mostM, here) };
    before = here;
  }
  if (open) windows.push({ ...open, toMs });
  return windows;
}

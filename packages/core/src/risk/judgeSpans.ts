// A judgement through a span of time: what is said from when to when.
import type { Finding, Judgement, Level } from './judge';

/** One finding while it holds at one level. */
export interface RiskSpan {
  readonly quantity: Finding['quantity'];
  readonly level: Exclude<Level, 'within'>;
  readonly fromMs: number;
  readonly toMs: number;
  /** The finding at its worst. */
  readonly worst: Finding;
}

const LOW_IS_WORSE: readonly Finding['quantity'][] = ['visibility', 'cold', 'keel', 'darkness'];

/** The graver of two findings of one level and quantity: of depth, sight, light and cold the less. */
export function worse(a: Finding, b: Finding): Finding {
  if (a.value === null || b.value === null) return a;
  return (LOW_IS_WORSE.includes(a.quantity) ? b.value < a.value : b.value > a.value) ? b : a;
}

/** Key under which a finding is followed: its quantity, and for hazards what they are. */
export const findingKey = (f: Finding): string => (f.quantity === 'hazard' ? `hazard ${f.note}` : f.quantity);

/**
 * Spans in which something is over, near or not known, the gravest first, then by time.
 * @param times - Instants looked at, ascending; each speaks until the next, the last until `toMs`.
 */
export function riskSpans(times: readonly number[], toMs: number, at: (atMs: number) => Judgement): RiskSpan[] {
  const open = new Map<string, RiskSpan>();
  const done: RiskSpan[] = [];
  times.forEach((t, i) => {
    const until = times[i + 1] ?? toMs;
    const { findings } = at(t);
    for (const f of findings) {
      const key = findingKey(f);
      const before = open.get(key);
      if (before && before.level === f.level) open.set(key, { ...before, toMs: until, worst: worse(before.worst, f) });
      else {
        if (before) done.push(before);
        open.delete(key);
        if (f.level !== 'within') open.set(key, { quantity: f.quantity, level: f.level, fromMs: t, toMs: until, worst: f });
      }
    }
  });
  const order = { over: 0, near: 1, unknown: 2 };
  return [...done, ...open.values()].sort((a, b) => order[a.level] - order[b.level] || a.fromMs - b.fromMs);
}

/** Instants from one to another every so often, the first included. */
export function every(fromMs: number, toMs: number, stepMs: number): number[] {
  const out: number[] = [];
  for (let t = fromMs; t < toMs || out.length === 0; t += stepMs) out.push(t);
  return out;
}

// What speaks against being out, hour by hour, joined into spans.
import { type Against, againstGoing, type BoatLimits } from '../exposure/againstGoing';
import { MINUTE } from '../units/time';
import { sampleSeries } from '../weather/series';
import type { SpotConditions, SpotGround, WaterState } from './spotConditions';

/** One thing that speaks against it, and while when. */
export interface AgainstSpan {
  readonly kind: Against['kind'];
  readonly fromMs: number;
  readonly toMs: number;
  /** Worst figure in the span, SI, and its limit. */
  readonly worst: number;
  readonly limit: number;
}

const STEP = 30 * MINUTE;
const LOW_IS_WORSE: readonly Against['kind'][] = ['visibility', 'cold air', 'cold water', 'dark'];

/**
 * Spans of [fromMs, toMs] by kind, earliest first.
 * @param place - Where the boat is judged: the most open of the water it uses.
 * @param thunderAtMs - Instants of reports that spoke of thunder; each counts for an hour before and after.
 */
export function againstHours(
  water: WaterState,
  at: (spot: SpotGround, atMs: number) => SpotConditions,
  place: SpotGround,
  boat: BoatLimits,
  fromMs: number,
  toMs: number,
  thunderAtMs: readonly number[] = [],
): AgainstSpan[] {
  const open = new Map<Against['kind'], AgainstSpan>();
  const done: AgainstSpan[] = [];
  for (let t = fromMs; t <= toMs; t += STEP) {
    const c = at(place, t);
    const list = againstGoing(boat, {
      ...c,
      visibilityM: sampleSeries(water.visibilityM, t)?.value ?? null,
      dewPointC: sampleSeries(water.dewPointC, t)?.value ?? null,
      thunder: thunderAtMs.some((x) => Math.abs(x - t) <= 2 * STEP),
    });
    for (const a of list) {
      const before = open.get(a.kind);
      const worse = before && (LOW_IS_WORSE.includes(a.kind) ? Math.min(before.worst, a.value) : Math.max(before.worst, a.value));
      open.set(a.kind, { kind: a.kind, fromMs: before?.fromMs ?? t, toMs: t, worst: worse ?? a.value, limit: a.limit });
    }
    for (const [kind, span] of open) {
      if (list.some((a) => a.kind === kind)) continue;
      done.push(span);
      open.delete(kind);
    }
  }
  return [...done, ...open.values()].sort((a, b) => a.fromMs - b.fromMs);
}

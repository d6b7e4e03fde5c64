import type { ItineraryProblem, ItinerarySpot, LegBait, PinnedStay } from './problem';
import { f64, i16, nth, num, row } from '../units/indexed';

/** Marks a stay that is not allowed. */
export const IMPOSSIBLE = Number.NEGATIVE_INFINITY;

/** Added to a pinned stay so that every optimum holds it; far above any day's fish. */
export const PIN_BONUS = 10_000;

/** Best stay for every arrival and departure; waiting after arrival is absorbed. */
export interface StayValues {
  /** Value of arriving at spot s in step a and leaving in step d, or IMPOSSIBLE. */
  at(s: number, a: number, d: number): number;
  /** Step in which fishing starts in that best stay. */
  startOf(s: number, a: number, d: number): number;
  readonly table: Float64Array;
  readonly width: number;
}

/** Fish of fishing [start, depart) with the best presentations in turn, and which they are. */
export function bestStay(p: ItineraryProblem, spot: ItinerarySpot, start: number, depart: number): { expected: number; baits: LegBait[] } {
  const run = stayFrom(p, spot, start, depart, true);
  const last = depart - start;
  const baits: LegBait[] = [];
  const list = spot.baits ?? [];
  if (list.length > 0 && run.choice && run.previous) {
    // Walks back through the choices.
    let k = i16(run.best, last);
    let to = last;
    let t = last;
    while (t > 0 && k >= 0) {
      const from = i16(run.choice, k * (last + 1) + t);
      if (from === t - 1 && t - 1 > 0 && i16(run.previous, k * (last + 1) + t) === k) {
        t--;
        continue;
      }
      baits.unshift({ id: nth(list, k).id, fromStep: start + t - 1, toStep: start + to });
      const before = i16(run.previous, k * (last + 1) + t);
      t = from;
      to = t;
      k = before;
    }
  }
  return { expected: f64(run.value, last), baits };
}

/** Expected fish of fishing [start, depart): sum of rate dt exp(-fade * time since start), presentations at their best. */
export function expectedFish(p: ItineraryProblem, spot: ItinerarySpot, start: number, depart: number): number {
  return f64(stayFrom(p, spot, start, depart, false).value, depart - start);
}

function paused(p: ItineraryProblem, t: number): boolean {
  return p.pauses?.some(([from, to]) => t >= from && t < to) ?? false;
}

/**
 * Value of fishing from a start for every length up to a depart, presentations switched where that pays.
 * @param trace - Keeps the choices, for the presentations in turn.
 */
function stayFrom(p: ItineraryProblem, spot: ItinerarySpot, start: number, until: number, trace: boolean) {
  const dt = p.stepMin / 60;
  const length = until - start;
  const value = new Float64Array(length + 1);
  const best = new Int16Array(length + 1).fill(-1);
  const fade = Math.exp(-spot.fadePerHour * dt);
  const lists = spot.baits && spot.baits.length > 0 ? spot.baits.map((b) => b.ratePerHour) : [spot.ratePerHour];
  const n = lists.length;
  if (n === 1) {
    const rates = row(lists, 0);
    let f = dt;
    for (let t = 0; t < length; t++) {
      value[t + 1] = f64(value, t) + (paused(p, start + t) ? 0 : num(rates, start + t) * f);
      f *= fade;
    }
    if (!trace || !spot.baits?.length) return { value, best, choice: null, previous: null };
  }
  const away = p.switchSteps ?? 1;
  const width = length + 1;
  const f = new Float64Array(n * width).fill(IMPOSSIBLE);
  const choice = new Int16Array(n * width);
  const previous = new Int16Array(n * width).fill(-1);
  let now = dt;
  for (let t = 0; t < length; t++) {
    for (let k = 0; k < n; k++) {
      // Goes on with k, or changes to k after the steps that changing takes.
      let from = t === 0 ? 0 : f64(f, k * width + t);
      let by = t === 0 ? -1 : k;
      let at = t;
      const changed = t - away;
      if (changed > 0) {
        const q = i16(best, changed);
        if (q !== k && f64(value, changed) > from) [from, by, at] = [f64(value, changed), q, changed];
      }
      const gain = paused(p, start + t) ? 0 : num(row(lists, k), start + t) * now;
      f[k * width + t + 1] = from + gain;
      choice[k * width + t + 1] = at;
      previous[k * width + t + 1] = by;
    }
    let top = 0;
    for (let k = 1; k < n; k++) if (f64(f, k * width + t + 1) > f64(f, top * width + t + 1)) top = k;
    best[t + 1] = top;
    value[t + 1] = f64(f, top * width + t + 1);
    now *= fade;
  }
  return { value, best, choice, previous };
}

/** Tabulates the stays of a problem. A pinned spot has its pinned stays only, with PIN_BONUS. */
export function stayValues(p: ItineraryProblem, pins: readonly PinnedStay[]): StayValues {
  const width = p.steps + 1;
  const n = p.spots.length;
  const table = new Float64Array(n * width * width).fill(IMPOSSIBLE);
  const start = new Int16Array(n * width * width);
  const dt = p.stepMin / 60;
  const floor = p.leastRatePerHour ?? 0;
  p.spots.forEach((spot, s) => {
    const pin = pins.find((x) => x.spot === spot.id);
    const open = spot.open ?? [[0, p.steps] as const];
    const base = s * width * width;
    const shortest = spot.minStaySteps ?? p.minStaySteps;
    const longest = spot.maxStaySteps ?? p.steps;
    const fade = Math.exp(-spot.fadePerHour * dt);
    const top =
      floor > 0
        ? Array.from({ length: p.steps }, (_, t) =>
            Math.max(num(spot.ratePerHour, t), ...(spot.baits ?? []).map((b) => num(b.ratePerHour, t))),
          )
        : null;
    const blocked = new Uint8Array(p.steps);
    for (const [from, to] of spot.blocked ?? []) blocked.fill(1, Math.max(0, from), Math.max(0, Math.min(p.steps, to)));
    for (let a = p.steps; a >= 0; a--) {
      const row = base + a * width;
      if (a < p.steps) {
        for (let d = a + 1; d <= p.steps; d++) {
          table[row + d] = f64(table, row + width + d);
          start[row + d] = i16(start, row + width + d);
        }
      }
      const window = open.find(([from, to]) => a >= from && a < to);
      // Where another boat lies one comes later, and waits elsewhere.
      if (blocked[a] || !window || (pin?.startStep !== undefined && a !== pin.startStep)) continue;
      let until = Math.min(p.steps, window[1], a + longest);
      for (let t = a; t < until; t++) if (blocked[t]) until = t;
      if (top && pin?.departStep === undefined) {
        let f = 1;
        for (let t = a; t < until; t++) {
          if (!paused(p, t) && num(top, t) * f < floor) until = t;
          f *= fade;
        }
      }
      if (until - a < 1) continue;
      const { value } = stayFrom(p, spot, a, until, false);
      for (let d = a + 1; d <= until; d++) {
        const fits = pin?.departStep !== undefined ? d === pin.departStep : d - a >= shortest;
        const worth = f64(value, d - a) + (pin ? PIN_BONUS : 0);
        if (fits && worth > f64(table, row + d)) {
          table[row + d] = worth;
          start[row + d] = a;
        }
      }
    }
  });
  const index = (s: number, a: number, d: number) => (s * width + a) * width + d;
  return {
    at: (s, a, d) => f64(table, index(s, a, d)),
    startOf: (s, a, d) => i16(start, index(s, a, d)),
    table,
    width,
  };
}

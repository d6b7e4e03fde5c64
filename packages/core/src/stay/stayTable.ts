// Stay or move by dynamic programming over (fish caught n, minutes fished t). The rate on arrival is Gamma(a, b), fading by
// exp(-k t); what the next minutes bring is negative binomial given what has been caught so far (conjugate prior).
// Leaving is worth the best of what is left: the alternatives in any order, each at most once, runs counted.
import { effort, exposure } from './exposure';
import type { StayAlternative } from './stayOrMove';
import { f64, nth, num } from '../units/indexed';

/** Minutes of a step of the table. */
export const TABLE_STEP_MIN = 5;
const MOST_FISH = 40;
/** Alternatives that are planned with; more would change little. */
const MOST_ALTERNATIVES = 6;
const SHORTEST_MIN = 10;

export interface StayTable {
  readonly stepMin: number;
  /** For each step of minutes fished: the least fish so far with which staying is right; MOST_FISH + 1 is "move whatever". */
  readonly leastToStay: readonly number[];
  /** Where to go when leaving in that step; null is the dock. */
  readonly to: readonly (string | null)[];
  /** Fish expected from here on, with none caught yet. */
  readonly value: number;
}

/** Fish still to be had after leaving, by minutes left in steps, and where to go first. */
function leavingValues(alternatives: readonly StayAlternative[], steps: number): { value: Float64Array; to: (string | null)[] } {
  const best = [...alternatives]
    .map((x) => ({ x, worth: ((x.a / x.b) * effort(x.fadePerHour, 1)) / (1 + x.travelMin / 60) }))
    .sort((p, q) => q.worth - p.worth)
    .slice(0, MOST_ALTERNATIVES)
    .map((y) => y.x);
  const n = best.length;
  const width = steps + 1;
  const gains = best.map((x) =>
    Float64Array.from({ length: width }, (_, t) => (x.a / x.b) * effort(x.fadePerHour, (t * TABLE_STEP_MIN) / 60)),
  );
  const travel = best.map((x) => Math.ceil(x.travelMin / TABLE_STEP_MIN));
  const shortest = SHORTEST_MIN / TABLE_STEP_MIN;
  // By set of alternatives already used.
  const all = Array.from({ length: 1 << n }, () => new Float64Array(width));
  const to: (string | null)[] = new Array(width).fill(null);
  for (let used = (1 << n) - 2; used >= 0; used--) {
    const here = nth(all, used);
    for (let left = 0; left < width; left++) {
      let top = 0;
      let go: string | null = null;
      for (let j = 0; j < n; j++) {
        if (used & (1 << j)) continue;
        const most = left - num(travel, j);
        const after = nth(all, used | (1 << j));
        for (let t = shortest; t <= most; t++) {
          const value = f64(nth(gains, j), t) + f64(after, most - t);
          if (value > top) [top, go] = [value, best[j]?.id ?? null];
        }
      }
      here[left] = top;
      if (used === 0) to[left] = go;
    }
  }
  return { value: n === 0 ? new Float64Array(width) : nth(all, 0), to };
}

/**
 * Decides for every count and minute of a stay.
 * @param minutes - From arrival until lines up, >= 0. @param ahead - The spot's own hours, see exposure.
 */
export function stayTable(
  belief: { a: number; b: number },
  fadePerHour: number,
  minutes: number,
  alternatives: readonly StayAlternative[],
  ahead?: readonly number[],
): StayTable {
  if (!(belief.a > 0 && belief.b > 0)) throw new RangeError('belief: expected a and b above 0');
  const steps = Math.max(0, Math.floor(minutes / TABLE_STEP_MIN));
  const leave = leavingValues(alternatives, steps);
  const width = MOST_FISH + 2;
  let next = new Float64Array(width);
  const leastToStay = new Array<number>(steps + 1).fill(MOST_FISH + 1);
  const to: (string | null)[] = new Array(steps + 1).fill(null);
  for (let t = steps; t >= 0; t--) {
    const now = new Float64Array(width);
    const away = f64(leave.value, steps - t);
    const sofar = exposure(fadePerHour, t * TABLE_STEP_MIN, ahead);
    const more = exposure(fadePerHour, (t + 1) * TABLE_STEP_MIN, ahead) - sofar;
    to[t] = leave.to[steps - t] ?? null;
    let least = MOST_FISH + 1;
    for (let n = MOST_FISH; n >= 0; n--) {
      const shape = belief.a + n;
      const rate = belief.b + sofar;
      let stay = 0;
      if (t < steps) {
        // Negative binomial of what the next step brings.
        let p = (rate / (rate + more)) ** shape;
        let total = p;
        stay = p * f64(next, n);
        for (let k = 1; k < 12 && total < 1 - 1e-9; k++) {
          p *= ((shape + k - 1) / k) * (more / (rate + more));
          total += p;
          stay += p * (k + f64(next, Math.min(width - 1, n + k)));
        }
      }
      if (t < steps && stay >= away) least = n;
      now[n] = Math.max(stay, away);
    }
    now[MOST_FISH + 1] = f64(now, MOST_FISH);
    leastToStay[t] = least;
    next = now;
  }
  return { stepMin: TABLE_STEP_MIN, leastToStay, to, value: f64(next, 0) };
}

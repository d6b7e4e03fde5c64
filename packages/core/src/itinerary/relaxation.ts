// Lagrangian relaxation of "each spot at most once": backward recursion over (spot, step) with a price per spot.
import { IMPOSSIBLE, type StayValues } from './stayValues';
import { firstOf, type ItineraryProblem } from './problem';
import { waysOf } from './ways';
import { f64, i16, nth, num } from '../units/indexed';

/** A visit: arrive and depart step at spot index s. */
export interface Visit {
  readonly s: number;
  readonly arrive: number;
  readonly depart: number;
}

export interface Relaxed {
  /** Upper bound on the value of any itinerary. */
  readonly bound: number;
  /** Best priced value after departing spot s in step t: index s * width + t. */
  readonly afterDepart: Float64Array;
  /** The relaxed path; spots may repeat. */
  readonly path: readonly Visit[];
  readonly price: Float64Array;
}

/** Rent of lying at a spot, as sums over steps: index s * width + t holds the rent of steps before t. */
export interface Rent {
  readonly sums: Float64Array;
  /** Steps before the arrival that are paid as well. */
  readonly margin: number;
}

/** One backward pass with prices (>= 0, one per spot) and, for a fleet, a rent of each spot's steps. */
export function relax(p: ItineraryProblem, v: StayValues, price: Float64Array, rent?: Rent): Relaxed {
  const n = p.spots.length;
  const { width, table } = v;
  const last = p.steps;
  const ways = waysOf(p);
  const afterDepart = new Float64Array(n * width).fill(IMPOSSIBLE);
  // What is left after departing, less the rent up to then.
  const net = rent ? new Float64Array(n * width).fill(IMPOSSIBLE) : afterDepart;
  const atArrive = new Float64Array(n * width).fill(IMPOSSIBLE);
  const bestDepart = new Int16Array(n * width);
  const bestNext = new Int16Array(n * width).fill(-1);
  for (let t = last; t >= 0; t--) {
    // Arrivals first: a way of no steps reads them in the same step, and a stay always ends later.
    for (let s = 0; s < n; s++) {
      const row = (s * width + t) * width;
      let best = IMPOSSIBLE;
      let depart = 0;
      const after = s * width;
      for (let d = t + 1; d <= last; d++) {
        const x = f64(table, row + d) + f64(net, after + d);
        if (x > best) {
          best = x;
          depart = d;
        }
      }
      if (rent) best += f64(rent.sums, after + Math.max(0, t - rent.margin));
      atArrive[after + t] = best - f64(price, s);
      bestDepart[s * width + t] = depart;
    }
    for (let s = 0; s < n; s++) {
      const i = s * width + t;
      let best = ways.home(s, t) <= last ? 0 : IMPOSSIBLE;
      let next = -1;
      for (let q = 0; q < n; q++) {
        if (q === s) continue;
        const a = ways.arrive(s, q, t);
        if (a > last) continue;
        const x = f64(atArrive, q * width + a);
        if (x > best) {
          best = x;
          next = q;
        }
      }
      afterDepart[i] = best;
      if (rent) net[i] = best - f64(rent.sums, i);
      bestNext[i] = next;
    }
  }
  let value = 0;
  let first = -1;
  for (let s = 0; s < n; s++) {
    const a = ways.first(s);
    if (a > last) continue;
    const x = f64(atArrive, s * width + a);
    if (x > value) {
      value = x;
      first = s;
    }
  }
  const path: Visit[] = [];
  for (let s = first, t = first < 0 ? 0 : ways.first(first); s >= 0; ) {
    const depart = i16(bestDepart, s * width + t);
    path.push({ s, arrive: t, depart });
    const next = i16(bestNext, s * width + depart);
    if (next < 0) break;
    t = ways.arrive(s, next, depart);
    s = next;
  }
  let prices = 0;
  for (const x of price) prices += x;
  return { bound: value + prices, afterDepart, path, price };
}

/** True when visits keep the order asked for, the rest before second visits, and the fuel. */
export function keepsTerms(p: ItineraryProblem, visits: readonly Visit[]): boolean {
  const ways = waysOf(p);
  let run = 0;
  for (let k = 0; k < visits.length; k++) {
    const { s, arrive } = nth(visits, k);
    const from = visits[k - 1];
    run += from ? ways.run(from.s, s, from.depart) : ways.firstRun(s);
    const first = firstOf(p, s);
    if (first >= 0) {
      const before = visits.slice(0, k).find((x) => x.s === first);
      if (!before || arrive < before.depart + (p.spots[s]?.again?.restSteps ?? 0)) return false;
    }
  }
  const last = visits.at(-1);
  if (last) run += ways.homeRun(last.s, last.depart);
  if (run > (p.maxRunSteps ?? Number.POSITIVE_INFINITY)) return false;
  const asked = (p.order ?? []).map((id) => visits.findIndex((x) => p.spots[x.s]?.id === id)).filter((i) => i >= 0);
  return asked.every((at, i) => i === 0 || at > num(asked, i - 1));
}

/** Best times for visiting spots in a given order, or null when the order does not fit the day. */
export function timeOrder(p: ItineraryProblem, v: StayValues, order: readonly number[]): { value: number; visits: Visit[] } | null {
  const last = p.steps;
  const ways = waysOf(p);
  let layer = new Float64Array(last + 1).fill(IMPOSSIBLE);
  const from: Int16Array[] = [];
  const arrived: Int16Array[] = [];
  order.forEach((s, k) => {
    const next = new Float64Array(last + 1).fill(IMPOSSIBLE);
    const parent = new Int16Array(last + 1).fill(-1);
    const arrive = new Int16Array(last + 1);
    const extend = (a: number, value: number, departBefore: number) => {
      if (a > last) return;
      for (let d = a + 1; d <= last; d++) {
        const x = value + v.at(s, a, d);
        if (x > f64(next, d)) {
          next[d] = x;
          parent[d] = departBefore;
          arrive[d] = a;
        }
      }
    };
    if (k === 0) extend(ways.first(s), 0, -1);
    else {
      const before = num(order, k - 1);
      for (let t = 0; t <= last; t++) {
        if (f64(layer, t) > IMPOSSIBLE) extend(ways.arrive(before, s, t), f64(layer, t), t);
      }
    }
    layer = next;
    from.push(parent);
    arrived.push(arrive);
  });
  const end = order.at(-1);
  if (end === undefined) return { value: 0, visits: [] };
  let depart = -1;
  let value = IMPOSSIBLE;
  for (let t = 0; t <= last; t++) {
    if (f64(layer, t) > value && ways.home(end, t) <= last) {
      value = f64(layer, t);
      depart = t;
    }
  }
  if (depart < 0) return null;
  const visits: Visit[] = [];
  for (let k = order.length - 1; k >= 0; k--) {
    visits.unshift({ s: num(order, k), arrive: i16(nth(arrived, k), depart), depart });
    depart = i16(nth(from, k), depart);
  }
  return { value, visits };
}

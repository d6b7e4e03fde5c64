// Exact search: labels (spot, step of departure, visited set, value) extended forward in time, pruned by the bound of
// the relaxation and by dominance. With a beam width it keeps only the best few per step and proves nothing.
import { firstOf, type ItineraryProblem } from './problem';
import type { Relaxed, Visit } from './relaxation';
import { IMPOSSIBLE, type StayValues } from './stayValues';
import { waysOf } from './ways';
import { f64, num, row } from '../units/indexed';

/** A way through the day up to leaving a spot. */
export interface Label {
  readonly s: number;
  /** Spots visited, as bits: the first thirty, then the others. */
  readonly lo: number;
  readonly hi: number;
  readonly value: number;
  /** Sum of prices of the spots not visited. */
  readonly unvisitedPrice: number;
  /** Steps under way so far. */
  readonly run: number;
  readonly arrive: number;
  readonly depart: number;
  readonly parent: Label | null;
}

export interface SearchResult {
  readonly value: number;
  readonly visits: readonly Visit[];
  /** True when every label that could beat the result was looked at. */
  readonly complete: boolean;
  /** Labels that were gone on from. */
  readonly looked: number;
}

const EPSILON = 1e-9;
const BEAM_DEPTH = 6;

/**
 * @param incumbent - Value to beat. @param width - Labels kept per step; Infinity for the exact search.
 * @param stop - Asked now and then; true ends the search with what it has.
 */
export function searchLabels(
  p: ItineraryProblem,
  v: StayValues,
  relaxed: Relaxed,
  incumbent: number,
  { width = Number.POSITIVE_INFINITY, stop = () => false }: { width?: number; stop?: () => boolean } = {},
): SearchResult {
  const n = p.spots.length;
  const last = p.steps;
  const ways = waysOf(p);
  const buckets: Label[][] = Array.from({ length: last + 1 }, () => []);
  let best = incumbent;
  // biome-ignore lint/plugin: it is set in a function within, which the compiler does not follow.
  let bestLabel = null as Label | null;
  let prices = 0;
  for (const x of relaxed.price) prices += x;

  const mostRun = p.maxRunSteps ?? Number.POSITIVE_INFINITY;
  const first = p.spots.map((_, s) => firstOf(p, s));
  const twinned = first.filter((s) => s >= 0);
  // Spots that must have been visited before each spot.
  const before = p.spots.map((spot) => {
    const k = p.order?.indexOf(spot.id) ?? -1;
    return k > 0 ? p.spots.findIndex((x) => x.id === p.order?.[k - 1]) : -1;
  });

  const bit = (s: number) => (s < 30 ? { lo: 1 << s, hi: 0 } : { lo: 0, hi: 1 << (s - 30) });

  const has = (l: Label | null, s: number): boolean => {
    const m = bit(s);
    return l !== null && ((l.lo & m.lo) !== 0 || (l.hi & m.hi) !== 0);
  };

  function extend(from: Label | null, q: number, a: number, way: number): void {
    if (a > last || has(from, q)) return;
    const mark = bit(q);
    // The shortest way home that there is at any height of tide: the real one is asked when the boat turns for home.
    const home = num(p.dockTravelSteps, q);
    const run = (from?.run ?? 0) + way;
    if (run + home > mostRun) return;
    if (num(before, q) >= 0 && !has(from, num(before, q))) return;
    const original = num(first, q);
    if (original >= 0 && (!has(from, original) || a < departOf(from, original) + (p.spots[q]?.again?.restSteps ?? 0))) return;
    const value0 = from?.value ?? 0;
    const unvisitedPrice = (from?.unvisitedPrice ?? prices) - f64(relaxed.price, q);
    const row = (q * v.width + a) * v.width;
    for (let d = a + 1; d <= last; d++) {
      const stay = f64(v.table, row + d);
      if (stay === IMPOSSIBLE) continue;
      const value = value0 + stay;
      const limit = value + f64(relaxed.afterDepart, q * v.width + d) + unvisitedPrice;
      if (limit <= best + EPSILON) continue;
      const label: Label = {
        s: q,
        lo: (from?.lo ?? 0) | mark.lo,
        hi: (from?.hi ?? 0) | mark.hi,
        value,
        unvisitedPrice,
        run,
        arrive: a,
        depart: d,
        parent: from,
      };
      if (value > best + EPSILON && ways.home(q, d) <= last && run + ways.homeRun(q, d) <= mostRun) {
        best = value;
        bestLabel = label;
      }
      buckets[d]?.push(label);
    }
  }

  for (let s = 0; s < n; s++) extend(null, s, ways.first(s), ways.firstRun(s));
  let complete = width === Number.POSITIVE_INFINITY;
  let looked = 0;
  for (let t = 0; t <= last; t++) {
    const bucket = row(buckets, t);
    if (bucket.length === 0) continue;
    const after = (l: Label) => l.value + f64(relaxed.afterDepart, l.s * v.width + t) + l.unvisitedPrice;
    let open = bucket.filter((l) => after(l) > best + EPSILON);
    // A beam looks for dominance among the most promising only.
    if (open.length > width * BEAM_DEPTH) {
      open.sort((a, b) => after(b) - after(a));
      open = open.slice(0, width * BEAM_DEPTH);
    }
    let kept = undominated(open, { limited: mostRun < Number.POSITIVE_INFINITY, twinned }, stop);
    if (kept.length > width) {
      kept.sort((a, b) => after(b) - after(a));
      kept = kept.slice(0, width);
    }
    for (const label of kept) {
      if (looked++ % 256 === 0 && stop()) {
        complete = false;
        t = last;
        break;
      }
      for (let q = 0; q < n; q++) if (q !== label.s) extend(label, q, ways.arrive(label.s, q, t), ways.run(label.s, q, t));
    }
    buckets[t] = [];
  }
  const visits: Visit[] = [];
  for (let l: Label | null = bestLabel; l; l = l.parent) visits.unshift({ s: l.s, arrive: l.arrive, depart: l.depart });
  return { value: best, visits, complete, looked };
}

/** Step in which a label's way left a spot that it has visited. */
function departOf(label: Label | null, spot: number): number {
  for (let l = label; l; l = l.parent) if (l.s === spot) return l.depart;
  return -1;
}

/**
 * Of labels at the same spot, drops one that is worth no more than another that has visited no other spots, run no
 * farther, and left the first spots of second visits no later.
 * @param limited - Whether steps under way count. @param twinned - Indices of those first spots. @param stop - Asked now and then; true leaves all.
 */
export function undominated(
  labels: readonly Label[],
  { limited, twinned }: { limited: boolean; twinned: readonly number[] },
  stop: () => boolean,
): Label[] {
  const bySpot = new Map<number, Label[]>();
  for (const l of [...labels].sort((a, b) => b.value - a.value)) {
    const kept = bySpot.get(l.s) ?? [];
    if (kept.length % 64 === 63 && stop()) return [...labels];
    const beaten = kept.some(
      (k) =>
        (k.lo & ~l.lo) === 0 &&
        (k.hi & ~l.hi) === 0 &&
        (!limited || k.run <= l.run) &&
        twinned.every((s) => {
          const [mine, theirs] = [departOf(l, s), departOf(k, s)];
          return mine < 0 ? theirs < 0 : theirs >= 0 && theirs <= mine;
        }),
    );
    if (!beaten) kept.push(l);
    bySpot.set(l.s, kept);
  }
  return [...bySpot.values()].flat();
}

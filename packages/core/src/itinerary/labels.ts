// Exact search: labels (spot, step of departure, visited set, value) extended forward in time, pruned by the bound of
// the relaxation and by dominance. With a beam width it keeps only the best few per step and proves nothing.
import type { ItineraryProblem } from './problem';
import type { Relaxed, Visit } from './relaxation';
import { IMPOSSIBLE, type StayValues } from './stayValues';

interface Label {
  readonly s: number;
  readonly lo: number;
  readonly hi: number;
  readonly value: number;
  /** Sum of prices of the spots not visited. */
  readonly unvisitedPrice: number;
  readonly arrive: number;
  readonly depart: number;
  readonly parent: Label | null;
}

export interface SearchResult {
  readonly value: number;
  readonly visits: readonly Visit[];
  /** True when every label that could beat the result was looked at. */
  readonly complete: boolean;
}

const EPSILON = 1e-9;

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
  const buckets: Label[][] = Array.from({ length: last + 1 }, () => []);
  let best = incumbent;
  let bestLabel = null as Label | null;
  let prices = 0;
  for (const x of relaxed.price) prices += x;

  const bit = (s: number) => (s < 30 ? { lo: 1 << s, hi: 0 } : { lo: 0, hi: 1 << (s - 30) });

  function extend(from: Label | null, q: number, a: number): void {
    if (a > last) return;
    const mark = bit(q);
    if (from && ((from.lo & mark.lo) !== 0 || (from.hi & mark.hi) !== 0)) return;
    const value0 = from?.value ?? 0;
    const unvisitedPrice = (from?.unvisitedPrice ?? prices) - (relaxed.price[q] as number);
    const row = (q * v.width + a) * v.width;
    const home = p.dockTravelSteps[q] as number;
    for (let d = a + 1; d <= last; d++) {
      const stay = v.table[row + d] as number;
      if (stay === IMPOSSIBLE) continue;
      const value = value0 + stay;
      const limit = value + (relaxed.afterDepart[q * v.width + d] as number) + unvisitedPrice;
      if (limit <= best + EPSILON) continue;
      const label: Label = {
        s: q,
        lo: (from?.lo ?? 0) | mark.lo,
        hi: (from?.hi ?? 0) | mark.hi,
        value,
        unvisitedPrice,
        arrive: a,
        depart: d,
        parent: from,
      };
      if (value > best + EPSILON && d + home <= last) {
        best = value;
        bestLabel = label;
      }
      buckets[d]?.push(label);
    }
  }

  for (let s = 0; s < n; s++) extend(null, s, p.dockTravelSteps[s] as number);
  let complete = width === Number.POSITIVE_INFINITY;
  let looked = 0;
  for (let t = 0; t <= last; t++) {
    const bucket = buckets[t] as Label[];
    if (bucket.length === 0) continue;
    const after = (l: Label) => l.value + (relaxed.afterDepart[l.s * v.width + t] as number) + l.unvisitedPrice;
    let kept = undominated(
      bucket.filter((l) => after(l) > best + EPSILON),
      stop,
    );
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
      const travel = p.travelSteps[label.s] as readonly number[];
      for (let q = 0; q < n; q++) if (q !== label.s) extend(label, q, t + (travel[q] as number));
    }
    buckets[t] = [];
  }
  const visits: Visit[] = [];
  for (let l: Label | null = bestLabel; l; l = l.parent) visits.unshift({ s: l.s, arrive: l.arrive, depart: l.depart });
  return { value: best, visits, complete };
}

/** Of labels at the same spot, drops one that is worth no more than another that has visited no other spots. */
function undominated(labels: readonly Label[], stop: () => boolean): Label[] {
  const bySpot = new Map<number, Label[]>();
  for (const l of [...labels].sort((a, b) => b.value - a.value)) {
    const kept = bySpot.get(l.s) ?? [];
    if (kept.length % 64 === 63 && stop()) return [...labels];
    const beaten = kept.some((k) => (k.lo & ~l.lo) === 0 && (k.hi & ~l.hi) === 0);
    if (!beaten) kept.push(l);
    bySpot.set(l.s, kept);
  }
  return [...bySpot.values()].flat();
}

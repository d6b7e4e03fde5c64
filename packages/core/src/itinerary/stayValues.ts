import type { ItineraryProblem, ItinerarySpot, PinnedStay } from './problem';

/** Marks a stay that is not allowed. */
export const IMPOSSIBLE = Number.NEGATIVE_INFINITY;

/** Added to a pinned stay so that every optimum holds it; far above any day's fish. */
export const PIN_BONUS = 10_000;

/** Expected fish of fishing [start, depart): sum of rate dt exp(-fade * time since start). */
export function expectedFish(p: ItineraryProblem, spot: ItinerarySpot, start: number, depart: number): number {
  const dt = p.stepMin / 60;
  let sum = 0;
  for (let t = start; t < depart; t++) {
    sum += (spot.ratePerHour[t] as number) * dt * Math.exp(-spot.fadePerHour * (t - start) * dt);
  }
  return sum;
}

/** Best stay for every arrival and departure; waiting after arrival is absorbed. */
export interface StayValues {
  /** Value of arriving at spot s in step a and leaving in step d, or IMPOSSIBLE. */
  at(s: number, a: number, d: number): number;
  /** Step in which fishing starts in that best stay. */
  startOf(s: number, a: number, d: number): number;
  readonly table: Float64Array;
  readonly width: number;
}

/** Tabulates the stays of a problem. A pinned spot has its pinned stay only, with PIN_BONUS. */
export function stayValues(p: ItineraryProblem, pins: readonly PinnedStay[]): StayValues {
  const width = p.steps + 1;
  const n = p.spots.length;
  const table = new Float64Array(n * width * width).fill(IMPOSSIBLE);
  const start = new Int16Array(n * width * width);
  const dt = p.stepMin / 60;
  p.spots.forEach((spot, s) => {
    const pin = pins.find((x) => x.spot === spot.id);
    const open = spot.open ?? [[0, p.steps] as const];
    const base = s * width * width;
    for (let a = p.steps; a >= 0; a--) {
      const row = base + a * width;
      if (a < p.steps) {
        for (let d = a + 1; d <= p.steps; d++) {
          table[row + d] = table[row + width + d] as number;
          start[row + d] = start[row + width + d] as number;
        }
      }
      const window = open.find(([from, to]) => a >= from && a < to);
      if (!window) continue;
      let sum = 0;
      const until = Math.min(p.steps, window[1]);
      for (let d = a + 1; d <= until; d++) {
        sum += (spot.ratePerHour[d - 1] as number) * dt * Math.exp(-spot.fadePerHour * (d - 1 - a) * dt);
        const fits = pin ? a === pin.startStep && d === pin.departStep : d - a >= p.minStaySteps;
        const value = pin ? sum + PIN_BONUS : sum;
        if (fits && value > (table[row + d] as number)) {
          table[row + d] = value;
          start[row + d] = a;
        }
      }
    }
  });
  const index = (s: number, a: number, d: number) => (s * width + a) * width + d;
  return {
    at: (s, a, d) => table[index(s, a, d)] as number,
    startOf: (s, a, d) => start[index(s, a, d)] as number,
    table,
    width,
  };
}

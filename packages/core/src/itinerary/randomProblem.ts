import { seeded } from '../units/seeded';
import type { ItineraryProblem } from './problem';

/**
 * A made-up itinerary problem for checks and benchmarks: spots in the plane with smooth rates over the day.
 * Equal arguments give equal problems.
 */
export function randomProblem(
  seed: number,
  { spots = 12, steps = 78, stepMin = 5 }: { spots?: number; steps?: number; stepMin?: number } = {},
): ItineraryProblem {
  const random = seeded(seed);
  const xy = Array.from({ length: spots }, () => [random() * 40, random() * 40] as const);
  const way = (a: readonly [number, number], b: readonly [number, number]) =>
    Math.max(1, Math.round(Math.hypot(a[0] - b[0], a[1] - b[1]) / 6));
  const dock = [20, 0] as const;
  return {
    stepMin,
    steps,
    minStaySteps: 4,
    dockTravelSteps: xy.map((p) => way(dock, p)),
    travelSteps: xy.map((p) => xy.map((q) => (p === q ? 0 : way(p, q)))),
    spots: xy.map((_, i) => {
      const base = 0.3 + random() * 2;
      const phase = random() * 2 * Math.PI;
      const from = Math.floor(random() * steps * 0.4);
      const hours: [number, number][] = [[from, from + Math.floor(steps * 0.5)]];
      const open = random() < 0.3 ? { open: hours } : {};
      return {
        id: `s${i}`,
        ratePerHour: Array.from({ length: steps }, (_, t) => base * (1 + 0.8 * Math.sin(phase + (t / steps) * 6))),
        fadePerHour: 0.2 + random() * 0.8,
        ...open,
      };
    }),
  };
}

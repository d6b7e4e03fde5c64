import { randomProblem } from '../itinerary/randomProblem';
import type { FleetProblem } from './fleetProblem';

/** A made-up day of several boats on the same spots; equal arguments give equal days. Boats start half an hour apart. */
export function randomFleet(
  seed: number,
  { boats = 4, spots = 24, steps = 78 }: { boats?: number; spots?: number; steps?: number } = {},
): FleetProblem {
  const own = randomProblem(seed, { spots, steps: steps + 6 * (boats - 1) });
  return {
    marginSteps: 2,
    boats: Array.from({ length: boats }, (_, b) => {
      const from = b * 6;
      return {
        id: `boat ${b}`,
        startStep: from,
        problem: {
          ...own,
          steps,
          // Each captain is a little better at some spots.
          spots: own.spots.map((s, i) => {
            const skill = 0.85 + 0.3 * (((i * 7 + b * 13) % 10) / 10);
            const open = s.open
              ?.map(([x, y]) => [Math.max(0, x - from), Math.max(0, Math.min(steps, y - from))] as const)
              .filter(([x, y]) => y > x);
            return { ...s, ratePerHour: s.ratePerHour.slice(from, from + steps).map((r) => r * skill), ...(s.open ? { open } : {}) };
          }),
        },
      };
    }),
  };
}

// Ways that the sea shuts for part of the day.
import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import type { ItineraryProblem, ShutRanges } from './problem';
import { randomProblem } from './randomProblem';
import { testSeeds, testSpots } from './testSeeds';
import { scoreItinerary } from './scoreItinerary';
import { solveItinerary } from './solveItinerary';
import { expectedFish } from './stayValues';
import { waysOf } from './ways';
import { nth } from '../units/indexed';

/** Random shut hours on some of the ways of a problem. */
function withShutWays(p: ItineraryProblem, seed: number): ItineraryProblem {
  const random = seeded(seed);
  const ranges = (): ShutRanges => {
    if (random() < 0.5) return [];
    const from = Math.floor(random() * p.steps);
    return [[from, from + 3 + Math.floor(random() * 8)]];
  };
  const dock = p.spots.map(ranges);
  const between = p.spots.map((_, i) => p.spots.map((_, j) => (i === j ? [] : ranges())));
  return { ...p, shutWays: { dock, between } };
}

/** Sails every order of every subset minute by minute: leaves, waits while the way is shut, fishes any open stretch. */
function bySailing(p: ItineraryProblem): number {
  const { dock = [], between = [] } = p.shutWays ?? {};
  const free = (shut: ShutRanges | undefined, t: number, way: number) => {
    for (let k = t; k < t + Math.max(1, way); k++) if (shut?.some(([from, to]) => k >= from && k < to)) return false;
    return true;
  };
  let best = 0;
  const sail = (at: number, t: number, seen: readonly number[], value: number) => {
    for (let home = t; at >= 0 && home + nth(p.dockTravelSteps, at) <= p.steps; home++)
      if (free(dock[at], home, nth(p.dockTravelSteps, at))) best = Math.max(best, value);
    for (let q = 0; q < p.spots.length; q++) {
      if (seen.includes(q)) continue;
      const way = at < 0 ? nth(p.dockTravelSteps, q) : (p.travelSteps[at]?.[q] as number);
      let leave = t;
      while (leave <= p.steps && !free(at < 0 ? dock[q] : between[at]?.[q], leave, way)) leave++;
      const spot = nth(p.spots, q);
      for (const [from, to] of spot.open ?? [[0, p.steps] as const]) {
        for (let a = Math.max(from, leave + way); a < Math.min(to, p.steps); a++)
          for (let d = a + p.minStaySteps; d <= Math.min(to, p.steps); d++) sail(q, d, [...seen, q], value + expectedFish(p, spot, a, d));
      }
    }
  };
  sail(-1, 0, [], 0);
  return best;
}

describe('ways shut by the sea', () => {
  it('make the boat wait for the whole run to be open', () => {
    const p = randomProblem(1, { spots: 2, steps: 30 });
    const shut: ItineraryProblem = {
      ...p,
      dockTravelSteps: [4, 4],
      travelSteps: [
        [0, 3],
        [3, 0],
      ],
      shutWays: {
        dock: [[[0, 6]], []],
        between: [
          [[], [[10, 14]]],
          [[], []],
        ],
      },
    };
    const ways = waysOf(shut);
    // The run of four steps starts when the last shut step is over.
    expect([ways.first(0), ways.first(1)]).toEqual([10, 4]);
    // Leaving in step 7 is through by 10; from 8 on it would meet the shut steps.
    expect([7, 8, 10, 13, 14].map((t) => ways.arrive(0, 1, t))).toEqual([10, 17, 17, 17, 17]);
    expect(ways.home(0, 2)).toBe(10);
    expect(ways.home(1, 2)).toBe(6);
    // A way that stays shut to the end is never run.
    expect(waysOf({ ...shut, shutWays: { dock: [[[0, 31]], []], between: [] } }).first(0)).toBeGreaterThan(shut.steps);
  });

  it('give the plan that sailing every order step by step finds', () => {
    for (const seed of testSeeds(1, 12)) {
      const p = withShutWays(randomProblem(seed, { spots: 3, steps: 20 }), seed);
      const solved = solveItinerary(p);
      expect(solved.proved).toBe(true);
      expect(solved.value).toBeCloseTo(bySailing(p), 8);
    }
  });

  it('never make a day better, and their legs score the same by hand', () => {
    for (const seed of testSeeds(40, 12)) {
      const calm = randomProblem(seed, { spots: testSpots(12) });
      const p = withShutWays(calm, seed);
      const solved = solveItinerary(p);
      expect(solved.proved).toBe(true);
      expect(solved.value).toBeLessThanOrEqual(solveItinerary(calm).value + 1e-9);
      expect(scoreItinerary(p, solved.legs).value).toBeCloseTo(solved.value, 9);
    }
  });

  it('without any shut step change nothing', () => {
    const p = randomProblem(5);
    const none = { ...p, shutWays: { dock: p.spots.map(() => []), between: p.spots.map(() => p.spots.map(() => [])) } };
    expect(solveItinerary(none)).toEqual(solveItinerary(p));
  });

  it('are named when a leg or a pin needs one of them', () => {
    const p = randomProblem(2, { spots: 2, steps: 40 });
    const open = { ...p, dockTravelSteps: [2, 2], spots: p.spots.map(({ open: _, ...s }) => s) };
    const out = { ...open, shutWays: { dock: [[[0, 12]], []] as ShutRanges[], between: [] } };
    const leg = { spot: 's0', startStep: 3, departStep: 9 };
    expect(() => scoreItinerary(out, [leg])).toThrow(
      'legs: s0 starts in step 3, but the sea or the tide shuts the way there; the boat cannot be there before 14',
    );
    expect(() => solveItinerary(out, { pins: [leg] })).toThrow(
      'pins: the sea or the tide shuts the way to s0; the boat cannot be there before 14',
    );
    // A pin at any time waits for the way to open.
    const pinned = solveItinerary(out, { pins: [{ spot: 's0' }] });
    expect(pinned.legs.find((l) => l.spot === 's0')?.startStep).toBeGreaterThanOrEqual(14);
    const home = { ...open, shutWays: { dock: [[[20, 40]], []] as ShutRanges[], between: [] } };
    expect(() => scoreItinerary(home, [{ spot: 's0', startStep: 10, departStep: 25 }])).toThrow(
      'legs: the sea or the tide shuts the way home after s0',
    );
    const never = { ...open, shutWays: { dock: [[[0, 41]], []] as ShutRanges[], between: [] } };
    expect(() => scoreItinerary(never, [leg])).toThrow('shut by the sea or the tide');
  });
});

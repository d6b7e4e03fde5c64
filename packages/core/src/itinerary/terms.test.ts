// Terms beyond plain stays: presentations in turn, breaks, fuel, order, stays' lengths, second visits, patience.
import { describe, expect, it } from 'vitest';
import type { ItineraryProblem } from './problem';
import { randomProblem } from './randomProblem';
import { bruteForce } from './testBruteForce';
import { testSeeds, testSpots } from './testSeeds';
import { scoreItinerary } from './scoreItinerary';
import { solveItinerary } from './solveItinerary';
import { bestStay } from './stayValues';
import { nth } from '../units/indexed';

const small = (seed: number) => randomProblem(seed, { spots: testSpots(6), steps: 36 });
const one = (rates: number[][], more: Partial<ItineraryProblem> = {}): ItineraryProblem => ({
  stepMin: 15,
  steps: nth(rates, 0).length,
  minStaySteps: 1,
  dockTravelSteps: [0],
  travelSteps: [[0]],
  spots: [
    {
      id: 'pool',
      ratePerHour: nth(rates, 0),
      fadePerHour: 0.4,
      baits: rates.map((ratePerHour, i) => ({ id: `bait ${i}`, ratePerHour })),
    },
  ],
  ...more,
});

describe('presentations in turn', () => {
  const early = [4, 4, 4, 4, 1, 1, 1, 1];
  const late = [1, 1, 1, 1, 4, 4, 4, 4];

  it('equals trying every sequence of two baits with the step that changing takes', () => {
    const p = one([early, late]);
    const dt = 0.25;
    let best = 0;
    // Each step is fished with bait 0 or 1, or lost to a change, in every way there is.
    const go = (t: number, bait: number, value: number) => {
      best = Math.max(best, t === 8 ? value : 0);
      if (t === 8) return;
      const rates = nth([early, late], bait);
      go(t + 1, bait, value + nth(rates, t) * dt * Math.exp(-0.4 * t * dt));
      if (t > 0 && t + 1 < 8) {
        const other = 1 - bait;
        const next = nth(nth([early, late], other), t + 1);
        go(t + 2, other, value + next * dt * Math.exp(-0.4 * (t + 1) * dt));
      }
    };
    go(0, 0, 0);
    go(0, 1, 0);
    const stay = bestStay(p, nth(p.spots, 0), 0, 8);
    expect(stay.expected).toBeCloseTo(best, 9);
    expect(stay.baits.map((b) => b.id)).toEqual(['bait 0', 'bait 1']);
    expect(stay.baits[1]?.fromStep).toBe((stay.baits[0]?.toStep as number) + 1);
  });

  it('does not change when changing costs more than it wins', () => {
    const p = one([early, late], { switchSteps: 6 });
    expect(bestStay(p, nth(p.spots, 0), 0, 8).baits).toHaveLength(1);
  });

  it('is told with the legs and scored the same by hand', () => {
    const p = one([early, late]);
    const solved = solveItinerary(p);
    expect(solved.legs[0]?.baits?.length).toBeGreaterThan(1);
    expect(scoreItinerary(p, solved.legs).value).toBeCloseTo(solved.value, 9);
  });
});

describe('terms of a day', () => {
  it('keeps to the fuel: equals brute force when runs are limited', () => {
    for (const seed of testSeeds(1, 12)) {
      const p = { ...small(seed), maxRunSteps: 14 };
      const solved = solveItinerary(p);
      expect(solved.proved).toBe(true);
      expect(solved.value).toBeCloseTo(bruteForce(p), 8);
      const free = solveItinerary(small(seed));
      expect(solved.value).toBeLessThanOrEqual(free.value + 1e-9);
    }
  });

  it('counts the run home to the fuel', () => {
    const p = one([[1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1]], { dockTravelSteps: [3], maxRunSteps: 6 });
    const legs = [{ spot: 'pool', startStep: 3, departStep: 6 }];
    expect(scoreItinerary(p, legs).runSteps).toBe(6);
    expect(() => scoreItinerary({ ...p, maxRunSteps: 5 }, legs)).toThrow(
      /6 steps under way with the run home are more than the fuel allows, 5/,
    );
    expect(solveItinerary({ ...p, maxRunSteps: 5 }).legs).toEqual([]);
    expect(solveItinerary(p).legs).toHaveLength(1);
  });
  it('visits pinned spots in the order asked for: equals brute force', () => {
    for (const seed of testSeeds(1, 8)) {
      const p = { ...small(seed), order: ['s4', 's1'] };
      const pins = [{ spot: 's1' }, { spot: 's4' }];
      const v = bruteForce(p, pins);
      if (v < 20_000) continue;
      const solved = solveItinerary(p, { pins });
      const at = (id: string) => solved.legs.findIndex((l) => l.spot === id);
      expect(at('s4')).toBeLessThan(at('s1'));
      expect(solved.value).toBeCloseTo(v - 20_000, 6);
      expect(solved.proved).toBe(true);
    }
  });

  it('refuses an order of spots that are not pinned, and names two pins that cannot both be kept', () => {
    expect(() => solveItinerary({ ...small(1), order: ['s1'] })).toThrow(/s1 must be pinned/);
    const p = small(2);
    const far = { ...p, travelSteps: p.travelSteps.map((row, i) => row.map((x, j) => (i === j ? 0 : Math.max(x, 40)))) };
    expect(() => solveItinerary(far, { pins: [{ spot: 's0' }, { spot: 's1' }] })).toThrow(/s0 and s1 cannot both be kept|does not fit/);
  });

  it('fishes nothing during a break, wherever the boat is', () => {
    const p = small(3);
    const paused = { ...p, pauses: [[10, 20]] as [number, number][] };
    const solved = solveItinerary(paused);
    expect(solved.value).toBeLessThan(solveItinerary(p).value);
    expect(solved.value).toBeCloseTo(bruteForce(paused), 8);
    const during = one([[4, 4, 4, 4, 4, 4, 4, 4]], { pauses: [[0, 8]] });
    expect(solveItinerary(during).value).toBe(0);
  });

  it("keeps each spot's shortest and longest stay", () => {
    const p = small(4);
    const most = { ...p, spots: p.spots.map((s) => ({ ...s, maxStaySteps: 6, minStaySteps: 5 })) };
    const solved = solveItinerary(most);
    for (const l of solved.legs) expect(l.departStep - l.startStep).toBeLessThanOrEqual(6);
    expect(solved.value).toBeCloseTo(bruteForce(most), 8);
    expect(() => solveItinerary({ ...p, spots: p.spots.map((s) => ({ ...s, maxStaySteps: 2, minStaySteps: 5 })) })).toThrow(
      /longer than its longest/,
    );
  });

  it('stays no longer than the party stands between fish', () => {
    const p = one([[6, 6, 6, 6, 6, 6, 6, 6]], { leastRatePerHour: 4 });
    const leg = solveItinerary(p).legs[0];
    // 6 exp(-0.4 t) falls below 4 after 1.01 hours: four steps and the fifth that begins before it.
    expect((leg?.departStep ?? 0) - (leg?.startStep ?? 0)).toBe(5);
    expect(solveItinerary({ ...p, leastRatePerHour: 7 }).legs).toEqual([]);
  });

  it('lies nowhere while another boat has the spot, not even waiting', () => {
    const p = small(5);
    const free = solveItinerary(p);
    const first = free.legs[0];
    if (!first) throw new Error('no leg');
    const taken = {
      ...p,
      spots: p.spots.map((s) =>
        s.id === first.spot ? { ...s, blocked: [[first.arriveStep, first.departStep]] as [number, number][] } : s,
      ),
    };
    const solved = solveItinerary(taken);
    expect(solved.value).toBeLessThan(free.value);
    for (const l of solved.legs.filter((x) => x.spot === first.spot))
      expect(l.departStep <= first.arriveStep || l.arriveStep >= first.departStep).toBe(true);
    expect(() => scoreItinerary(taken, free.legs)).toThrow(/another boat of ours/);
  });

  it('waits elsewhere until another boat has gone, and comes then', () => {
    const pool = { id: 'pool', ratePerHour: new Array<number>(20).fill(4), fadePerHour: 0, blocked: [[2, 9]] as [number, number][] };
    const p: ItineraryProblem = { stepMin: 15, steps: 20, minStaySteps: 4, dockTravelSteps: [1], travelSteps: [[0]], spots: [pool] };
    // From 9, when it is free, until the last step from which the dock is reached: 10 steps of a fish each.
    const solved = solveItinerary(p);
    expect(solved.legs).toEqual([expect.objectContaining({ arriveStep: 9, startStep: 9, departStep: 19 })]);
    expect(solved.value).toBeCloseTo(10, 9);
    expect(scoreItinerary(p, solved.legs)).toMatchObject({ value: solved.value, legs: [{ arriveStep: 9 }] });
    // Two boats one after the other: it comes when the later one has gone, and never fishes across either.
    const busy = {
      ...p,
      spots: [
        {
          ...pool,
          blocked: [
            [11, 13],
            [2, 6],
          ] as [number, number][],
        },
      ],
    };
    expect(solveItinerary(busy).legs).toEqual([expect.objectContaining({ arriveStep: 13, startStep: 13, departStep: 19 })]);
    expect(() => scoreItinerary(busy, [{ spot: 'pool', startStep: 7, departStep: 12 }])).toThrow(
      /another boat of ours has pool from step 11/,
    );
  });

  it('comes back to a spot only after its rest', () => {
    const pool = { id: 'pool', ratePerHour: new Array<number>(32).fill(4), fadePerHour: 1.2 };
    const p: ItineraryProblem = {
      stepMin: 15,
      steps: 32,
      minStaySteps: 2,
      dockTravelSteps: [1, 1, 1],
      travelSteps: [
        [0, 1, 0],
        [1, 0, 1],
        [0, 1, 0],
      ],
      spots: [
        pool,
        { id: 'bank', ratePerHour: new Array<number>(32).fill(3), fadePerHour: 1 },
        { ...pool, id: 'pool again', ratePerHour: pool.ratePerHour.map((r) => r * 0.75), again: { spot: 'pool', restSteps: 8 } },
      ],
    };
    const solved = solveItinerary(p);
    const at = (id: string) => solved.legs.find((l) => l.spot === id);
    expect(solved.proved).toBe(true);
    expect(at('pool again')?.arriveStep).toBeGreaterThanOrEqual((at('pool')?.departStep ?? 99) + 8);
    expect(scoreItinerary(p, solved.legs).value).toBeCloseTo(solved.value, 9);
    const without = solveItinerary({
      ...p,
      spots: p.spots.slice(0, 2),
      dockTravelSteps: [1, 1],
      travelSteps: [
        [0, 1],
        [1, 0],
      ],
    });
    expect(solved.value).toBeGreaterThan(without.value);
  });
});

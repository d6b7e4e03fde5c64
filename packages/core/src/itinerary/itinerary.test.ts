import { describe, expect, it } from 'vitest';
import type { ItineraryProblem } from './problem';
import { randomProblem } from './randomProblem';
import { bruteForce } from './testBruteForce';
import { testSeeds, testSpots } from './testSeeds';
import { scoreItinerary } from './scoreItinerary';
import { solveItinerary } from './solveItinerary';

describe('itinerary', () => {
  it('equals brute force on 30 random problems of 6 spots', () => {
    for (const seed of testSeeds(1, 30)) {
      const p = randomProblem(seed, { spots: testSpots(6), steps: 36 });
      const solved = solveItinerary(p);
      expect(solved.proved).toBe(true);
      expect(solved.value).toBeCloseTo(bruteForce(p), 8);
    }
  });

  it('proves optimality on 20 random problems of 12 spots and its legs score the same by hand', () => {
    for (const seed of testSeeds(100, 20)) {
      const p = randomProblem(seed, { spots: testSpots(12) });
      const solved = solveItinerary(p);
      expect(solved.proved).toBe(true);
      expect(solved.bound - solved.value).toBe(0);
      expect(scoreItinerary(p, solved.legs).value).toBeCloseTo(solved.value, 9);
      solved.legs.forEach((leg) => {
        const open = p.spots.find((s) => s.id === leg.spot)?.open;
        if (open) expect(open.some(([a, b]) => leg.startStep >= a && leg.departStep <= b)).toBe(true);
      });
    }
  });

  it('allows a run of no steps between neighbouring spots', () => {
    const p = randomProblem(9, { spots: testSpots(6), steps: 36 });
    const close = { ...p, travelSteps: p.travelSteps.map((row) => row.map(() => 0)) };
    expect(solveItinerary(close).value).toBeCloseTo(bruteForce(close), 8);
  });

  it('does not depend on the order of the spots', () => {
    const p = randomProblem(7, { spots: testSpots(12) });
    const turned: ItineraryProblem = {
      ...p,
      spots: [...p.spots].reverse(),
      dockTravelSteps: [...p.dockTravelSteps].reverse(),
      travelSteps: [...p.travelSteps].reverse().map((row) => [...row].reverse()),
    };
    expect(solveItinerary(turned).value).toBeCloseTo(solveItinerary(p).value, 9);
  });

  it('keeps a pinned stay and loses no more than the pin costs', () => {
    const p = randomProblem(3);
    const free = solveItinerary(p);
    const pin = { spot: 's5', startStep: 30, departStep: 38 };
    const pinned = solveItinerary({ ...p, spots: p.spots.map(({ open: _, ...s }) => s) }, { pins: [pin] });
    expect(pinned.legs.find((l) => l.spot === 's5')).toMatchObject({ startStep: 30, departStep: 38 });
    expect(pinned.proved).toBe(true);
    expect(free.legs.length).toBeGreaterThan(0);
  });

  it('names two pins that contradict each other', () => {
    const p = randomProblem(3);
    const open = { ...p, spots: p.spots.map(({ open: _, ...s }) => s) };
    const pins = [
      { spot: 's5', startStep: 30, departStep: 38 },
      { spot: 's6', startStep: 34, departStep: 42 },
    ];
    expect(() => solveItinerary(open, { pins })).toThrow(/s5 until step 38 and s6 from step 34/);
  });

  it('stays home when nothing can be caught', () => {
    const p = randomProblem(5, { spots: testSpots(12) });
    const empty = { ...p, spots: p.spots.map((s) => ({ ...s, ratePerHour: s.ratePerHour.map(() => 0) })) };
    expect(solveItinerary(empty)).toMatchObject({ value: 0, proved: true });
  });

  it('returns the best so far with its bound when it is stopped', () => {
    const stopped = solveItinerary(randomProblem(11, { spots: testSpots(30) }), { stop: () => true });
    expect(stopped.proved).toBe(false);
    expect(stopped.bound).toBeGreaterThanOrEqual(stopped.value);
  });

  it('names the field of a malformed problem', () => {
    const p = randomProblem(1);
    expect(() => solveItinerary({ ...p, dockTravelSteps: [1] })).toThrow(/dockTravelSteps: expected 12/);
  });

  it('refuses a hand-made leg that the boat cannot reach', () => {
    const p = randomProblem(1);
    expect(() => scoreItinerary(p, [{ spot: 's0', startStep: 0, departStep: 9 }])).toThrow(/cannot be there before/);
  });
});

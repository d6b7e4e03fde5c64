import { describe, expect, it } from 'vitest';
import { scoreItinerary } from '../itinerary/scoreItinerary';
import { solveItinerary } from '../itinerary/solveItinerary';
import type { ItineraryProblem } from '../itinerary/problem';
import { type FleetProblem, meetings } from './fleetProblem';
import { randomFleet } from './randomFleet';
import { solveFleet } from './solveFleet';
import { nth } from '../units/indexed';

const QUICK = { rounds: 60, tries: 20 };

/** Two boats on tiny problems: every pair of single stays. */
function bruteForceTwo(fleet: FleetProblem): number {
  const plans = fleet.boats.map(({ problem: p }) => {
    const list: { value: number; spot: string; arrive: number; depart: number }[] = [{ value: 0, spot: '', arrive: 0, depart: 0 }];
    p.spots.forEach((s, i) => {
      const home = nth(p.dockTravelSteps, i);
      for (let a = home; a < p.steps; a++)
        for (let d = a + p.minStaySteps; d + home <= p.steps; d++) {
          let value = 0;
          for (let t = a; t < d; t++)
            value += (nth(s.ratePerHour, t) * p.stepMin * Math.exp((-s.fadePerHour * (t - a) * p.stepMin) / 60)) / 60;
          list.push({ value, spot: s.id, arrive: a, depart: d });
        }
    });
    return list;
  });
  let best = 0;
  for (const x of plans[0] ?? [])
    for (const y of plans[1] ?? []) {
      const off = (fleet.boats[1]?.startStep ?? 0) - (fleet.boats[0]?.startStep ?? 0);
      const meet =
        x.spot === y.spot &&
        x.spot !== '' &&
        x.arrive < y.depart + off + fleet.marginSteps &&
        y.arrive + off < x.depart + fleet.marginSteps;
      if (!meet) best = Math.max(best, x.value + y.value);
    }
  return best;
}

/** So far apart that a boat visits one spot only. */
function lonely(seed: number): FleetProblem {
  const rate = (k: number) => Array.from({ length: 12 }, (_, t) => 1 + ((seed * 7 + k * 5 + t * 3) % 11) / 4);
  const problem: ItineraryProblem = {
    stepMin: 15,
    steps: 12,
    minStaySteps: 3,
    dockTravelSteps: [1, 1],
    travelSteps: [
      [0, 12],
      [12, 0],
    ],
    spots: [
      { id: 'good', ratePerHour: rate(1).map((r) => r * 2), fadePerHour: 0.3 },
      { id: 'poor', ratePerHour: rate(2), fadePerHour: 0.3 },
    ],
  };
  return { marginSteps: 1, boats: [0, 2].map((startStep, b) => ({ id: `boat ${b}`, startStep, problem })) };
}

describe('fleet', () => {
  it('lets no two boats lie at a spot at once, with its margin, and its legs score the same by hand', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const fleet = randomFleet(seed, { boats: 3, spots: 10, steps: 48 });
      const plan = solveFleet(fleet, QUICK);
      expect(meetings(fleet, plan.boats)).toEqual([]);
      plan.boats.forEach((b, i) => {
        expect(scoreItinerary(fleet.boats[i]?.problem as ItineraryProblem, b.legs).value).toBeCloseTo(b.value, 8);
      });
      expect(plan.value).toBeCloseTo(
        plan.boats.reduce((s, b) => s + b.value, 0),
        9,
      );
      expect(plan.bound).toBeGreaterThanOrEqual(plan.value - 1e-9);
      // What is given up is never more than what each would have alone.
      for (const b of plan.boats) expect(b.value).toBeLessThanOrEqual(b.alone + 1e-6);
    }
  });

  it('sees two boats that meet, and boats that do not', () => {
    const fleet = lonely(1);
    const leg = (arriveStep: number, departStep: number) => ({ spot: 'good', arriveStep, startStep: arriveStep, departStep, expected: 1 });
    const plans = (from: number) => [
      { id: 'boat 0', legs: [leg(1, 5)] },
      { id: 'boat 1', legs: [leg(from, from + 3)] },
    ];
    expect(meetings(fleet, plans(1))).toMatchObject([{ spot: 'good', boats: ['boat 0', 'boat 1'] }]);
    expect(meetings(fleet, plans(3))).toHaveLength(1);
    expect(meetings(fleet, plans(4))).toEqual([]);
  });

  it('equals brute force on two boats with one stay each', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const fleet = lonely(seed);
      const plan = solveFleet(fleet, { rounds: 200, tries: 60 });
      expect(plan.value).toBeCloseTo(bruteForceTwo(fleet), 8);
    }
  });

  it('is one boat’s optimum when there is one boat', () => {
    const fleet = randomFleet(3, { boats: 1, spots: 10, steps: 48 });
    const plan = solveFleet(fleet, QUICK);
    const alone = solveItinerary(fleet.boats[0]?.problem as ItineraryProblem);
    expect(plan.value).toBeCloseTo(alone.value, 6);
  });

  it('is there at once and only gets better; a later one is never worse than the boats in turn', () => {
    const fleet = randomFleet(2, { boats: 4, spots: 12, steps: 48 });
    const seen: number[] = [];
    const plan = solveFleet(fleet, { ...QUICK, onBetter: (p) => seen.push(p.value) });
    expect(seen.length).toBeGreaterThan(1);
    expect([...seen].sort((a, b) => a - b)).toEqual(seen);
    expect(plan.value).toBe(seen.at(-1));
    const stopped = solveFleet(fleet, { stop: () => true });
    expect(stopped.boats).toHaveLength(4);
    expect(meetings(fleet, stopped.boats)).toEqual([]);
  });

  it('gives more to the boat that weighs more', () => {
    const fleet = lonely(2);
    const heavy = (w: [number, number]) =>
      solveFleet({ ...fleet, boats: fleet.boats.map((b, i) => ({ ...b, weight: nth(w, i) })) }, { rounds: 120, tries: 40 });
    expect(heavy([3, 1]).boats[0]?.value).toBeGreaterThanOrEqual(heavy([1, 3]).boats[0]?.value ?? 0);
    expect(heavy([1, 3]).boats[1]?.value).toBeGreaterThanOrEqual(heavy([3, 1]).boats[1]?.value ?? 0);
  });

  it('keeps pins, and says whose meet', () => {
    const fleet = lonely(1);
    const pin = { spot: 'good', startStep: 1, departStep: 6 };
    const kept = solveFleet({ ...fleet, boats: fleet.boats.map((b, i) => (i === 0 ? { ...b, pins: [pin] } : b)) });
    expect(kept.boats[0]?.legs).toMatchObject([{ startStep: 1, departStep: 6 }]);
    const both = { ...fleet, boats: fleet.boats.map((b) => ({ ...b, pins: [pin] })) };
    expect(() => solveFleet(both)).toThrow(/boat 0 and boat 1 cannot all be kept/);
  });

  it('is the same from the same seed', () => {
    const fleet = randomFleet(5, { boats: 3, spots: 10, steps: 48 });
    expect(JSON.stringify(solveFleet(fleet, QUICK))).toBe(JSON.stringify(solveFleet(fleet, QUICK)));
  });
});

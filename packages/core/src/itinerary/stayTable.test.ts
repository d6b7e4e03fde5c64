// Every stay of small spots against trying everything: each start, each order of baits, each step lost in changing over.
import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import type { ItineraryProblem, ItinerarySpot, PinnedStay } from './problem';
import { bestStay, expectedFish, IMPOSSIBLE, PIN_BONUS, stayValues } from './stayValues';
import { nth } from '../units/indexed';

const STEPS = 8;
const random = seeded(12);
const rates = (top = 4) => Array.from({ length: STEPS }, () => Math.round(random() * top * 4) / 4);
function problem(spot: Partial<ItinerarySpot>, more: Partial<ItineraryProblem> = {}): ItineraryProblem {
  const whole: ItinerarySpot = { id: 's', ratePerHour: rates(), fadePerHour: 0.7, ...spot };
  return { stepMin: 20, steps: STEPS, minStaySteps: 2, dockTravelSteps: [0], travelSteps: [[0]], spots: [whole], ...more };
}
const isPaused = (p: ItineraryProblem, t: number) => (p.pauses ?? []).some(([from, to]) => t >= from && t < to);

/** Most fish of fishing [start, depart): at every step another bait may be taken up, which costs its steps. */
function tried(p: ItineraryProblem, spot: ItinerarySpot, start: number, depart: number): number {
  const lists = spot.baits && spot.baits.length > 0 ? spot.baits.map((b) => b.ratePerHour) : [spot.ratePerHour];
  const away = p.switchSteps ?? 1;
  const gain = (k: number, t: number) =>
    isPaused(p, t) ? 0 : ((lists[k]?.[t] as number) * p.stepMin * Math.exp((-spot.fadePerHour * (t - start) * p.stepMin) / 60)) / 60;
  const on = (k: number, t: number): number => {
    if (t >= depart) return 0;
    const best = gain(k, t) + on(k, t + 1);
    // A change fishes nothing for its steps, and then at least one step with the other.
    const others = t > start && t + away < depart ? lists.map((_, q) => (q === k ? 0 : gain(q, t + away) + on(q, t + away + 1))) : [];
    return Math.max(best, ...others);
  };
  return depart <= start ? 0 : Math.max(...lists.map((_, k) => on(k, start)));
}

/** What arriving in a and leaving in d is worth: of every start that is allowed the best. */
function best(p: ItineraryProblem, a: number, d: number, pin?: PinnedStay): { worth: number; starts: number[] } {
  const spot = nth(p.spots, 0);
  const shortest = spot.minStaySteps ?? p.minStaySteps;
  const longest = spot.maxStaySteps ?? p.steps;
  const blocked = (t: number) => (spot.blocked ?? []).some(([from, to]) => t >= from && t < to);
  const top = (t: number) => Math.max(nth(spot.ratePerHour, t), ...(spot.baits ?? []).map((b) => nth(b.ratePerHour, t)));
  const worths = new Map<number, number>();
  for (let s = a; s < d; s++) {
    if (pin?.startStep !== undefined && s !== pin.startStep) continue;
    if (pin?.departStep !== undefined ? d !== pin.departStep : d - s < shortest) continue;
    if (d - s > longest) continue;
    const window = (spot.open ?? [[0, p.steps]]).find(([from, to]) => s >= from && s < to);
    if (!window || d > window[1]) continue;
    let fits = true;
    for (let t = s; t < d; t++) {
      if (blocked(t)) fits = false;
      const worn = top(t) * Math.exp((-spot.fadePerHour * (t - s) * p.stepMin) / 60);
      if (pin?.departStep === undefined && !isPaused(p, t) && worn < (p.leastRatePerHour ?? 0) - 1e-12) fits = false;
    }
    if (fits) worths.set(s, tried(p, spot, s, d) + (pin ? PIN_BONUS : 0));
  }
  const most = Math.max(IMPOSSIBLE, ...worths.values());
  return { worth: most, starts: [...worths].filter(([, w]) => w > most - 1e-9).map(([s]) => s) };
}

function check(p: ItineraryProblem, pins: PinnedStay[] = []) {
  const v = stayValues(p, pins);
  expect(v.width).toBe(STEPS + 1);
  let possible = 0;
  for (let a = 0; a <= STEPS; a++)
    for (let d = 0; d <= STEPS; d++) {
      const { worth, starts } = d > a ? best(p, a, d, pins[0]) : { worth: IMPOSSIBLE, starts: [] };
      if (worth === IMPOSSIBLE) expect(v.at(0, a, d), `${a} to ${d}`).toBe(IMPOSSIBLE);
      else {
        possible++;
        expect(v.at(0, a, d), `${a} to ${d}`).toBeCloseTo(worth, 9);
        expect(starts, `${a} to ${d}`).toContain(v.startOf(0, a, d));
      }
    }
  return possible;
}
const baits = (n: number, top?: number) => Array.from({ length: n }, (_, i) => ({ id: `b${i}`, ratePerHour: rates(top) }));

describe('the stays of a spot', () => {
  it('are worth what the best start gives, waiting on the spot until then', () => {
    for (let i = 0; i < 6; i++) expect(check(problem({}))).toBeGreaterThan(20);
    expect(check(problem({ fadePerHour: 0 }))).toBeGreaterThan(20);
  });
  it('lie in the hours in which it is open, and where no other boat of ours is', () => {
    check(
      problem({
        open: [
          [1, 4],
          [5, 8],
        ],
      }),
    );
    check(
      problem({
        open: [
          [0, 3],
          [3, 8],
        ],
      }),
    );
    check(
      problem({
        blocked: [
          [2, 3],
          [6, 20],
        ],
      }),
    );
    check(problem({ blocked: [[-5, 2]], open: [[0, 7]] }));
    check(problem({ blocked: [[0, 8]] }));
    check(problem({ open: [] }));
  });
  it('are neither shorter nor longer than they may be', () => {
    check(problem({ minStaySteps: 4 }));
    check(problem({ minStaySteps: 1, maxStaySteps: 1 }));
    check(problem({ maxStaySteps: 3 }));
    check(problem({}, { minStaySteps: 1 }));
    check(problem({}, { minStaySteps: 8 }));
  });
  it('end where fewer fish are to be expected than the party’s patience wants, but for a break', () => {
    for (const leastRatePerHour of [0.5, 1, 1.5, 2.5, 9]) check(problem({}, { leastRatePerHour }));
    check(problem({ baits: baits(2) }, { leastRatePerHour: 1.5 }));
    const dip = problem({ ratePerHour: [3, 3, 3, 0, 0, 3, 3, 3], fadePerHour: 0.1 }, { leastRatePerHour: 1, pauses: [[3, 5]] });
    expect(check(dip)).toBeGreaterThan(20);
    expect(stayValues(dip, []).at(0, 0, 8)).toBeGreaterThan(0);
    // The very rate that is wanted is enough.
    check(problem({ ratePerHour: new Array(STEPS).fill(1), fadePerHour: 0 }, { leastRatePerHour: 1 }));
  });
  it('catch nothing during a break', () => {
    check(problem({}, { pauses: [[2, 4]] }));
    check(
      problem(
        { baits: baits(2) },
        {
          pauses: [
            [0, 1],
            [5, 7],
          ],
        },
      ),
    );
    check(problem({}, { pauses: [] }));
  });
  it('change baits where that pays, and lose the steps that it takes', () => {
    for (let i = 0; i < 5; i++) check(problem({ baits: baits(2 + (i % 2), 6) }));
    for (const switchSteps of [1, 2, 3]) check(problem({ baits: baits(3, 6) }, { switchSteps }));
    check(problem({ baits: baits(1) }));
    check(problem({ baits: [] }));
  });
  it('of a pinned spot are those of its pin, which every plan is to hold', () => {
    check(problem({}), [{ spot: 's', startStep: 2, departStep: 5 }]);
    check(problem({}), [{ spot: 's', startStep: 3 }]);
    check(problem({}), [{ spot: 's', departStep: 6 }]);
    check(problem({}), [{ spot: 's' }]);
    check(problem({}, { leastRatePerHour: 2 }), [{ spot: 's', departStep: 6 }]);
    check(problem({}, { leastRatePerHour: 2 }), [{ spot: 's', startStep: 1 }]);
    // A pin that is shorter than a stay is kept all the same.
    check(problem({ minStaySteps: 5 }), [{ spot: 's', startStep: 2, departStep: 3 }]);
    expect(stayValues(problem({}), [{ spot: 'another' }]).at(0, 0, 8)).toBeLessThan(PIN_BONUS);
  });
});

describe('one stay', () => {
  it('tells its baits in turn, from when to when, and adds up to its fish', () => {
    for (let i = 0; i < 40; i++) {
      const p = problem(
        { baits: baits(2 + (i % 3), 8) },
        { switchSteps: 1 + (i % 2), ...(i % 5 === 0 ? { pauses: [[3, 4]] as const } : {}) },
      );
      const spot = nth(p.spots, 0);
      const [start, depart] = [i % 3, STEPS - (i % 2)];
      const { expected, baits: turns } = bestStay(p, spot, start, depart);
      expect(expected).toBeCloseTo(tried(p, spot, start, depart), 9);
      expect(expectedFish(p, spot, start, depart)).toBe(expected);
      expect([turns[0]?.fromStep, turns.at(-1)?.toStep]).toEqual([start, depart]);
      let sum = 0;
      turns.forEach((b, k) => {
        const next = turns[k + 1];
        expect(b.toStep).toBeGreaterThan(b.fromStep);
        if (next) {
          expect(next.id).not.toBe(b.id);
          expect(next.fromStep - b.toStep).toBe(p.switchSteps);
        }
        for (let t = b.fromStep; t < b.toStep; t++)
          if (!isPaused(p, t))
            sum +=
              ((spot.baits?.find((x) => x.id === b.id)?.ratePerHour[t] as number) *
                p.stepMin *
                Math.exp((-spot.fadePerHour * (t - start) * p.stepMin) / 60)) /
              60;
      });
      expect(sum).toBeCloseTo(expected, 9);
    }
  });
  it('with one bait is that one, with none nobody', () => {
    const one = problem({ baits: baits(1) });
    expect(bestStay(one, nth(one.spots, 0), 1, 5).baits).toEqual([{ id: 'b0', fromStep: 1, toStep: 5 }]);
    const none = problem({});
    expect(bestStay(none, nth(none.spots, 0), 1, 5).baits).toEqual([]);
    expect(bestStay(none, nth(none.spots, 0), 3, 3)).toEqual({ expected: 0, baits: [] });
  });
});

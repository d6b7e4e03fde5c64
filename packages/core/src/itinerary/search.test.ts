// The solver's parts by themselves, each against its plain definition: the exact search with bounds too loose to help it, the table of
// stays, presentations in turn, ways in time, terms and refusals.
import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { arrivalStep } from './arrivalStep';
import { searchLabels } from './labels';
import type { ItineraryProblem, ItinerarySpot, PinnedStay } from './problem';
import { randomProblem } from './randomProblem';
import { keepsTerms, relax, timeOrder } from './relaxation';
import { solveItinerary, solveStays } from './solveItinerary';
import { bestStay, IMPOSSIBLE, PIN_BONUS, stayValues } from './stayValues';
import { bruteForce } from './testBruteForce';
import { testSeeds } from './testSeeds';
import { waysOf } from './ways';
import { nth } from '../units/indexed';

const flat = (rate: number, steps: number) => new Array<number>(steps).fill(rate);

/** The exact search alone: no price has been tuned, and the beam before it keeps one label a step. */
function searched(p: ItineraryProblem, pins: readonly PinnedStay[] = []) {
  return solveStays(p, stayValues(p, pins), { pins, rounds: 0, beam: 1, price: new Float64Array(p.spots.length) });
}

describe('the exact search, with no bound to help it', () => {
  const small = (seed: number, spots = 5) => randomProblem(seed, { spots, steps: 30 });

  it('finds what trying every order finds', () => {
    for (const seed of testSeeds(1, 16)) {
      const found = searched(small(seed));
      expect(found.proved).toBe(true);
      expect(found.value).toBeCloseTo(bruteForce(small(seed)), 8);
    }
  });
  it('keeps to the fuel, to the very step', () => {
    for (const seed of testSeeds(1, 16)) {
      for (const maxRunSteps of [8, 10, 12, 14]) {
        const p = { ...small(seed), maxRunSteps };
        const found = searched(p);
        expect(found.value).toBeCloseTo(bruteForce(p), 8);
        expect(keepsTerms(p, found.visits)).toBe(true);
      }
    }
  });
  it('visits spots in the order asked for', () => {
    const pins = [{ spot: 's2' }, { spot: 's0' }, { spot: 's3' }];
    let kept = 0;
    for (const seed of testSeeds(1, 16)) {
      const p = { ...small(seed, 4), order: ['s3', 's0', 's2'], spots: small(seed, 4).spots.map(({ open: _, ...s }) => s) };
      const best = bruteForce(p, pins);
      if (best < 3 * PIN_BONUS) continue;
      kept++;
      const found = searched(p, pins);
      expect(found.value).toBeCloseTo(best, 6);
      const at = (id: string) => found.visits.findIndex((x) => p.spots[x.s]?.id === id);
      expect(at('s3')).toBeLessThan(at('s0'));
      expect(at('s0')).toBeLessThan(at('s2'));
    }
    expect(kept).toBeGreaterThan(0);
  });
  it('comes a second time only after the rest, whichever way it got there', () => {
    for (const seed of testSeeds(1, 16)) {
      const three = small(seed, 3);
      const again = (s: ItinerarySpot): ItinerarySpot => ({
        ...s,
        id: `${s.id} again`,
        ratePerHour: s.ratePerHour.map((r) => r * 0.8),
        again: { spot: s.id, restSteps: 5 },
      });
      const [a, b, c] = three.spots as [ItinerarySpot, ItinerarySpot, ItinerarySpot];
      const rows = [0, 1, 2, 0, 1];
      const p: ItineraryProblem = {
        ...three,
        spots: [a, b, c, again(a), again(b)],
        dockTravelSteps: rows.map((i) => nth(three.dockTravelSteps, i)),
        travelSteps: rows.map((i) => rows.map((j) => three.travelSteps[i]?.[j] as number)),
        maxRunSteps: 20,
      };
      const found = searched(p);
      expect(found.value).toBeCloseTo(bruteForce(p), 8);
      expect(keepsTerms(p, found.visits)).toBe(true);
    }
  });
  it('knows spots beyond the thirtieth from those before it', () => {
    const few = randomProblem(4, { spots: 4, steps: 26 });
    const idle = Array.from({ length: 29 }, (_, i) => ({ id: `idle ${i}`, ratePerHour: flat(0, 26), fadePerHour: 0 }));
    // Two of the four stand before the idle ones, two behind: at 0, 1, 31, 32.
    const at = [0, 1, ...idle.map(() => -1), 2, 3];
    const p: ItineraryProblem = {
      ...few,
      spots: at.map((i, k) => (i < 0 ? nth(idle, k - 2) : nth(few.spots, i))),
      dockTravelSteps: at.map((i) => (i < 0 ? 3 : nth(few.dockTravelSteps, i))),
      travelSteps: at.map((i) => at.map((j) => (i < 0 || j < 0 ? 3 : (few.travelSteps[i]?.[j] as number)))),
    };
    const found = solveItinerary(p);
    expect(found.value).toBeCloseTo(bruteForce(few), 8);
    expect(new Set(found.legs.map((l) => l.spot)).size).toBe(found.legs.length);
  });
  it('is stopped with what it has, and says that it looked at not everything', () => {
    const p = small(2);
    const v = stayValues(p, []);
    const loose = relax(p, v, new Float64Array(5));
    const stopped = searchLabels(p, v, loose, 0, { stop: () => true });
    expect(stopped.complete).toBe(false);
    const whole = searchLabels(p, v, loose, 0);
    expect(whole.complete).toBe(true);
    expect(whole.value).toBeGreaterThanOrEqual(stopped.value);
    // What is as good already is not found again, and what is better is told with no visits.
    expect(searchLabels(p, v, loose, whole.value)).toMatchObject({ value: whole.value, visits: [], complete: true });
    // A beam proves nothing and never finds more.
    const beam = searchLabels(p, v, loose, 0, { width: 2 });
    expect(beam.complete).toBe(false);
    expect(beam.value).toBeLessThanOrEqual(whole.value + 1e-9);
    expect(beam.value).toBeGreaterThan(0);
  });
  it('ends with the beam where no proof is wanted, and its bound holds all the same', () => {
    for (const seed of testSeeds(20, 16)) {
      const p = small(seed);
      const best = bruteForce(p);
      const quick = solveStays(p, stayValues(p, []), { exact: false, rounds: 2 });
      expect(quick.value).toBeLessThanOrEqual(best + 1e-9);
      expect(quick.bound).toBeGreaterThanOrEqual(best - 1e-9);
      if (quick.proved) expect(quick.value).toBeCloseTo(best, 8);
    }
  });
});

describe('the relaxed day', () => {
  it('is worth at least the best day, at whatever prices', () => {
    for (const seed of testSeeds(1, 16)) {
      const p = randomProblem(seed, { spots: 5, steps: 30 });
      const v = stayValues(p, []);
      const best = bruteForce(p);
      const random = seeded(seed);
      for (let k = 0; k < 4; k++) {
        const price = Float64Array.from(p.spots, () => (k === 0 ? 0 : random() * 2));
        const r = relax(p, v, price);
        expect(r.bound).toBeGreaterThanOrEqual(best - 1e-9);
        // Its own path adds up to it: the stays less the prices paid, and all prices.
        const paid = r.path.reduce((sum, x) => sum + v.at(x.s, x.arrive, x.depart) - nth(price, x.s), 0);
        expect(paid + price.reduce((a, b) => a + b, 0)).toBeCloseTo(r.bound, 8);
        const ways = waysOf(p);
        for (const [i, x] of r.path.entries()) {
          const before = r.path[i - 1];
          expect(x.arrive).toBe(before ? ways.arrive(before.s, x.s, before.depart) : ways.first(x.s));
        }
      }
    }
  });
  it('pays rent for every step that it lies there, and for those before it comes', () => {
    const p: ItineraryProblem = {
      stepMin: 60,
      steps: 10,
      minStaySteps: 2,
      dockTravelSteps: [1],
      travelSteps: [[0]],
      spots: [{ id: 'pool', ratePerHour: flat(4, 10), fadePerHour: 0 }],
    };
    const v = stayValues(p, []);
    const free = relax(p, v, new Float64Array(1));
    expect(free.bound).toBeCloseTo(8 * 4, 9);
    // Rent of a fish a step: sums of the steps before each.
    const sums = Float64Array.from({ length: v.width }, (_, t) => t);
    expect(relax(p, v, new Float64Array(1), { sums, margin: 0 }).bound).toBeCloseTo(8 * 3, 9);
    expect(relax(p, v, new Float64Array(1), { sums, margin: 1 }).bound).toBeCloseTo(8 * 3 - 1, 9);
    expect(relax(p, v, new Float64Array(1), { sums: new Float64Array(v.width), margin: 2 }).bound).toBeCloseTo(32, 9);
    // Too dear: it stays at home.
    const dear = relax(p, v, Float64Array.of(50));
    expect([dear.bound, dear.path]).toEqual([50, []]);
  });
});

describe('terms of visits', () => {
  const p: ItineraryProblem = {
    stepMin: 15,
    steps: 40,
    minStaySteps: 1,
    dockTravelSteps: [2, 3, 2],
    travelSteps: [
      [0, 4, 0],
      [4, 0, 4],
      [0, 4, 0],
    ],
    spots: [
      { id: 'pool', ratePerHour: flat(2, 40), fadePerHour: 0 },
      { id: 'bank', ratePerHour: flat(2, 40), fadePerHour: 0 },
      { id: 'pool again', ratePerHour: flat(2, 40), fadePerHour: 0, again: { spot: 'pool', restSteps: 6 } },
    ],
  };
  const visit = (s: number, arrive: number, depart: number) => ({ s, arrive, depart });

  it('are the rest before a second visit, the order asked for, and the fuel with the run home', () => {
    const twice = [visit(0, 2, 5), visit(2, 11, 15)];
    expect(keepsTerms(p, twice)).toBe(true);
    expect(keepsTerms(p, [visit(0, 2, 5), visit(2, 10, 15)])).toBe(false);
    expect(keepsTerms(p, [visit(2, 2, 5)])).toBe(false);
    expect(keepsTerms(p, [visit(2, 20, 25), visit(0, 2, 5)])).toBe(false);
    const both = [visit(1, 3, 6), visit(0, 10, 14)];
    // 3 out, 4 across, 2 home.
    expect(keepsTerms({ ...p, maxRunSteps: 9 }, both)).toBe(true);
    expect(keepsTerms({ ...p, maxRunSteps: 8 }, both)).toBe(false);
    expect(keepsTerms({ ...p, order: ['bank', 'pool'] }, both)).toBe(true);
    expect(keepsTerms({ ...p, order: ['pool', 'bank'] }, both)).toBe(false);
    // One of them alone is out of no order.
    expect(keepsTerms({ ...p, order: ['pool', 'bank'] }, [visit(1, 3, 6)])).toBe(true);
    expect(keepsTerms({ ...p, order: ['pool again', 'pool', 'bank'] }, both)).toBe(false);
    expect(keepsTerms(p, [])).toBe(true);
  });
  it('leave an order without a day where its runs take too long, and none for no order', () => {
    const v = stayValues(p, []);
    expect(timeOrder(p, v, [])).toEqual({ value: 0, visits: [] });
    const far = { ...p, dockTravelSteps: [2, 39, 2] };
    expect(timeOrder(far, stayValues(far, []), [1])).toBeNull();
    // To the last step from which the dock is reached: 2 to 38.
    expect(timeOrder(p, v, [0])).toEqual({ value: 18, visits: [visit(0, 2, 38)] });
  });
});

/** A stay's worth by its definition: the best start in an open stretch, no other boat there, within its lengths and the party's patience. */
function plainStay(p: ItineraryProblem, spot: ItinerarySpot, a: number, d: number): number {
  const dt = p.stepMin / 60;
  const idle = (t: number) => p.pauses?.some(([from, to]) => from <= t && t < to) ?? false;
  const lists = spot.baits?.length ? spot.baits.map((b) => b.ratePerHour) : [spot.ratePerHour];
  const top = (t: number) => Math.max(nth(spot.ratePerHour, t), ...lists.map((l) => nth(l, t)));
  let best = IMPOSSIBLE;
  for (let start = a; start < d; start++) {
    const length = d - start;
    if (length < (spot.minStaySteps ?? p.minStaySteps) || length > (spot.maxStaySteps ?? p.steps)) continue;
    // A stay lies inside the first stretch that holds its start.
    const stretch = (spot.open ?? [[0, p.steps] as const]).find(([from, to]) => from <= start && start < to);
    if (!stretch || d > stretch[1]) continue;
    const steps = Array.from({ length }, (_, k) => start + k);
    if (steps.some((t) => spot.blocked?.some(([from, to]) => from <= t && t < to))) continue;
    const worth = (t: number) => Math.exp(-spot.fadePerHour * (t - start) * dt);
    // Patience ends the stay with the step in which the rate falls below the least.
    const out = p.leastRatePerHour ? steps.find((t) => !idle(t) && top(t) * worth(t) < (p.leastRatePerHour as number)) : undefined;
    if (out !== undefined && d > out) continue;
    best = Math.max(best, bestStay(p, spot, start, d).expected);
  }
  return best;
}

describe('the table of stays', () => {
  it('holds for every arrival and departure what its definition gives', () => {
    for (const seed of testSeeds(1, 16)) {
      const random = seeded(seed);
      const steps = 14;
      const ranges = () =>
        Array.from({ length: Math.floor(random() * 3) }, (): [number, number] => {
          const from = Math.floor(random() * steps) - 2;
          return [from, from + 1 + Math.floor(random() * 5)];
        });
      const rates = () => Array.from({ length: steps }, () => random() * 6);
      const open = ranges().map(([from, to]): [number, number] => [Math.max(0, from), Math.min(steps, to + 4)]);
      const spot: ItinerarySpot = {
        id: 'pool',
        ratePerHour: rates(),
        fadePerHour: random(),
        blocked: ranges(),
        ...(seed % 2 ? { open } : {}),
        ...(seed % 3 === 0 ? { baits: [rates(), rates()].map((ratePerHour, i) => ({ id: `bait ${i}`, ratePerHour })) } : {}),
        ...(seed % 4 === 1 ? { minStaySteps: 3, maxStaySteps: 5 } : {}),
      };
      const p: ItineraryProblem = {
        stepMin: 20,
        steps,
        minStaySteps: 2,
        dockTravelSteps: [0],
        travelSteps: [[0]],
        spots: [spot],
        pauses: ranges(),
        ...(seed % 2 ? { leastRatePerHour: 2.5 } : {}),
      };
      const v = stayValues(p, []);
      for (let a = 0; a <= steps; a++)
        for (let d = 0; d <= steps; d++) {
          const plain = d > a ? plainStay(p, spot, a, d) : IMPOSSIBLE;
          if (plain === IMPOSSIBLE) expect(v.at(0, a, d), `${seed}: ${a} to ${d}`).toBe(IMPOSSIBLE);
          else {
            expect(v.at(0, a, d), `${seed}: ${a} to ${d}`).toBeCloseTo(plain, 9);
            expect(bestStay(p, spot, v.startOf(0, a, d), d).expected).toBeCloseTo(plain, 9);
          }
        }
    }
  });
  it('holds a pinned stay at its times only, above any other day, and pinned at any time all of them', () => {
    const p: ItineraryProblem = {
      stepMin: 30,
      steps: 12,
      minStaySteps: 2,
      dockTravelSteps: [1],
      travelSteps: [[0]],
      spots: [{ id: 'pool', ratePerHour: flat(2, 12), fadePerHour: 0 }],
      leastRatePerHour: 3,
    };
    const timed = stayValues(p, [{ spot: 'pool', startStep: 4, departStep: 7 }]);
    // Who pins a stay has said how long the party stands there.
    expect(timed.at(0, 4, 7)).toBeCloseTo(3 + PIN_BONUS, 9);
    expect(timed.at(0, 2, 7)).toBeCloseTo(3 + PIN_BONUS, 9);
    for (const [a, d] of [
      [5, 7],
      [4, 6],
      [4, 8],
    ] as const)
      expect(timed.at(0, a, d)).toBe(IMPOSSIBLE);
    const any = stayValues({ ...p, leastRatePerHour: 1 }, [{ spot: 'pool' }]);
    expect(any.at(0, 3, 9)).toBeCloseTo(6 + PIN_BONUS, 9);
    expect(stayValues(p, []).at(0, 3, 9)).toBe(IMPOSSIBLE);
  });
});

describe('presentations in turn', () => {
  it('cover the stay, lose the steps of each change, and add up to its worth', () => {
    for (const seed of testSeeds(1, 24)) {
      const random = seeded(seed);
      const steps = 12;
      const switchSteps = seed % 3;
      const baits = ['worm', 'shad', 'spoon'].map((id) => ({ id, ratePerHour: Array.from({ length: steps }, () => random() ** 3 * 9) }));
      const spot: ItinerarySpot = { id: 'pool', ratePerHour: flat(0, steps), fadePerHour: 0.3, baits };
      const p: ItineraryProblem = {
        stepMin: 30,
        steps,
        minStaySteps: 1,
        dockTravelSteps: [0],
        travelSteps: [[0]],
        spots: [spot],
        ...(switchSteps === 1 ? {} : { switchSteps }),
        pauses: [[5, 6]],
      };
      const [start, depart] = [1, 11];
      const stay = bestStay(p, spot, start, depart);
      expect(stay.baits[0]?.fromStep).toBe(start);
      expect(stay.baits.at(-1)?.toStep).toBe(depart);
      let sum = 0;
      for (const [i, b] of stay.baits.entries()) {
        const before = stay.baits[i - 1];
        if (before) {
          expect(b.fromStep - before.toStep).toBe(switchSteps);
          expect(b.id).not.toBe(before.id);
        }
        const list = baits.find((x) => x.id === b.id)?.ratePerHour as number[];
        for (let t = b.fromStep; t < b.toStep; t++) if (t !== 5) sum += nth(list, t) * 0.5 * Math.exp(-0.3 * 0.5 * (t - start));
      }
      expect(sum).toBeCloseTo(stay.expected, 9);
      // No sequence of two gives more.
      for (const one of baits)
        for (const two of baits)
          for (let change = start + 1; change + switchSteps < depart; change++) {
            let value = 0;
            for (let t = start; t < depart; t++) {
              const list = t < change ? one.ratePerHour : t >= change + switchSteps ? two.ratePerHour : null;
              if (list && t !== 5) value += nth(list, t) * 0.5 * Math.exp(-0.15 * (t - start));
            }
            if (one !== two) expect(value).toBeLessThanOrEqual(stay.expected + 1e-9);
          }
    }
  });
  it('are none where a spot has no choice, and one where it has one', () => {
    const spot = { id: 'pool', ratePerHour: flat(2, 8), fadePerHour: 0 };
    const p: ItineraryProblem = { stepMin: 60, steps: 8, minStaySteps: 1, dockTravelSteps: [0], travelSteps: [[0]], spots: [spot] };
    expect(bestStay(p, spot, 2, 5)).toEqual({ expected: 6, baits: [] });
    expect(bestStay(p, { ...spot, baits: [] }, 2, 5)).toEqual({ expected: 6, baits: [] });
    const one = { ...spot, baits: [{ id: 'worm', ratePerHour: flat(3, 8) }] };
    expect(bestStay(p, one, 2, 5)).toEqual({ expected: 9, baits: [{ id: 'worm', fromStep: 2, toStep: 5 }] });
  });
});

describe('ways in time', () => {
  it('arrive as early as leaving at once or after waiting can, by the height of tide at leaving', () => {
    for (const seed of testSeeds(1, 12)) {
      const random = seeded(seed);
      const [n, steps] = [2, 16];
      const whole = (most: number) => Math.floor(random() * most);
      const shut = () => Array.from({ length: whole(3) }, (): [number, number] => ((from) => [from, from + 1 + whole(4)])(whole(steps)));
      const sets = [0, 1].map(() => ({ dock: [whole(5), whole(20)], between: [0, 1].map(() => [whole(6), whole(6)]) }));
      const level = Array.from({ length: seed % 2 ? steps + 1 : 8 }, () => whole(2));
      const p: ItineraryProblem = {
        ...randomProblem(seed, { spots: n, steps }),
        shutWays: { dock: [shut(), shut()], between: [0, 1].map(() => [shut(), shut()]) },
        byStep: { level, dockTravelSteps: sets.map((s) => s.dock), travelSteps: sets.map((s) => s.between) },
      };
      const levelAt = (t: number) => nth(level, Math.min(t, level.length - 1));
      const plain = (ranges: readonly (readonly [number, number])[], wayAt: (t: number) => number, from: number) => {
        let best: { at: number; run: number } | null = null;
        for (let t = from; t <= steps; t++) {
          const way = wayAt(t);
          const meets = ranges.some(([a, b]) => a < t + Math.max(1, way) && b > t);
          if (!meets && way <= steps && (best === null || t + way < best.at)) best = { at: t + way, run: way };
        }
        return best;
      };
      const ways = waysOf(p);
      for (let s = 0; s < n; s++)
        for (let t = 0; t <= steps; t++) {
          const home = plain(p.shutWays?.dock[s] ?? [], (k) => sets[levelAt(k)]?.dock[s] as number, t);
          if (home) expect([ways.home(s, t), ways.homeRun(s, t)]).toEqual([home.at, home.run]);
          else expect(ways.home(s, t)).toBeGreaterThan(steps);
          if (t === 0 && home) expect([ways.first(s), ways.firstRun(s)]).toEqual([home.at, home.run]);
          for (let q = 0; q < n; q++) {
            const way = plain(p.shutWays?.between[s]?.[q] ?? [], (k) => sets[levelAt(k)]?.between[s]?.[q] as number, t);
            if (way) expect([ways.arrive(s, q, t), ways.run(s, q, t)]).toEqual([way.at, way.run]);
            else expect(ways.arrive(s, q, t)).toBeGreaterThan(steps);
          }
        }
      // Gone on with from the dock or from a spot, later in the day.
      const later = waysOf({ ...p, from: { spot: -1, step: 4 } });
      const out = plain(p.shutWays?.dock[1] ?? [], (k) => sets[levelAt(k)]?.dock[1] as number, 4);
      if (out) expect([later.first(1), later.firstRun(1)]).toEqual([out.at, out.run]);
      const here = waysOf({ ...p, from: { spot: 0, step: 5 } });
      expect([here.first(0), here.firstRun(0)]).toEqual([5, 0]);
      expect([here.first(1), here.firstRun(1)]).toEqual([ways.arrive(0, 1, 5), ways.run(0, 1, 5)]);
      expect(here.arrive(1, 0, 5)).toBeGreaterThan(steps);
      expect(here.arrive(0, 1, 5)).toBe(ways.arrive(0, 1, 5));
    }
  });
  it('are those of the dock where nothing changes with the hour, from there and later', () => {
    const p = randomProblem(1, { spots: 2, steps: 20 });
    const ways = waysOf({ ...p, from: { spot: -1, step: 3 } });
    expect([ways.first(1), ways.firstRun(1)]).toEqual([3 + nth(p.dockTravelSteps, 1), p.dockTravelSteps[1]]);
    expect(ways.arrive(0, 1, 7)).toBe(7 + (p.travelSteps[0]?.[1] as number));
  });
  it('wait elsewhere for boats of ours that lie there in between, and not for those that come later', () => {
    const blocked: [number, number][] = [
      [2, 6],
      [8, 10],
      [12, 15],
    ];
    expect(arrivalStep({ blocked }, 3, 11)).toBe(10);
    expect(arrivalStep({ blocked }, 3, 10)).toBe(10);
    expect(arrivalStep({ blocked }, 3, 9)).toBe(6);
    expect(arrivalStep({ blocked }, 10, 11)).toBe(10);
    expect(arrivalStep({}, 4, 9)).toBe(4);
  });
});

describe('pins', () => {
  const p: ItineraryProblem = {
    stepMin: 15,
    steps: 30,
    minStaySteps: 4,
    dockTravelSteps: [3, 3, 3],
    travelSteps: [
      [0, 5, 5],
      [5, 0, 5],
      [5, 5, 0],
    ],
    spots: ['ledge', 'bank', 'pool'].map((id) => ({ id, ratePerHour: flat(2, 30), fadePerHour: 0.5 })),
  };
  const pin = (spot: string, startStep?: number, departStep?: number): PinnedStay => ({
    spot,
    ...(startStep === undefined ? {} : { startStep }),
    ...(departStep === undefined ? {} : { departStep }),
  });
  const solve = (pins: PinnedStay[], more: Partial<ItineraryProblem> = {}) => solveItinerary({ ...p, ...more }, { pins });

  it('hold at the limits of the trip and are refused a step beyond', () => {
    expect(solve([pin('ledge', 3, 27)]).legs).toMatchObject([{ spot: 'ledge', startStep: 3, departStep: 27 }]);
    const refused = /pins: a stay at ledge from step \d+ to \d+ does not fit the trip; the run takes 3 steps and the trip has 30/;
    expect(() => solve([pin('ledge', 2, 10)])).toThrow(refused);
    expect(() => solve([pin('ledge', 20, 28)])).toThrow(refused);
    expect(() => solve([pin('ledge', 10, 10)])).toThrow(refused);
    expect(() => solve([pin('ledge', 12, 10)])).toThrow(refused);
    expect(() => solve([pin('shoal', 5, 9)])).toThrow('pins: spot shoal is not among the spots');
    expect(() => solve([pin('ledge')], { steps: 9, spots: p.spots.map((s) => ({ ...s, ratePerHour: flat(2, 9) })) })).toThrow(
      /ledge from step 3 to 7 does not fit/,
    );
  });
  it('lie inside one open stretch', () => {
    const spots = p.spots.map((s) => (s.id === 'ledge' ? { ...s, open: [[5, 10] as const, [14, 20] as const] } : s));
    expect(solve([pin('ledge', 5, 10)], { spots }).legs[0]).toMatchObject({ startStep: 5, departStep: 10 });
    expect(solve([pin('ledge', 14, 20)], { spots }).legs.some((l) => l.startStep === 14)).toBe(true);
    for (const [from, to] of [
      [4, 9],
      [5, 11],
      [8, 16],
      [11, 13],
    ] as const)
      expect(() => solve([pin('ledge', from, to)], { spots })).toThrow(
        `pins: ledge cannot be fished from step ${from} to ${to}; its way in is shut then`,
      );
  });
  it('that contradict each other are named with their times and the run, in the order of the day', () => {
    // Ten to fifteen is the run.
    expect(solve([pin('bank', 15, 19), pin('ledge', 4, 10)]).legs.map((l) => l.spot)).toEqual(expect.arrayContaining(['ledge', 'bank']));
    expect(() => solve([pin('bank', 14, 19), pin('ledge', 4, 10)])).toThrow(
      'pins: ledge until step 10 and bank from step 14 contradict each other; the run takes 5 steps',
    );
    expect(() => solve([pin('pool', 20, 24), pin('bank', 14, 19), pin('ledge', 4, 8)])).toThrow(
      'pins: bank until step 19 and pool from step 20 contradict each other',
    );
    // At any time, but no time is left for both.
    expect(() => solve([pin('pool', 3, 26), pin('bank')])).toThrow(
      'pins: bank and pool cannot both be kept on this trip; unpin one or give it more time',
    );
    const short = { steps: 21, spots: p.spots.map((s) => ({ ...s, ratePerHour: flat(2, 21) })) };
    expect(() => solve([pin('ledge'), pin('bank'), pin('pool')], short)).toThrow('pins: ledge, bank, pool cannot all be kept; unpin one');
    expect(() => solve([pin('ledge'), pin('bank'), pin('pool')], { ...short, order: ['pool', 'ledge', 'bank'] })).toThrow(
      'pins: ledge, bank, pool cannot all be kept in this order; unpin one',
    );
    expect(() => solve([pin('ledge')], { order: ['ledge', 'bank'] })).toThrow('order: bank must be pinned to be put in order');
  });
  it('leave a bound that is of the fish alone', () => {
    const stopped = solveItinerary(p, { pins: [pin('bank', 8, 12)], stop: () => true });
    expect(stopped.bound).toBeGreaterThanOrEqual(stopped.value);
    expect(stopped.bound).toBeLessThan(PIN_BONUS);
    const solved = solveItinerary(p, { pins: [pin('bank', 8, 12)] });
    expect(stopped.bound).toBeGreaterThanOrEqual(solved.value - 1e-9);
    expect(solved).toMatchObject({ proved: true, bound: solved.value });
  });
});

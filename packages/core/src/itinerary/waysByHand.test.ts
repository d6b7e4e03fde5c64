// When a boat is where, way by way: the same all day, by the step of leaving, shut for a while, and from where a trip stands.
import { describe, expect, it } from 'vitest';
import type { ItineraryProblem } from './problem';
import { waysOf } from './ways';

const spot = (id: string) => ({ id, ratePerHour: new Array(12).fill(1), fadePerHour: 0 });
const problem = (more: Partial<ItineraryProblem> = {}): ItineraryProblem => ({
  stepMin: 5,
  steps: 12,
  minStaySteps: 1,
  spots: [spot('a'), spot('b')],
  dockTravelSteps: [2, 4],
  travelSteps: [
    [0, 3],
    [5, 0],
  ],
  ...more,
});
const never = (t: number) => expect(t).toBeGreaterThan(12);

describe('ways that are the same all day', () => {
  const ways = waysOf(problem());
  it('take as long as they take', () => {
    expect([ways.first(0), ways.first(1)]).toEqual([2, 4]);
    expect([ways.arrive(0, 1, 3), ways.arrive(1, 0, 3)]).toEqual([6, 8]);
    expect([ways.home(0, 7), ways.home(1, 7)]).toEqual([9, 11]);
    expect([ways.run(0, 1, 3), ways.run(1, 0, 9), ways.firstRun(1), ways.homeRun(1, 5)]).toEqual([3, 5, 4, 4]);
  });
  it('are worked out once for a problem', () => {
    const p = problem();
    expect(waysOf(p)).toBe(waysOf(p));
  });
  it('go on from the dock or from a spot in the step in which the trip stands', () => {
    const dock = waysOf(problem({ from: { spot: -1, step: 3 } }));
    expect([dock.first(0), dock.first(1), dock.firstRun(1), dock.arrive(0, 1, 5)]).toEqual([5, 7, 4, 8]);
    const here = waysOf(problem({ from: { spot: 0, step: 3 } }));
    // It is there at once, runs on from there, and does not come back.
    expect([here.first(0), here.firstRun(0), here.first(1), here.firstRun(1)]).toEqual([3, 0, 6, 3]);
    never(here.arrive(1, 0, 4));
    expect([here.arrive(0, 1, 4), here.home(0, 4)]).toEqual([7, 6]);
    const other = waysOf(problem({ from: { spot: 1, step: 2 } }));
    expect([other.first(0), other.firstRun(0), other.first(1)]).toEqual([7, 5, 2]);
  });
});

describe('ways by the step of leaving', () => {
  // Slow for the first four steps, quick then.
  const byStep = {
    level: [0, 0, 0, 0, 1],
    dockTravelSteps: [
      [6, 6],
      [2, 4],
    ],
    travelSteps: [
      [
        [0, 9],
        [9, 0],
      ],
      [
        [0, 3],
        [5, 0],
      ],
    ],
  };
  const ways = waysOf(problem({ byStep }));
  it('are left later where that is sooner there', () => {
    // From step 0 six steps are as soon as two from step 4: it leaves at once.
    expect([ways.first(0), ways.firstRun(0)]).toEqual([6, 6]);
    expect([ways.home(0, 3), ways.homeRun(0, 3)]).toEqual([6, 2]);
    expect([ways.arrive(0, 1, 2), ways.run(0, 1, 2)]).toEqual([7, 3]);
    expect([ways.arrive(1, 0, 0), ways.run(1, 0, 0)]).toEqual([9, 9]);
    expect([ways.arrive(1, 0, 1), ways.run(1, 0, 1)]).toEqual([9, 5]);
  });
  it('stay as the last step that is told has them', () => {
    expect([ways.arrive(0, 1, 9), ways.home(1, 8), ways.homeRun(1, 8)]).toEqual([12, 12, 4]);
    never(ways.home(1, 9));
    expect(waysOf(problem({ byStep: { ...byStep, level: [] } })).first(0)).toBe(6);
  });
  it('are none where none is told, or they take longer than the trip', () => {
    const none = waysOf(problem({ byStep: { ...byStep, level: [0], dockTravelSteps: [[13, 4]] } }));
    never(none.first(0));
    expect(none.first(1)).toBe(4);
    const nan = waysOf(
      problem({
        byStep: {
          level: [0],
          dockTravelSteps: [[2, 4]],
          travelSteps: [
            [
              [0, Number.NaN],
              [5, 0],
            ],
          ],
        },
      }),
    );
    never(nan.arrive(0, 1, 0));
    expect(nan.run(0, 1, 0)).toBe(0);
    expect(waysOf(problem({ byStep: { ...byStep, level: [0], dockTravelSteps: [[12, 4]] } })).first(0)).toBe(12);
  });
  it('go on from where a trip stands, out of the dock by its step', () => {
    const from = waysOf(problem({ byStep, from: { spot: -1, step: 4 } }));
    expect([from.first(0), from.firstRun(0), from.first(1), from.firstRun(1)]).toEqual([6, 2, 8, 4]);
    const here = waysOf(problem({ byStep, from: { spot: 1, step: 1 } }));
    expect([here.first(0), here.firstRun(0), here.first(1), here.firstRun(1)]).toEqual([9, 5, 1, 0]);
  });
});

describe('ways that are shut for a while', () => {
  const shutWays = {
    dock: [[[1, 3]], []],
    between: [
      [
        [],
        [
          [4, 6],
          [8, 9],
        ],
      ],
      [[], []],
    ],
  } as ItineraryProblem['shutWays'];
  const ways = waysOf(problem({ shutWays }));
  it('are run before, or after it', () => {
    // Two steps from step 0 would meet it: it waits for step 3.
    expect([ways.first(0), ways.firstRun(0)]).toEqual([5, 2]);
    expect([ways.arrive(0, 1, 1), ways.arrive(0, 1, 2), ways.arrive(0, 1, 6), ways.arrive(0, 1, 9)]).toEqual([4, 12, 12, 12]);
    expect([ways.home(0, 0), ways.home(0, 3)]).toEqual([5, 5]);
    expect(ways.run(0, 1, 2)).toBe(3);
    expect(ways.arrive(1, 0, 2)).toBe(7);
  });
  it('of no length are shut in the step itself', () => {
    const p = problem({
      travelSteps: [
        [0, 0],
        [5, 0],
      ],
      shutWays: {
        dock: [[], []],
        between: [
          [[], [[4, 5]]],
          [[], []],
        ],
      },
    });
    expect([3, 4, 5].map((t) => waysOf(p).arrive(0, 1, t))).toEqual([3, 5, 5]);
  });
  it('that nothing is said of are open', () => {
    const bare = waysOf(problem({ shutWays: { dock: [], between: [] } }));
    expect([bare.first(0), bare.arrive(0, 1, 3), bare.home(1, 2)]).toEqual([2, 6, 6]);
  });
});

// Legs made by hand: each term holds at its limit and is refused one step beyond, by its name.
import { describe, expect, it } from 'vitest';
import { checkProblem, type ItineraryProblem } from './problem';
import { scoreItinerary } from './scoreItinerary';

const STEPS = 20;
const flat = (rate: number) => new Array<number>(STEPS).fill(rate);

/** Two spots, 2 and 3 steps from the dock, 4 apart; a step is a quarter of an hour. */
function day(more: Partial<ItineraryProblem> = {}, spot: object = {}): ItineraryProblem {
  return {
    stepMin: 15,
    steps: STEPS,
    minStaySteps: 2,
    dockTravelSteps: [2, 3],
    travelSteps: [
      [0, 4],
      [4, 0],
    ],
    spots: [
      { id: 'ledge', ratePerHour: flat(4), fadePerHour: 0, ...spot },
      { id: 'bank', ratePerHour: flat(2), fadePerHour: 0 },
    ],
    ...more,
  };
}
const leg = (spot: string, startStep: number, departStep: number) => ({ spot, startStep, departStep });
const score = (p: ItineraryProblem, ...legs: ReturnType<typeof leg>[]) => scoreItinerary(p, legs);

describe('legs made by hand', () => {
  it('are worth their hours at their rates, and count the steps under way with the run home', () => {
    const { value, runSteps, legs } = score(day(), leg('ledge', 2, 6), leg('bank', 10, 14));
    expect(value).toBeCloseTo(4 * 1 + 2 * 1, 12);
    expect(runSteps).toBe(2 + 4 + 3);
    expect(legs.map((l) => [l.spot, l.arriveStep, l.startStep, l.departStep])).toEqual([
      ['ledge', 2, 2, 6],
      ['bank', 10, 10, 14],
    ]);
  });

  it('are worth nothing when there are none', () => {
    expect(score(day())).toEqual({ value: 0, legs: [], runSteps: 0 });
  });

  it('begin no sooner than the boat can be there, from the dock and from the leg before', () => {
    expect(() => score(day(), leg('ledge', 1, 6))).toThrow(/ledge starts in step 1, but the boat cannot be there before 2/);
    expect(() => score(day(), leg('ledge', 2, 6), leg('bank', 9, 14))).toThrow(
      /bank starts in step 9, but the boat cannot be there before 10/,
    );
  });

  it('are at spots of the trip, each once', () => {
    expect(() => score(day(), leg('pool', 3, 6))).toThrow(/pool is not among the trip's spots/);
    expect(() => score(day(), leg('ledge', 2, 4), leg('ledge', 8, 10))).toThrow(/ledge is visited twice/);
  });

  it('stay as long as the shortest stay', () => {
    expect(score(day(), leg('ledge', 2, 4)).value).toBeCloseTo(2, 12);
    expect(() => score(day(), leg('ledge', 2, 3))).toThrow(/shorter than 2 steps/);
  });

  it('lie within one opening of their spot', () => {
    const open = day(
      {},
      {
        open: [
          [3, 7],
          [9, 12],
        ],
      },
    );
    expect(score(open, leg('ledge', 3, 7)).value).toBeCloseTo(4, 12);
    expect(score(open, leg('ledge', 9, 12)).value).toBeCloseTo(3, 12);
    for (const [from, to] of [
      [2, 6],
      [4, 8],
      [6, 10],
      [10, 13],
    ] as const)
      expect(() => score(open, leg('ledge', from, to)), `${from} to ${to}`).toThrow(/its way in is shut then/);
  });

  it('come after another boat of ours has left, and leave before it comes', () => {
    const taken = day({}, { blocked: [[5, 8]] });
    expect(score(taken, leg('ledge', 2, 5)).value).toBeCloseTo(3, 12);
    expect(score(taken, leg('ledge', 8, 10)).legs[0]?.arriveStep).toBe(8);
    expect(() => score(taken, leg('ledge', 2, 6))).toThrow(/another boat of ours has ledge from step 5 to 8/);
    expect(() => score(taken, leg('ledge', 7, 10))).toThrow(/another boat/);
  });

  it('are home in time', () => {
    expect(score(day(), leg('ledge', 2, 18)).runSteps).toBe(4);
    expect(() => score(day(), leg('ledge', 2, 19))).toThrow(/not back at the dock in time after ledge/);
  });

  it('take no more fuel than there is, the run home counted', () => {
    const legs = [leg('ledge', 2, 6), leg('bank', 10, 14)] as const;
    expect(score(day({ maxRunSteps: 9 }), ...legs).runSteps).toBe(9);
    expect(() => score(day({ maxRunSteps: 8 }), ...legs)).toThrow(/9 steps under way with the run home are more than the fuel allows, 8/);
  });

  it('come again only after a rest, and never before the first visit', () => {
    const again = day({
      dockTravelSteps: [2, 2],
      travelSteps: [
        [0, 0],
        [0, 0],
      ],
      spots: [
        { id: 'ledge', ratePerHour: flat(4), fadePerHour: 0 },
        { id: 'ledge again', ratePerHour: flat(3), fadePerHour: 0, again: { spot: 'ledge', restSteps: 5 } },
      ],
    });
    expect(score(again, leg('ledge', 2, 4), leg('ledge again', 9, 11)).value).toBeCloseTo(2 + 1.5, 12);
    expect(() => score(again, leg('ledge', 2, 4), leg('ledge again', 8, 11))).toThrow(/ledge must rest 5 steps/);
    expect(() => score(again, leg('ledge again', 9, 11))).toThrow(/ledge must rest/);
  });

  it('do not run ways that the sea shuts, out, between and home', () => {
    const none: [number, number][] = [];
    const shut = (dock: [number, number][][], between: [number, number][][][]) => day({ shutWays: { dock, between } });
    const calm = [
      [none, none],
      [none, none],
    ];
    // The way out is shut in the first five steps: one cannot be there before 7.
    const out = shut([[[0, 5]], none], calm);
    expect(score(out, leg('ledge', 7, 10)).value).toBeCloseTo(3, 12);
    expect(() => score(out, leg('ledge', 6, 10))).toThrow(/the sea or the tide shuts the way there; the boat cannot be there before 7/);
    const over = shut([[[0, STEPS]], none], calm);
    expect(() => score(over, leg('ledge', 7, 10))).toThrow(/shut by the sea or the tide until the trip is over/);
    const home = shut([[[10, STEPS]], none], calm);
    expect(() => score(home, leg('ledge', 2, 12))).toThrow(/shuts the way home after ledge/);
  });
});

describe('a problem', () => {
  const bad =
    (more: Partial<ItineraryProblem>, spot: object = {}) =>
    () =>
      checkProblem(day(more, spot));

  it('that is in order passes', () => {
    expect(bad({})).not.toThrow();
    expect(bad({ minStaySteps: 1 }, { fadePerHour: 0, minStaySteps: 3, maxStaySteps: 3, ratePerHour: flat(0) })).not.toThrow();
    const spots = (n: number) => Array.from({ length: n }, (_, i) => ({ id: String(i), ratePerHour: flat(1), fadePerHour: 0 }));
    const of = (n: number) => ({
      ...day(),
      spots: spots(n),
      dockTravelSteps: new Array(n).fill(1),
      travelSteps: spots(n).map(() => new Array(n).fill(1)),
    });
    expect(() => checkProblem(of(60))).not.toThrow();
    expect(() => checkProblem(of(61))).toThrow(/at most 60, got 61/);
  });

  it('that is not names the field, the value and what is allowed', () => {
    expect(bad({ minStaySteps: 0 })).toThrow('minStaySteps: expected at least 1, got 0');
    expect(bad({ minStaySteps: Number.NaN })).toThrow('minStaySteps: expected at least 1, got NaN');
    expect(bad({ dockTravelSteps: [1] })).toThrow('dockTravelSteps: expected 2 values, got 1');
    expect(bad({ travelSteps: [[0, 1]] })).toThrow('travelSteps: expected 2 rows of 2 values');
    expect(bad({ travelSteps: [[0, 1], [0]] })).toThrow('travelSteps: expected 2 rows of 2 values');
    expect(bad({}, { id: 'bank' })).toThrow('spots: ids must differ');
    expect(bad({}, { ratePerHour: [1] })).toThrow('spots.ledge.ratePerHour: expected 20 values, got 1');
    expect(bad({}, { ratePerHour: flat(-0.1) })).toThrow('spots.ledge.ratePerHour: expected values >= 0');
    expect(bad({}, { baits: [{ id: 'a', ratePerHour: [1] }] })).toThrow('spots.ledge.ratePerHour: expected 20 values, got 1');
    expect(bad({}, { fadePerHour: -1 })).toThrow('spots.ledge.fadePerHour: expected >= 0, got -1');
    expect(bad({}, { minStaySteps: 4, maxStaySteps: 3 })).toThrow('its shortest stay of 4 steps is longer than its longest of 3');
  });
});

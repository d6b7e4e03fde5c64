// A trip as the solver is given it, field by field; and what is said where no day can be laid.
import { describe, expect, it } from 'vitest';
import { fitCatchRate } from '../catchrate/fitCatchRate';
import { countRange } from '../catchrate/rangeOf';
import { inMetric } from '../units/measure';
import { HOUR, MINUTE } from '../units/time';
import { fishedBefore } from './fishedBefore';
import { dayPlan, layDay, scoreDay } from './layDay';
import { itineraryProblem, patienceOf, placeOf } from './itineraryProblem';
import type { LayOptions } from './plannedDay';
import type { PlanInputs } from './planInputs';
import { rankTrip, stepAt, stepsOf, worldOf } from './rankTrip';
import { inputs, START } from './testTrip';
import { nth } from '../units/indexed';

const still = (mps: number) => ({ atMs: [START - 96 * HOUR, START + 24 * HOUR], value: [mps, mps], forecastFrom: 1 });
const CALM = { ...inputs().water, wind: { east: still(1), north: still(1), gust: null } } as PlanInputs['water'];
const trip = (more: Partial<PlanInputs> = {}) =>
  inputs({ water: CALM, spots: inputs().spots.map((s) => ({ ...s, accessDepthM: null })), ...more });
const fitted = fitCatchRate(worldOf(trip()), trip().sets);
const flat = (rate: (spot: number, bait: number, atMs: number) => number) => ({
  ...fitted,
  ratesAt: (s: number, baits: readonly number[], at: number, _: unknown, out: Float64Array) =>
    baits.forEach((b, i) => {
      out[i] = rate(s, b, at);
    }),
});
const ranked = (t: PlanInputs, rate: (spot: number, bait: number, atMs: number) => number = () => 2) => rankTrip(t, { model: flat(rate) });
const problemOf = (t: PlanInputs, options: LayOptions = {}, rate?: (spot: number, bait: number, atMs: number) => number) =>
  itineraryProblem(t, ranked(t, rate), options);
const spotOf = (p: ReturnType<typeof problemOf>, id: string) => p.spots.find((s) => s.id === id);
const said = (work: () => unknown) => {
  try {
    work();
  } catch (error) {
    expect(error).toBeInstanceOf(RangeError);
    return inMetric((error as Error).message);
  }
  return 'nothing';
};

describe('a trip as the solver is given it', () => {
  it('has its steps, its ways in whole steps, its fuel and its breaks', () => {
    const breaks = [{ name: 'lunch', fromMs: START + 61 * MINUTE, toMs: START + 89 * MINUTE }];
    const p = problemOf(trip({ breaks, boat: { ...trip().boat, runMin: 49 } }));
    expect(p).toMatchObject({
      stepMin: 5,
      steps: 72,
      minStaySteps: expect.any(Number),
      switchSteps: 1,
      maxRunSteps: 9,
      leastRatePerHour: 0,
    });
    // From before it begins to after it ends.
    expect(p.pauses).toEqual([[12, 18]]);
    expect(p.dockTravelSteps).toEqual([2, 1, 2]);
    expect(p.travelSteps).toEqual([
      [0, 2, 3],
      [2, 0, 2],
      [3, 2, 0],
    ]);
    expect(problemOf(trip()).maxRunSteps).toBeUndefined();
    expect([p.shutWays, p.byStep, p.from, p.order]).toEqual([undefined, undefined, undefined, undefined]);
    expect(problemOf(trip(), { order: ['lee', 'exposed'] }).order).toEqual(['lee', 'exposed']);
    const cut = problemOf(
      trip({
        travelMin: [
          [0, null, 12],
          [null, 0, 10],
          [12, 10, 0],
        ] as never,
      }),
    );
    // A way that there is not takes longer than the trip.
    expect(cut.travelSteps[0]).toEqual([0, 73, 3]);
  });
  it('asks for the fish that the party’s patience asks for; who is out to learn sees several waters', () => {
    expect(problemOf(trip({ patienceMin: 40 })).leastRatePerHour).toBeCloseTo(1.5, 12);
    const learn = trip({ counting: 'action' });
    expect(patienceOf(learn)).toBe(30);
    expect(patienceOf({ ...learn, patienceMin: 50 })).toBe(50);
    expect(patienceOf(trip())).toBeNull();
    expect(problemOf(learn).leastRatePerHour).toBeCloseTo(2, 12);
    expect(problemOf(learn).spots.map((s) => s.maxStaySteps)).toEqual([15, 15, 15]);
    expect(problemOf(trip()).spots.map((s) => [s.minStaySteps, s.maxStaySteps])).toEqual(new Array(3).fill([undefined, undefined]));
  });
  it('has for each spot its three best baits of what is aboard and not left to others, each with the rods’ fish an hour', () => {
    const baits = ['a', 'b', 'c', 'd', 'e'].map((id) => ({
      ...nth(trip().presentations, 0),
      id,
      skill: 1,
    }));
    const t = trip({ presentations: baits, rods: 4, sets: [] });
    const world = fitCatchRate(worldOf(t), []);
    const model = {
      ...world,
      ratesAt: (s: number, list: readonly number[], at: number, _: unknown, out: Float64Array) =>
        list.forEach((b, i) => {
          // The third rises to the best within the trip; the last is best outside of any open hour alone.
          out[i] = b === 2 ? (at - START) / HOUR : nth([1, 3, 0, 2, 0.5], b) + s / 100;
        }),
    };
    const ranking = rankTrip(t, { model });
    const p = itineraryProblem(t, ranking);
    expect(spotOf(p, 'exposed')?.baits?.map((b) => b.id)).toEqual(['c', 'b', 'd']);
    expect(spotOf(p, 'exposed')?.baits?.[1]?.ratePerHour).toEqual(new Array(72).fill(12));
    expect(spotOf(p, 'exposed')?.ratePerHour).toEqual(spotOf(p, 'exposed')?.baits?.[0]?.ratePerHour);
    expect(spotOf(p, 'barred')?.baits?.[1]?.ratePerHour[0]).toBeCloseTo(4 * 3.02, 9);
    const without = itineraryProblem(t, ranking, { without: ['c', 'b'] });
    expect(spotOf(without, 'lee')?.baits?.map((b) => b.id)).toEqual(['d', 'a', 'e']);
    const none = itineraryProblem(t, ranking, { without: ['a', 'b', 'c', 'd', 'e'] });
    expect(spotOf(none, 'lee')).toMatchObject({ baits: [], ratePerHour: new Array(72).fill(0) });
    // Only what is open counts: of a spot that is open in the first hour the rising bait is not the best.
    const early = { ...ranking, open: ranking.open.map(() => [[2, 20] as const]) };
    expect(spotOf(itineraryProblem(t, early), 'exposed')?.baits?.map((b) => b.id)).toEqual(['b', 'd', 'c']);
  });
  it('has what another boat leaves, and keeps an hour’s quarter away from it', () => {
    const taken = [{ spotId: 'lee', fromMs: START + 62 * MINUTE, toMs: START + 118 * MINUTE, boat: 'Marrow' }];
    const t = trip({ taken });
    const p = problemOf(t);
    expect(spotOf(p, 'exposed')?.blocked).toEqual([]);
    const [from = 0, to = 0] = spotOf(p, 'lee')?.blocked?.[0] ?? [];
    // Steps 12 and 24 are the whole steps round it; the margin is the same on both sides.
    expect(12 - from).toBe(to - 24);
    expect(12 - from).toBe(3);
    const lee = nth(trip().spots, 1);
    const rate = spotOf(p, 'lee')?.ratePerHour as number[];
    for (const step of [0, 10, 30, 60]) expect(rate[step]).toBeCloseTo(2 * 3 * fishedBefore(taken, lee.fadePerHour, stepAt(t, step)), 9);
    expect(rate[60]).toBeLessThan(6);
    expect(spotOf(p, 'exposed')?.ratePerHour[60]).toBe(6);
  });
  it('holds stays to what is asked, in whole steps', () => {
    const p = problemOf(trip(), { stays: { lee: { minMin: 33, maxMin: 58 }, exposed: { maxMin: 40 } } });
    expect([spotOf(p, 'lee')?.minStaySteps, spotOf(p, 'lee')?.maxStaySteps]).toEqual([7, 12]);
    expect([spotOf(p, 'exposed')?.minStaySteps, spotOf(p, 'exposed')?.maxStaySteps]).toEqual([undefined, 8]);
    const learn = problemOf(trip({ counting: 'action' }), { stays: { lee: { maxMin: 100 } } });
    expect([spotOf(learn, 'lee')?.maxStaySteps, spotOf(learn, 'exposed')?.maxStaySteps]).toEqual([20, 15]);
  });
  it('offers a second visit after two hours at three quarters of the worth, to the best eight', () => {
    const p = problemOf(trip(), { again: true });
    expect(p.spots.map((s) => s.id)).toEqual(['exposed', 'exposed again', 'lee', 'lee again', 'barred', 'barred again']);
    expect(spotOf(p, 'lee')?.again).toBeUndefined();
    expect(spotOf(p, 'lee again')).toMatchObject({ again: { spot: 'lee', restSteps: 24 }, fadePerHour: 0.35 });
    expect(spotOf(p, 'lee again')?.ratePerHour[9]).toBeCloseTo(0.75 * 6, 12);
    expect(p.travelSteps[2]?.[3]).toBe(0);
    expect([placeOf('lee again'), placeOf('lee'), placeOf('again lee')]).toEqual(['lee', 'lee', 'again lee']);
  });
  it('leaves out what is banned, shut or out of reach', () => {
    expect(problemOf(trip(), { bans: ['lee'] }).spots.map((s) => s.id)).toEqual(['exposed', 'barred']);
    expect(problemOf(trip({ dockTravelMin: [10, null, 8] })).spots.map((s) => s.id)).toEqual(['exposed', 'barred']);
    const t = trip();
    const shut = { ...ranked(t), open: [[[0, 72] as const], [], [[0, 72] as const]] };
    expect(itineraryProblem(t, shut).spots.map((s) => s.id)).toEqual(['exposed', 'barred']);
  });
  it('begins where the boat is, though that is banned or shut, with what it gives there now', () => {
    const t = trip();
    const from = { atMs: START + 61 * MINUTE, spotId: 'lee', share: 0.5 };
    const p = problemOf(t, { from, bans: ['lee'] });
    expect(p.from).toEqual({ spot: 1, step: 13 });
    expect(spotOf(p, 'lee')).toMatchObject({ minStaySteps: 1 });
    expect(spotOf(p, 'lee')?.ratePerHour[20]).toBeCloseTo(3, 12);
    expect(spotOf(p, 'exposed')?.ratePerHour[20]).toBe(6);
    expect(spotOf(p, 'exposed')?.minStaySteps).toBeUndefined();
    const shut = { ...ranked(t), open: [[[0, 72] as const], [], [[0, 72] as const]] };
    expect(itineraryProblem(t, shut, { from }).spots.map((s) => s.id)).toEqual(['exposed', 'lee', 'barred']);
    expect(problemOf(t, { from: { ...from, spotId: null } }).from).toEqual({ spot: -1, step: 13 });
    expect(problemOf(t, { from: { ...from, atMs: START - HOUR } }).from?.step).toBe(0);
    expect(problemOf(t, { from: { ...from, atMs: START + 20 * HOUR } }).from?.step).toBe(72);
  });
  it('takes the best fifty-two of a large water, with where the boat is and what is pinned before all others', () => {
    const many = Array.from({ length: 60 }, (_, i) => ({
      ...nth(trip().spots, 1),
      id: `s${String(i).padStart(2, '0')}`,
      name: `Spot ${i}`,
    }));
    const row = many.map(() => 10);
    const t = trip({ spots: many, dockTravelMin: row, travelMin: many.map((_, i) => row.map((m, j) => (i === j ? 0 : m))), sets: [] });
    const model = fitCatchRate(worldOf(t), []);
    // The later in the list the better.
    const ranking = rankTrip(t, {
      model: {
        ...model,
        ratesAt: (s: number, list: readonly number[], _: number, __: unknown, out: Float64Array) =>
          list.forEach((___, i) => {
            out[i] = 1 + s / 60;
          }),
      },
    });
    const ids = (o: LayOptions) => itineraryProblem(t, ranking, o).spots.map((s) => s.id);
    expect(ids({})).toEqual(many.slice(8).map((s) => s.id));
    expect(ids({ pins: [{ spotId: 's02' }] })).toEqual(['s02', ...many.slice(9).map((s) => s.id)]);
    expect(ids({ pins: [{ spotId: 's02' }], from: { atMs: START, spotId: 's01', share: 1 } })).toEqual([
      's01',
      's02',
      ...many.slice(10).map((s) => s.id),
    ]);
    const again = ids({ again: true }).filter((id) => id.endsWith(' again'));
    expect(again).toEqual(many.slice(-8).map((s) => `${s.id} again`));
  });
  it('has the ways of each height of tide where they differ, and those that the sea shuts', () => {
    const t = trip();
    const base = ranked(t);
    const sets = [1, 2].map((k) => ({
      ...base.ways.sets[0],
      dockMin: [10 * k, null, 8],
      betweenMin: [
        [0, 8 * k, 12],
        [8, 0, null],
        [12, 10, 0],
      ],
    }));
    const ranking = { ...base, ways: { ...base.ways, sets: sets as never, level: new Array(72).fill(0).map((_, i) => i % 2) } };
    const p = itineraryProblem(t, ranking, { bans: ['barred'] });
    expect(p.byStep).toEqual({
      level: ranking.ways.level,
      dockTravelSteps: [
        [2, 73],
        [4, 73],
      ],
      travelSteps: [
        [
          [0, 2],
          [2, 0],
        ],
        [
          [0, 4],
          [2, 0],
        ],
      ],
    });
    const way = { ranges: [[3, 9]] as never, why: [] };
    const open = { ranges: [] as never, why: [] };
    const seas = {
      ...base,
      ways: {
        ...base.ways,
        dock: [open, open, open],
        between: [
          [open, open, way],
          [open, open, open],
          [open, open, open],
        ],
      },
    };
    expect(itineraryProblem(t, seas, { bans: ['lee'] }).shutWays).toEqual({
      dock: [[], []],
      between: [
        [[], [[3, 9]]],
        [[], []],
      ],
    });
    expect(itineraryProblem(t, seas, { bans: ['barred'] }).shutWays).toBeUndefined();
  });
});

describe('a plan in instants', () => {
  it('has its legs with their baits, ranges and pins, and a day’s range closer to what chance alone gives', () => {
    const t = trip();
    const ranking = ranked(t);
    const leg = { spot: 'lee', arriveStep: 1, startStep: 2, departStep: 12, expected: 3 };
    const baits = [
      { id: 'worm', fromStep: 2, toStep: 6 },
      { id: 'shad', fromStep: 7, toStep: 12 },
    ];
    const plan = dayPlan(
      t,
      ranking,
      [
        { ...leg, baits },
        { ...leg, spot: 'exposed again', expected: 2 },
      ] as never,
      { bound: 6, proved: true, runSteps: 4 },
      [{ spotId: 'lee' }],
    );
    expect(plan.legs[0]).toMatchObject({
      spotId: 'lee',
      presentationId: 'worm',
      arriveMs: START + 5 * MINUTE,
      startMs: START + 10 * MINUTE,
      departMs: START + HOUR,
      pinned: true,
      parts: [
        { presentationId: 'worm', fromMs: START + 10 * MINUTE, toMs: START + 30 * MINUTE },
        { presentationId: 'shad', fromMs: START + 35 * MINUTE, toMs: START + HOUR },
      ],
      ...countRange(3, ranking.model.dispersion),
    });
    expect(plan.legs[1]).toMatchObject({
      spotId: 'exposed',
      pinned: false,
      parts: [],
      presentationId: ranking.calls.find((c) => c.spotId === 'exposed')?.presentationId,
    });
    expect(plan).toMatchObject({ expected: 5, bound: 6, proved: true, runMin: 20, ...countRange(5, 2 * ranking.model.dispersion) });
    expect(dayPlan(t, ranking, [], { bound: 0, proved: false }, [])).toMatchObject({ expected: 0, runMin: null, legs: [] });
  });
});

describe('a day that cannot be laid', () => {
  const t = trip();
  it('names what is pinned and banned, or pinned and shut', () => {
    expect(said(() => layDay(t, ranked(t), { pins: [{ spotId: 'lee' }], bans: ['lee'] }))).toBe(
      'pins: Lee wall is both pinned and banned; take one back',
    );
    const resting = trip({ spots: t.spots.map((s) => (s.id === 'lee' ? { ...s, restsUntil: START + 24 * HOUR } : s)) });
    expect(said(() => layDay(resting, ranked(resting), { pins: [{ spotId: 'lee' }] }))).toMatch(
      /^pins: Lee wall is pinned but shut: left to rest until /,
    );
    expect(said(() => scoreDay(resting, ranked(resting), [{ spotId: 'lee', startMs: START + HOUR, departMs: START + 2 * HOUR }]))).toMatch(
      /^legs: Lee wall is shut: left to rest until /,
    );
  });
  it('says what leaves no spot: all are banned, or what shuts the first of them', () => {
    expect(said(() => layDay(t, ranked(t), { bans: ['exposed', 'lee', 'barred'] }))).toBe(
      'spots: none can be fished on this trip; all are banned',
    );
    const resting = trip({ spots: t.spots.map((s) => ({ ...s, restsUntil: START + 24 * HOUR })) });
    expect(said(() => layDay(resting, ranked(resting)))).toMatch(/^spots: none can be fished on this trip; left to rest until /);
  });
  it('says which baits are left out and why, or that none is aboard', () => {
    expect(said(() => layDay(t, ranked(t), { without: ['shad', 'worm'] }))).toBe(
      'presentations: no presentation can be fished on this trip: Shad is left to other boats; Worm is left to other boats',
    );
    const none = trip({ presentations: [], sets: [] });
    expect(said(() => layDay(none, rankTrip(none)))).toBe('presentations: no presentation can be fished on this trip: none is aboard');
    const hard = trip({ skill: 0, presentations: t.presentations.map((p) => ({ ...p, skill: 3 })) });
    const words = said(() => layDay(hard, ranked(hard)));
    expect(words).toMatch(/^presentations: no presentation can be fished on this trip: /);
    expect(words).not.toContain('left to other boats');
  });
  it('says that the party’s patience, the time or the fish is the limit', () => {
    const keen = trip({ patienceMin: 5 });
    // Two an hour and rod on three rods: one in ten minutes.
    expect(said(() => layDay(keen, ranked(keen)))).toBe(
      "spots: none can be fished on this trip; the party's patience of 5 min between fish is the limit; the best spot gives one in 10 min",
    );
    const blank = trip({ patienceMin: 5 });
    expect(
      said(() =>
        layDay(
          blank,
          ranked(blank, () => 0),
        ),
      ),
    ).toContain('the best spot gives one in no min');
    expect(
      said(() =>
        layDay(
          t,
          ranked(t, () => 0),
        ),
      ),
    ).toBe('spots: none can be fished on this trip; no spot has fish to expect within its hours');
    const short = { ...trip({ dockTravelMin: [50, 45, 60] }), endsAt: START + 80 * MINUTE };
    const ranking = { ...ranked(short), shut: [], open: short.spots.map(() => [[0, 16] as const]) };
    expect(said(() => layDay(short, ranking))).toBe(
      'spots: none can be fished on this trip; the trip of 80 min is shorter than the nearest run out and back, 90 min',
    );
  });
  it('says names and clock times where the solver has ids and steps', () => {
    const at = (min: number) => START + min * MINUTE;
    const score = (legs: { spotId: string; startMs: number; departMs: number }[]) => said(() => scoreDay(t, ranked(t), legs));
    const early = score([{ spotId: 'exposed', startMs: at(5), departMs: at(60) }]);
    expect(early).toContain('Exposed stone');
    expect(early).not.toMatch(/exposed|step/);
    expect(early).toMatch(/\d\d:\d\d/);
    const late = score([{ spotId: 'lee', startMs: at(300), departMs: at(400) }]);
    expect(late).toContain('Lee wall');
    expect(late).not.toMatch(/step/);
    const apart = score([
      { spotId: 'exposed', startMs: at(15), departMs: at(60) },
      { spotId: 'lee', startMs: at(62), departMs: at(100) },
    ]);
    expect(apart).not.toMatch(/step|exposed|\blee\b/);
    // What is no refusal is not dressed as one.
    expect(() => scoreDay({ ...t, breaks: null as never }, ranked(t), [{ spotId: 'lee', startMs: at(30), departMs: at(90) }])).toThrow(
      TypeError,
    );
    expect(stepsOf(t)).toBe(72);
  });
  it('scores a spot that is gone to twice as a second visit, and the legs of a trip under way from where it is', () => {
    const at = (min: number) => START + min * MINUTE;
    const legs = [
      { spotId: 'lee', startMs: at(10), departMs: at(60) },
      { spotId: 'lee', startMs: at(190), departMs: at(240) },
    ];
    const plan = scoreDay(t, ranked(t), legs);
    expect(plan.legs.map((l) => l.spotId)).toEqual(['lee', 'lee']);
    expect(plan.legs[1]?.expected).toBeCloseTo(0.75 * (plan.legs[0]?.expected ?? 0), 6);
    expect(plan.proved).toBe(false);
    expect(plan.bound).toBeCloseTo(plan.expected, 9);
    const from = { atMs: at(30), spotId: 'exposed', share: 1 };
    const rest = scoreDay(t, ranked(t), [{ spotId: 'exposed', startMs: at(30), departMs: at(70) }], { from });
    expect(rest.legs[0]).toMatchObject({ spotId: 'exposed', startMs: at(30) });
    expect(said(() => scoreDay(t, ranked(t), legs, { without: ['shad', 'worm'] }))).toMatch(/^presentations: /);
  });
  it('pins to the minute what is pinned, and stops when it is told to', () => {
    const pins = [{ spotId: 'lee', startMs: START + 122 * MINUTE, departMs: START + 181 * MINUTE }];
    const day = layDay(t, ranked(t), { pins });
    expect(day.legs.find((l) => l.spotId === 'lee')).toMatchObject({
      startMs: START + 120 * MINUTE,
      departMs: START + 180 * MINUTE,
      pinned: true,
    });
    expect(day.legs.filter((l) => l.pinned).map((l) => l.spotId)).toEqual(['lee']);
    let asked = 0;
    const stopped = layDay(t, ranked(t), { stop: () => ++asked > 0 });
    expect(stopped.legs.length).toBeGreaterThan(0);
    expect(stopped.expected).toBeLessThanOrEqual(layDay(t, ranked(t)).expected + 1e-9);
  });
});

// What tells to go over to another plan, of outcomes made up by hand.
import { describe, expect, it } from 'vitest';
import { inMetric } from '../units/measure';
import { HOUR, MINUTE } from '../units/time';
import { windComponents } from '../weather/wind';
import type { DayPlan } from './plannedDay';
import { layDay } from './layDay';
import { rankTrip } from './rankTrip';
import type { Scenario } from './scenarios';
import { END, inputs, START } from './testTrip';
import { type Outcome, triggersOf, tryScenario, worthAsItStands } from './whatWouldChange';
import { nth } from '../units/indexed';

const trip = inputs();
const plan = (...legs: [spot: string, from: number, to: number][]): DayPlan => ({
  legs: legs.map(([spotId, from, to]) => ({
    spotId,
    presentationId: 'shad',
    parts: [],
    arriveMs: START + from * MINUTE,
    startMs: START + from * MINUTE,
    departMs: START + to * MINUTE,
    expected: 1,
    lo80: 0,
    hi80: 2,
    pinned: false,
  })),
  expected: 10,
  lo80: 4,
  hi80: 16,
  bound: 10,
  proved: true,
  runMin: 20,
});
const MINE = plan(['exposed', 10, 90], ['lee', 100, 200]);
/** A scenario with a wind of its own by the hour of the trip. */
const scenario = (id: string, kind: Scenario['kind'], mps: (hour: number) => number = () => 5, fromDeg = 270): Scenario => {
  const hours = Array.from({ length: 30 }, (_, i) => START + (i - 10) * HOUR);
  const part = (which: 'east' | 'north') => ({
    atMs: hours,
    value: hours.map((t) => windComponents(mps((t - START) / HOUR), fromDeg)[which]),
    forecastFrom: 0,
  });
  return { id, kind, words: `${id} comes`, water: { ...trip.water, wind: { east: part('east'), north: part('north'), gust: null } } };
};
const outcome = (s: Scenario, worth: number, best = plan(['lee', 10, 90])): Outcome => ({
  scenario: s,
  kept: 0,
  best: { ...best, expected: worth },
});
const told = (outcomes: Outcome[], mine = MINE) => triggersOf(trip, mine, outcomes).map((t) => ({ ...t, sentence: inMetric(t.sentence) }));

describe('a trigger', () => {
  const one = (worth: number, best?: DayPlan, mine = MINE) => told([outcome(scenario('wind 3', 'wind'), worth, best)], mine)[0];
  it('is worth a third of a fish and three of a hundred of the plan, or is not named', () => {
    expect(one(0.3)?.worth).toBeCloseTo(0.3, 9);
    expect(one(0.29)).toBeUndefined();
    expect(one(0.59, undefined, { ...MINE, expected: 20 })).toBeUndefined();
    expect(one(0.61, undefined, { ...MINE, expected: 20 })?.worth).toBeCloseTo(0.61, 9);
  });
  it('says where to go first, or after which stop', () => {
    expect(one(1, plan(['lee', 10, 90]))?.sentence).toBe('If wind 3 comes, go to Lee wall first.');
    expect(one(1, plan(['exposed', 10, 90], ['barred', 100, 200]))?.sentence).toBe(
      'If wind 3 comes, go to Barred pool after Exposed stone.',
    );
    expect(one(1, plan(['exposed', 10, 90], ['lee', 100, 200], ['barred', 210, 300]))?.sentence).toBe(
      'If wind 3 comes, go to Barred pool after Lee wall.',
    );
    expect(one(1, plan(['gone', 10, 90]))?.sentence).toBe('If wind 3 comes, go to the dock first.');
  });
  it('says how long to stay where the stops are the same', () => {
    expect(one(1, plan(['exposed', 10, 120], ['lee', 130, 200]))?.sentence).toBe('If wind 3 comes, stay at Exposed stone until 10:00.');
    expect(one(1, plan(['exposed', 10, 90], ['lee', 100, 250]))?.sentence).toBe('If wind 3 comes, stay at Lee wall until 12:10.');
    expect(one(1, MINE)?.sentence).toBe('If wind 3 comes, stay at Exposed stone until 09:30.');
  });
  it('has the plan to go over to, and no chance where no forecast speaks of it', () => {
    const best = plan(['lee', 10, 90]);
    expect(one(1, best)).toMatchObject({ id: 'wind 3', chance: null, condition: null, planB: { legs: best.legs, expected: 1 } });
  });
  it('stands by what it is worth and how likely its kind is (a shift before a wind before a taken spot before a tide)', () => {
    const list = (['tide 1', 'wind 3', 'taken lee', 'shift 1.5', 'other'] as const).map((id) =>
      outcome(scenario(id, id.split(' ')[0] as never), 1),
    );
    expect(told(list).map((t) => t.id)).toEqual(['shift 1.5', 'wind 3', 'taken lee', 'other', 'tide 1']);
    expect(told([outcome(scenario('tide 1', 'tide'), 10), ...list.slice(1)]).map((t) => t.id)[0]).toBe('tide 1');
  });
});

describe('the forecasts', () => {
  const winds = [4, 5, 11, 12];
  const members = (worth: readonly number[], of = winds, at = 3) =>
    of.map((w, i) =>
      outcome(
        scenario(`member ${i}`, 'member', (h) => (h >= at ? w : 4)),
        nth(worth, i),
      ),
    );
  it('are joined to one trigger: the hour and the strength of wind that tell them apart', () => {
    const [t, ...more] = told(members([0, 0.1, 2, 4]));
    expect(more).toEqual([]);
    expect(t).toMatchObject({ id: 'members', chance: 0.5, worth: 3, condition: { atMs: START + 3 * HOUR, aboveMps: 8, belowMps: null } });
    expect(t?.sentence).toBe('If the wind from the W is over 8.0 m/s at 11:00, go to Lee wall first.');
    expect(t?.planB.expected).toBe(4);
  });
  it('may tell by a wind that stays low', () => {
    const [t] = told(members([3, 2, 0, 0]));
    expect(t?.condition).toEqual({ atMs: START + 3 * HOUR, aboveMps: null, belowMps: 8 });
    expect(t?.sentence).toBe('If the wind is under 8.0 m/s at 11:00, go to Lee wall first.');
  });
  it('are told from one another within the hours of the trip', () => {
    const [t] = told(members([0, 0, 2, 2], winds, 6));
    expect(t?.condition?.atMs).toBe(END);
    expect(told(members([0, 0, 2, 2], winds, 7))[0]).toMatchObject({
      condition: null,
      sentence: expect.stringContaining('as 2 of 4 forecasts say'),
    });
  });
  it('are counted where nothing tells them apart, or all say the same', () => {
    // Off are the first and the last, the least and the most of the wind: three of four at best, which is more than seven of ten.
    expect(told(members([2, 0, 0, 2]))[0]?.condition).not.toBeNull();
    expect(told(members([2, 0, 0, 2, 0, 2], [4, 5, 6, 7, 8, 9]))[0]?.condition).toBeNull();
    const all = told(members([2, 1, 2, 3]))[0];
    expect(all).toMatchObject({ chance: 1, condition: null, worth: 2 });
    expect(all?.sentence).toBe('If the wind does as 4 of 4 forecasts say, go to Lee wall first.');
  });
  it('of which one does not reach an hour tell nothing at it', () => {
    const list = members([0, 0, 2, 2]);
    const short = { ...list[0]?.scenario.water.wind?.east, atMs: [START - 2 * HOUR, START - HOUR], value: [1, 1] };
    const cut = {
      ...list[0],
      scenario: { ...list[0]?.scenario, water: { ...trip.water, wind: { east: short, north: short, gust: null } } },
    } as Outcome;
    expect(told([cut, ...list.slice(1)])[0]?.condition).toBeNull();
  });
  it('name nothing where the plan holds in each', () => {
    expect(told(members([0, 0.1, 0.2, 0.29]))).toEqual([]);
    expect(told([])).toEqual([]);
  });
});

describe('a plan as it stands', () => {
  const ranking = rankTrip(trip);
  const day = layDay(trip, ranking);
  it('counts only the hours in which a spot can be fished, and spots that it knows', () => {
    const first = nth(day.legs, 0);
    const shut = { ...ranking, open: ranking.open.map(() => []) as never };
    expect(worthAsItStands(trip, shut, day)).toBe(0);
    const strange = { legs: [{ ...first, spotId: 'elsewhere' }] };
    expect(worthAsItStands(trip, ranking, strange)).toBe(0);
    const s = trip.spots.findIndex((x) => x.id === first.spotId);
    const half = Math.round(((first.startMs + first.departMs) / 2 - START) / (5 * MINUTE));
    const cut = { ...ranking, open: ranking.open.map((o, i) => (i === s ? [[0, half] as const] : o)) as never };
    const whole = worthAsItStands(trip, ranking, { legs: [first] });
    const part = worthAsItStands(trip, cut, { legs: [first] });
    expect(part).toBeLessThan(whole);
    expect(part).toBeGreaterThan(0.3 * whole);
  });
  it('is tried under each scenario by what is aboard, and none comes of one in which nothing can be fished', () => {
    const gale = scenario('wind 9', 'wind', () => 60);
    expect(tryScenario(trip, ranking, day, gale)).toBeNull();
    const taken: Scenario = { id: 'taken exposed', kind: 'taken', words: '', water: trip.water, takenSpotId: 'exposed' };
    const out = tryScenario(trip, ranking, day, taken);
    expect(out?.best.legs.map((l) => l.spotId)).not.toContain('exposed');
    expect(out?.kept).toBeCloseTo(worthAsItStands(trip, ranking, { legs: day.legs.filter((l) => l.spotId !== 'exposed') }), 9);
    const banned = tryScenario(trip, ranking, day, taken, { bans: ['lee'] });
    expect(banned?.best.legs.map((l) => l.spotId)).toEqual(expect.not.arrayContaining(['lee', 'exposed']));
    const one = rankTrip(trip, { aboard: ['shad'] });
    const calm = scenario('wind 1', 'wind', () => 2);
    expect(
      new Set(tryScenario(trip, one, layDay(trip, one), calm)?.best.legs.flatMap((l) => l.parts.map((p) => p.presentationId))),
    ).toEqual(new Set(['shad']));
    const without = tryScenario(trip, ranking, day, calm, { without: ['worm'] });
    expect(without?.best.legs.flatMap((l) => l.parts.map((p) => p.presentationId))).not.toContain('worm');
    expect(() => tryScenario({ ...trip, breaks: null as never }, ranking, day, taken)).toThrow(TypeError);
  });
});

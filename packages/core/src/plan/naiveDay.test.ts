// Yesterday's spots: which they are, what they gave, and what tomorrow makes of them.
import { describe, expect, it } from 'vitest';
import type { Factor } from '../catchrate/rateModel';
import { countRange } from '../catchrate/rangeOf';
import type { FishedSet, RateConditions } from '../catchrate/world';
import { expectedFish } from '../itinerary/stayValues';
import { inMetric } from '../units/measure';
import { DAY, HOUR, MINUTE } from '../units/time';
import { itineraryProblem } from './itineraryProblem';
import { layDay } from './layDay';
import { naiveDay } from './naiveDay';
import type { PlanInputs } from './planInputs';
import { rankTrip } from './rankTrip';
import { windLater } from './scenarios';
import { END, inputs, START } from './testTrip';
import { nth } from '../units/indexed';

const old = inputs().sets.filter((s) => s.at < inputs().now - 30 * DAY);
const set = (spot: string, daysAgo: number, fish: number, rodHours = 2, more: Partial<FishedSet> = {}): FishedSet => ({
  ...nth(old, 0),
  stopId: `${spot} ${daysAgo} ${fish}`,
  spot,
  at: inputs().now - daysAgo * DAY,
  fish,
  rodHours,
  ...more,
});
const still = (value: number) => ({ atMs: [START - 96 * HOUR, START + 24 * HOUR], value: [value, value], forecastFrom: 1 });
const CALM = { ...inputs().water, wind: { east: still(2), north: still(2), gust: null } } as PlanInputs['water'];
const trip = (sets: FishedSet[], more: Partial<PlanInputs> = {}) => inputs({ sets: [...old, ...sets], water: CALM, ...more });
const legs = (n: number) => ({ legs: new Array(n).fill({}) }) as never;
const naive = (t: PlanInputs, n: number | null = 2) => naiveDay(t, rankTrip(t), n === null ? null : legs(n));
const then = (t: PlanInputs, n: number | null = 2) => Object.fromEntries((naive(t, n)?.legs ?? []).map((l) => [l.spotId, l.rateThen]));

describe("yesterday's spots", () => {
  it('are those that gave most a rod-hour in the last day, as many as the plan has', () => {
    const t = trip([set('exposed', 0.5, 6, 2), set('exposed', 0.6, 2, 2), set('lee', 0.4, 3, 1), set('barred', 0.5, 1, 4)]);
    // Eight fish in four hours, three in one.
    expect(then(t, 1)).toEqual({ lee: 3 });
    expect(then(t, 2)).toEqual({ lee: 3, exposed: 2 });
  });
  it('count what the trip is after, where that is told', () => {
    const t = trip([set('exposed', 0.5, 6, 2, { counts: 1 }), set('lee', 0.4, 2, 2)]);
    expect(then(t, 2)).toEqual({ exposed: 0.5, lee: 1 });
  });
  it('reach back three, seven and twenty-one days where fewer were fished, and no further', () => {
    expect(then(trip([set('exposed', 0.9, 6), set('lee', 2.5, 2)]), 1)).toEqual({ exposed: 3 });
    expect(then(trip([set('exposed', 1.1, 6), set('lee', 2.5, 2)]), 2)).toEqual({ exposed: 3, lee: 1 });
    expect(then(trip([set('exposed', 2.9, 6), set('lee', 6.5, 2)]), 2)).toEqual({ exposed: 3, lee: 1 });
    expect(then(trip([set('exposed', 20.9, 6)]), 2)).toEqual({ exposed: 3 });
    expect(naive(trip([set('exposed', 21.1, 6)]))).toBeNull();
    // From a day ago to the instant counts.
    expect(then(trip([set('exposed', 1, 6), set('lee', 2, 20)]), 1)).toEqual({ exposed: 3 });
  });
  it('are none that gave nothing, and four where there is no plan', () => {
    expect(naive(trip([set('exposed', 0.5, 0)]))).toBeNull();
    expect(then(trip([set('exposed', 0.5, 0), set('lee', 0.5, 2)]), 2)).toEqual({ lee: 1 });
    expect(Object.keys(then(trip([set('exposed', 0.5, 3), set('lee', 0.5, 2), set('barred', 0.5, 1)]), null)).length).toBeGreaterThan(1);
  });
  it('with the same rate stand by their names', () => {
    expect(Object.keys(then(trip([set('lee', 0.5, 2), set('exposed', 0.5, 2)]), 1))).toEqual(['exposed']);
    expect(Object.keys(then(trip([set('exposed', 0.5, 2), set('lee', 0.5, 2)]), 1))).toEqual(['exposed']);
  });
});

describe("yesterday's day", () => {
  const sets = [set('exposed', 0.5, 6), set('lee', 0.4, 2)];
  it('is laid for the wind of the day before and counted by tomorrow’s', () => {
    const t = trip(sets, { water: inputs().water });
    const ranking = rankTrip(t);
    const day = naiveDay(t, ranking, legs(2));
    const asYesterday = { ...t, water: { ...t.water, wind: windLater(t.water.wind as NonNullable<typeof t.water.wind>, 24) } };
    const laid = layDay(asYesterday, rankTrip(asYesterday, { model: ranking.model }), { bans: ['barred'] });
    expect(day?.legs.map((l) => [l.spotId, l.startMs, l.departMs, l.hoped])).toEqual(
      laid.legs.map((l) => [l.spotId, l.startMs, l.departMs, expect.closeTo(l.expected, 9)]),
    );
    expect(day?.hoped).toBeCloseTo(laid.expected, 9);
    expect(day?.expected).toBeCloseTo(day?.legs.reduce((s, l) => s + l.expected, 0) ?? 0, 9);
    expect(day?.lo80).toBeLessThanOrEqual(day?.expected as number);
    expect(day?.hi80).toBeGreaterThan(day?.expected as number);
    for (const l of day?.legs ?? []) expect(l.rateNow).toBeCloseTo(l.expected / ((l.departMs - l.startMs) / HOUR) / t.rods, 9);
    // The wind rises to 16 m/s: what is open water gives less, and it says by what.
    const lost = day?.legs.find((l) => l.spotId === 'exposed');
    expect(lost?.expected).toBeLessThan(0.9 * (lost?.hoped ?? 0));
    expect(inMetric(lost?.why)).toMatch(/over the limit from \d\d:\d\d$|\(×\d\.\d\d, yesterday’s wind ×\d\.\d\d\)$/);
  });
  it('is as good where the wind is the same, and another boat’s stay is not asked for', () => {
    const t = trip(sets, { taken: [{ spotId: 'exposed', fromMs: START, toMs: END, boat: 'Marrow' }] });
    const day = naive(t);
    expect(day?.legs.map((l) => l.spotId)).toContain('exposed');
    for (const l of day?.legs ?? []) {
      expect(l.expected).toBeCloseTo(l.hoped, 6);
      expect(l.why).toBe('as good in tomorrow’s wind');
    }
  });
  it('names the factor that falls most, with what it is and what it was', () => {
    // Light airs yesterday, a breeze within every limit tomorrow.
    const hours = Array.from({ length: 120 }, (_, i) => START + (i - 96) * HOUR);
    const part = () => ({ atMs: hours, value: hours.map((x) => (x < START - 6 * HOUR ? 1 : 7)), forecastFrom: 80 });
    const wind = { east: part(), north: part(), gust: null };
    const boat = { ...inputs().boat, waveLimitM: 3, windLimitMps: 30 };
    const t = trip(sets, { boat, water: { ...inputs().water, wind } as never });
    const ranking = rankTrip(t);
    const day = naiveDay(t, ranking, legs(2));
    for (const l of day?.legs ?? []) {
      if (l.expected >= 0.93 * l.hoped) expect(l.why).toBe('as good in tomorrow’s wind');
      else {
        const [, now, was] = /\(×(\d+\.\d\d), yesterday’s wind ×(\d+\.\d\d)\)$/.exec(inMetric(l.why)) ?? [];
        expect(Number(now), l.why).toBeLessThan(Number(was));
      }
    }
  });
  it('is none where no such spot can be fished', () => {
    expect(naive(trip(sets, { spots: inputs().spots.map((s) => (s.id === 'barred' ? s : { ...s, restsUntil: END })) }))).toBeNull();
    const t = trip(sets);
    expect(() => naiveDay({ ...t, breaks: null as never }, rankTrip(t), legs(2))).toThrow(TypeError);
  });
});

describe('a spot of yesterday that gives less', () => {
  const sets = [set('exposed', 0.5, 6), set('lee', 0.4, 2)];
  const hours = Array.from({ length: 120 }, (_, i) => START + (i - 96) * HOUR);
  const part = () => ({ atMs: hours, value: hours.map((x) => (x < START - 6 * HOUR ? 1 : 3)), forecastFrom: 80 });
  // 1.4 m/s yesterday, 4.2 tomorrow: neither binds anything.
  const boat = { ...inputs().boat, waveLimitM: 9, windLimitMps: 40 };
  const t = trip(sets, { boat, water: { ...inputs().water, wind: { east: part(), north: part(), gust: null } } as never });
  const base = rankTrip(t);
  const factor = (name: string, multiplier: number, level = 0): Factor => ({
    name,
    multiplier,
    level,
    fish: 1,
    expected: 1,
    rule: null,
    unknown: null,
  });
  type Asked = { at: number; spot: string; presentation: string; conditions: RateConditions };
  const asked: Asked[] = [];
  /** Tomorrow's rates are half of what they are, by these factors. */
  const whyOf = (tomorrow: Factor[], yesterday: Factor[], share = 0.5) => {
    const factors = (q: Asked) => {
      asked.push(q);
      return (q.conditions.windMps ?? 0) > 2 ? tomorrow : yesterday;
    };
    const ranking = {
      ...base,
      rates: base.rates.map((spot) => spot.map((bait) => bait.map((r) => r * share))),
      model: { ...base.model, factors } as never,
    };
    return new Set(naiveDay(t, ranking, legs(2))?.legs.map((l) => l.why));
  };

  it('says which factor falls most against its own of yesterday, with both', () => {
    expect(whyOf([factor('light', 0.5, 2), factor('wind', 0.6)], [factor('light', 0.6, 2), factor('wind', 1.2)])).toEqual(
      new Set(['this much wind hurts (×0.60, yesterday’s wind ×1.20)']),
    );
    expect(whyOf([factor('wind', 0.9), factor('light', 0.5, 2)], [factor('light', 0.9, 2), factor('wind', 1)])).toEqual(
      new Set(['middling light slows them (×0.50, yesterday’s wind ×0.90)']),
    );
  });
  it('takes one that said nothing yesterday as one then, and words one that is still good as what it lost', () => {
    expect(whyOf([factor('light', 0.8, 1), factor('wind', 0.9)], [factor('wind', 1)])).toEqual(
      new Set(['low light slows them (×0.80, yesterday’s wind ×1.00)']),
    );
    expect(whyOf([factor('wind', 1.1)], [factor('wind', 1.5)])).toEqual(new Set(['this much wind hurts (×1.10, yesterday’s wind ×1.50)']));
  });
  it('gives its name where there are no words for it, and the hours where no factor falls', () => {
    expect(whyOf([factor('base', 0.5)], [factor('base', 1)])).toEqual(new Set(['base (×0.50, yesterday’s wind ×1.00)']));
    const hoursWorse = new Set(['the hours are worse']);
    expect(whyOf([factor('wind', 0.99)], [factor('wind', 1)])).toEqual(hoursWorse);
    expect(whyOf([factor('wind', 0.989)], [factor('wind', 1)])).not.toEqual(hoursWorse);
    expect(whyOf([factor('wind', 1.3)], [factor('wind', 1.2)])).toEqual(hoursWorse);
    expect(whyOf([], [factor('wind', 1)])).toEqual(hoursWorse);
  });
  it('is as good from 93 of 100 on, and asks the model of the middle of the stay with the bait of its own call', () => {
    const here = [factor('wind', 0.6)];
    const day = naiveDay(t, base, legs(2));
    const share = (spotId: string) => {
      const l = day?.legs.find((x) => x.spotId === spotId);
      return (l?.expected ?? 0) / (l?.hoped ?? 1);
    };
    const least = Math.min(...(day?.legs.map((l) => share(l.spotId)) ?? []));
    const most = Math.max(...(day?.legs.map((l) => share(l.spotId)) ?? []));
    expect(whyOf(here, [factor('wind', 1)], 0.94 / least)).toEqual(new Set(['as good in tomorrow’s wind']));
    asked.length = 0;
    expect(whyOf(here, [factor('wind', 1)], 0.92 / most)).not.toContain('as good in tomorrow’s wind');
    for (const l of day?.legs ?? []) {
      const bait = base.calls.find((c) => c.spotId === l.spotId)?.presentationId;
      const middle = (l.startMs + l.departMs) / 2;
      const own = asked.filter((q) => q.spot === l.spotId && q.presentation === bait && Math.abs(q.at - middle) < 20 * MINUTE);
      // Once in tomorrow's wind, once in yesterday's.
      expect(own.map((q) => (q.conditions.windMps ?? 0) > 2)).toEqual(expect.arrayContaining([true, false]));
    }
  });
  it('is counted over its own open hours, and the day’s range by the spread of its stays', () => {
    const day = naiveDay(t, base, legs(2));
    const problem = itineraryProblem({ ...t, taken: [] }, base);
    expect(day?.legs).toHaveLength(2);
    const step = (ms: number) => Math.round((ms - t.startsAt) / (5 * MINUTE));
    for (const l of day?.legs ?? []) {
      const own = problem.spots.find((x) => x.id === l.spotId);
      const s = t.spots.findIndex((x) => x.id === l.spotId);
      const open = base.open[s] ?? [];
      const by = open.reduce((sum, [a, b]) => {
        const [from, to] = [Math.max(a, step(l.startMs)), Math.min(b, step(l.departMs))];
        return own && to > from ? sum + expectedFish(problem, own, from, to) : sum;
      }, 0);
      expect(l.expected).toBeCloseTo(by, 9);
    }
    expect(day).toMatchObject(countRange(day?.expected as number, 2 * base.model.dispersion));
  });
  it('is laid with the baits that are in the boat', () => {
    const worm = rankTrip(t, { model: base.model, aboard: ['worm'] });
    const day = naiveDay(t, worm, legs(2));
    const wind = windLater(t.water.wind as NonNullable<typeof t.water.wind>, 24);
    const asYesterday = { ...t, water: { ...t.water, wind } };
    const by = (aboard: string[]) =>
      layDay(asYesterday, rankTrip(asYesterday, { model: base.model, aboard }), { bans: ['barred'] }).expected;
    expect(day?.hoped).toBeCloseTo(by(['worm']), 9);
    expect(Math.abs(by(['worm']) - by(['worm', 'shad']))).toBeGreaterThan(0.01);
  });
});

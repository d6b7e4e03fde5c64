// The ranking's own arithmetic, with rates that are given: which hour and a half, which bait, within what a boat can reach.
import { describe, expect, it } from 'vitest';
import { fitCatchRate } from '../catchrate/fitCatchRate';
import type { FishedSet } from '../catchrate/world';
import { seeded } from '../units/seeded';
import { HOUR, MINUTE } from '../units/time';
import type { PlanInputs } from './planInputs';
import { rankTrip, stepAt, stepsOf, worldOf } from './rankTrip';
import { inputs, roughWay, START } from './testTrip';
import { nth } from '../units/indexed';

const STEP = 5 * MINUTE;
const still = (mps: number) => ({ atMs: [START - 96 * HOUR, START + 24 * HOUR], value: [mps, mps], forecastFrom: 1 });
const CALM = { ...inputs().water, wind: { east: still(1), north: still(1), gust: null } } as PlanInputs['water'];
/** A calm day on which nothing is shut but what a test shuts. */
const trip = (more: Partial<PlanInputs> = {}) =>
  inputs({ water: CALM, spots: inputs().spots.map((s) => ({ ...s, accessDepthM: null })), ...more });
const fitted = fitCatchRate(worldOf(trip()), trip().sets);
/** A model whose rates are said by spot, bait and the quarter of an hour. */
const saying = (rate: (spot: number, bait: number, quarter: number) => number) => ({
  ...fitted,
  ratesAt: (s: number, baits: readonly number[], at: number, _: unknown, out: Float64Array) =>
    baits.forEach((b, i) => {
      out[i] = rate(s, b, Math.round((at - START) / (15 * MINUTE)));
    }),
});
const steps = stepsOf(trip());
const callOf = (r: ReturnType<typeof rankTrip>, spot: string) => r.calls.find((c) => c.spotId === spot);
const stepOf = (ms: number | undefined) => ((ms ?? 0) - START) / STEP;

describe('the steps of a trip', () => {
  it('are whole ones of five minutes from its start', () => {
    expect(stepsOf({ startsAt: 0, endsAt: 6 * HOUR + 4 * MINUTE })).toBe(72);
    expect(stepAt({ startsAt: START }, 7)).toBe(START + 35 * MINUTE);
  });
});

describe('the best window of a spot', () => {
  it('is the hour and a half with the highest mean of one bait, found by trying every one', () => {
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const random = seeded(seed);
      const table = Array.from({ length: 3 }, () => Array.from({ length: 2 }, () => Array.from({ length: 24 }, () => random() * 3)));
      const ranking = rankTrip(trip(), { model: saying((s, b, q) => table[s]?.[b]?.[q] ?? 0) });
      expect(ranking.calls).toHaveLength(3);
      trip().spots.forEach((spot, s) => {
        // Out by 10, 5 and 8 minutes, and home as long: in steps 2, 1 and 2.
        const away = nth([2, 1, 2], s);
        let best = { rate: -1, from: 0, bait: 0 };
        for (let b = 0; b < 2; b++)
          for (let from = away; from + 18 <= steps - away; from++) {
            let sum = 0;
            for (let t = from; t < from + 18; t++) sum += table[s]?.[b]?.[Math.floor(t / 3)] as number;
            if (sum / 18 > best.rate + 1e-12) best = { rate: sum / 18, from, bait: b };
          }
        const call = callOf(ranking, spot.id);
        expect(call?.ratePerRodHour).toBeCloseTo(best.rate, 9);
        expect([stepOf(call?.fromMs), stepOf(call?.toMs)]).toEqual([best.from, best.from + 18]);
        expect(call?.presentationId).toBe(trip().presentations[best.bait]?.id);
        const mean = (b: number) => {
          let sum = 0;
          for (let t = best.from; t < best.from + 18; t++) sum += table[s]?.[b]?.[Math.floor(t / 3)] as number;
          return sum / 18;
        };
        expect(call?.others.map((o) => o.ratePerRodHour)).toEqual(
          [mean(0), mean(1)].sort((x, y) => y - x).map((r) => expect.closeTo(r, 9)),
        );
      });
      const rates = ranking.calls.map((c) => c.ratePerRodHour);
      expect(rates).toEqual([...rates].sort((x, y) => y - x));
    }
  });
  it('is the whole of a stretch that is shorter, and none in one too short for a stay', () => {
    const rest = (atH: number) => ({ ...trip(), endsAt: START + atH * HOUR });
    const short = rankTrip(rest(1.25), { model: saying(() => 1) });
    // 75 minutes are 15 steps; from the 10 minutes out to the 10 before the end.
    expect([stepOf(callOf(short, 'exposed')?.fromMs), stepOf(callOf(short, 'exposed')?.toMs)]).toEqual([2, 13]);
    const none = rankTrip(rest(0.5), { model: saying(() => 1) });
    expect(none.calls.map((c) => c.spotId)).not.toContain('exposed');
    expect(none.shut.find((s) => s.spotId === 'exposed')?.why).toBe('no way there and back within its hours');
  });
  it('keeps to the first where several give the same, and spots and baits that are alike stand by their names', () => {
    const alike = rankTrip(trip(), { model: saying(() => 2) });
    expect(alike.calls.map((c) => c.spotId)).toEqual(['barred', 'exposed', 'lee']);
    for (const c of alike.calls) expect(c.others.map((o) => o.presentationId)).toEqual(['shad', 'worm']);
    expect(stepOf(callOf(alike, 'lee')?.fromMs)).toBe(1);
    const turned = trip({ presentations: [...trip().presentations].reverse(), spots: [...trip().spots].reverse() });
    const back = rankTrip({ ...turned, dockTravelMin: [8, 5, 10] }, { model: saying(() => 2) });
    expect(back.calls.map((c) => c.spotId)).toEqual(['barred', 'exposed', 'lee']);
    for (const c of back.calls) expect(c.others.map((o) => o.presentationId)).toEqual(['shad', 'worm']);
  });
  it('fills the last quarter of an hour of a trip that ends within one', () => {
    const ranking = rankTrip({ ...trip(), endsAt: START + 6 * HOUR + 5 * MINUTE }, { model: saying((_, __, q) => q) });
    for (const spot of ranking.rates)
      for (const list of spot) {
        expect(list).toHaveLength(73);
        expect(list).toEqual(Array.from({ length: 73 }, (_, t) => Math.floor(t / 3)));
      }
    expect(ranking.conditionsAt(0, 72)).toBe(ranking.conditionsAt(0, 200));
  });
});

describe('what a boat can reach', () => {
  const far = (dock: (number | null)[], travel = trip().travelMin) =>
    rankTrip(trip({ dockTravelMin: dock, travelMin: travel }), { model: saying(() => 2) });
  it('is there by way of another spot, where that is sooner, and must be home by the way there is', () => {
    // The stone lies 100 minutes from the dock, but 8 from the wall, which lies 5 from it: 1 and 2 steps. Home it is the long way.
    const call = callOf(far([100, 5, 8]), 'exposed');
    expect(stepOf(call?.fromMs)).toBe(3);
    const late = rankTrip(trip({ dockTravelMin: [100, 5, 8] }), { model: saying((_, __, q) => q) });
    expect(stepOf(callOf(late, 'exposed')?.toMs)).toBe(steps - 20);
  });
  it('is reached over two others where each leg is short', () => {
    const travel = [
      [0, 200, 6],
      [200, 0, 6],
      [6, 6, 0],
    ];
    const call = callOf(far([150, 5, 160], travel), 'exposed');
    // To the wall 1 step, to the pool 2 more, to the stone 2 more.
    expect(stepOf(call?.fromMs)).toBe(5);
  });
  it('is nothing where the way takes the whole trip, or there is none between', () => {
    const none = far(
      [400, 5, 8],
      [
        [0, 400, 400],
        [400, 0, 10],
        [400, 10, 0],
      ],
    );
    expect(none.calls.map((c) => c.spotId)).toEqual(['barred', 'lee']);
    expect(none.shut).toEqual([{ spotId: 'exposed', why: 'no way there and back within its hours' }]);
    const apart = far([400, 5, 8], [
      [0, null, null],
      [null, 0, 10],
      [null, 10, 0],
    ] as never);
    expect(apart.shut).toEqual([{ spotId: 'exposed', why: 'no way there and back within its hours' }]);
  });
});

describe('a way that the sea shuts', () => {
  const rough = (fromMs: number) => roughWay(trip(), fromMs);
  it('the whole trip long says so in place of a call; for a part of it the call stands before it and tells of it', () => {
    const all = rankTrip(rough(START - 10 * HOUR), { model: saying(() => 2) });
    expect(all.shut).toEqual([{ spotId: 'lee', why: 'waves over the limit on the way there during the whole trip' }]);
    expect(all.open[1]).toEqual([]);
    const part = rankTrip(rough(START + 3 * HOUR), { model: saying(() => 2) });
    expect(part.shut).toEqual([]);
    const shut = part.ways.dock[1]?.ranges[0] as [number, number];
    const call = callOf(part, 'lee');
    expect(stepOf(call?.toMs)).toBeLessThanOrEqual(shut[0]);
    expect(call?.wayShut).toEqual([{ fromMs: stepAt(trip(), shut[0]), toMs: stepAt(trip(), shut[1]), why: 'waves over the limit' }]);
    expect(callOf(part, 'exposed')?.wayShut).toEqual([]);
  });
});

describe('what a call stands on', () => {
  it('are the stops in like water, forty at most, each once, without sets that belong to none or to another spot', () => {
    const one = trip().sets.find((s) => s.spot === 'lee') as FishedSet;
    const near = callOf(rankTrip(trip(), { model: saying(() => 2) }), 'lee');
    const at = trip().now - HOUR;
    const many = Array.from({ length: 90 }, (_, i): FishedSet => ({ ...one, at, stopId: `s${Math.floor(i / 2)}` }));
    const { stopId: _, ...nameless } = { ...one, at };
    const sets = [...many, nameless as FishedSet, { ...one, at, spot: 'gone' }, { ...one, at, spot: 'exposed', stopId: 'elsewhere' }];
    const call = callOf(rankTrip({ ...trip(), sets }, { model: saying(() => 2) }), 'lee');
    expect(near).toBeDefined();
    expect(call?.likeStopIds.length).toBeLessThanOrEqual(40);
    expect(call?.likeStopIds.length).toBeGreaterThanOrEqual(19);
    expect(call?.likeStopIds).not.toContain('');
    expect(call?.likeStopIds).not.toContain('elsewhere');
    expect(new Set(call?.likeStopIds).size).toBe(call?.likeStopIds.length);
    const few = callOf(rankTrip({ ...trip(), sets: [nameless as FishedSet] }, { model: saying(() => 2) }), 'lee');
    expect(few?.likeStopIds).toEqual([]);
    expect(few?.likeRodHours).toBeGreaterThan(0);
  });
});

describe('the world of a trip’s rates', () => {
  it('is fresh on a lake and salt elsewhere, and has tides where the water has', () => {
    expect(worldOf(trip()).tidal).toBe(true);
    expect(worldOf(trip({ water: { ...CALM, tide: null } })).tidal).toBe(false);
    const fresh = (still?: boolean) =>
      new Set(worldOf(trip({ water: { ...CALM, ...(still === undefined ? {} : { still }) } as never })).spots.map((s) => s.fresh));
    expect(fresh(true)).toEqual(new Set([true]));
    expect(fresh(false)).toEqual(new Set([false]));
    expect(fresh()).toEqual(new Set([false]));
  });
});

// The three sentences of days made up by hand: each word of them for its reason.
import { describe, expect, it } from 'vitest';
import type { WindSeries } from '../weather/wind';
import { windComponents } from '../weather/wind';
import { inMetric } from '../units/measure';
import { HOUR, MINUTE } from '../units/time';
import { daySentences } from './daySentences';
import type { PlanLeg } from './plannedDay';
import type { PlanInputs } from './planInputs';
import type { Ranking } from './rankTrip';
import { END, inputs, START } from './testTrip';

/** Wind by the hour of the trip, from where and how hard; even between. */
function wind(at: (hour: number) => readonly [mps: number, fromDeg: number]): WindSeries {
  const hours = Array.from({ length: 120 }, (_, i) => START + (i - 96) * HOUR);
  const part = (which: 'east' | 'north') => ({
    atMs: hours,
    value: hours.map((t) => {
      const [mps, from] = at((t - START) / HOUR);
      return windComponents(mps, from)[which];
    }),
    forecastFrom: 80,
  });
  return { east: part('east'), north: part('north'), gust: null } as never;
}
const STEADY = wind(() => [4, 225]);
const day = (w: WindSeries = STEADY, more: Partial<PlanInputs> = {}) => inputs({ ...more, water: { ...inputs().water, wind: w } as never });
const FAIR = {
  tideHeightM: 1,
  stillWater: false,
  waveM: 0,
  windMps: 3,
  windGustMps: 4,
  windFromDeg: 225,
  currentMps: 0.1,
  currentToDeg: 0,
  visibilityM: 9000,
  thunder: false,
  sunHeightDeg: 30,
  waterTempC: 17,
  airTempC: 16,
  dewPointC: 10,
  tideStage: null,
  tidePush: null,
  sinceTurnH: null,
};
const ranking = (at: (spot: number, step: number) => object = () => ({})) =>
  ({ conditionsAt: (s: number, t: number) => ({ ...FAIR, ...at(s, t) }) }) as unknown as Ranking;
const leg = (spotId: string, from: number, to: number, expected: number, presentationId = 'shad'): PlanLeg => ({
  spotId,
  presentationId,
  parts: [],
  arriveMs: START + from * MINUTE,
  startMs: START + from * MINUTE,
  departMs: START + to * MINUTE,
  expected,
  lo80: 0,
  hi80: 9,
  pinned: false,
});
const told = (inputsOf: PlanInputs, legs: PlanLeg[], r = ranking()) => {
  const expected = legs.reduce((s, l) => s + l.expected, 0);
  return inMetric(daySentences(inputsOf, r, { legs, expected, lo80: 2, hi80: 12 }));
};
const late = (spotId: string, from: number, expected: number) => leg(spotId, from, 350, expected);

describe('where a day begins', () => {
  it('is said with the spot, its bait as far as the comma, and the hour', () => {
    const presentations = inputs().presentations.map((p) => (p.id === 'worm' ? { ...p, name: 'Worm, drop rig, 20 g' } : p));
    expect(told(day(STEADY, { presentations }), [leg('lee', 20, 90, 3, 'worm'), late('exposed', 110, 2)])[0]).toBe(
      'Start at Lee wall with Worm, lines in at 08:20.',
    );
  });
  it('is said of a kept spot and a bait that is not known without their names', () => {
    expect(told(day(), [leg('secret', 20, 90, 3, 'gone'), late('exposed', 110, 2)])[0]).toBe(
      'Start at a kept spot with what is aboard, lines in at 08:20.',
    );
  });
});

describe('where the fish of a day are', () => {
  const second = (first: number, then: number) => told(day(), [leg('lee', 20, 90, first), late('exposed', 110, then)])[1];
  it('is the stop with the most of them, and how much of the day it is', () => {
    expect(second(9, 1)).toBe('From 08:20 it gives nearly all of the day’s fish; in all about 10 fish (2 to 12).');
    expect(second(1, 9)).toBe('From 09:50 Exposed stone gives nearly all of the day’s fish; in all about 10 fish (2 to 12).');
    // As many at both: the first.
    expect(second(2, 2)).toMatch(/^From 08:20 it gives half of/);
  });
  it.each([
    [85, 'nearly all'],
    [84, 'two thirds'],
    [62, 'two thirds'],
    [61, 'half'],
    [51, 'half'],
  ])('%s of a hundred fish is %s', (n, words) => {
    expect(second(n, 100 - n)).toContain(` gives ${words} of the day’s fish`);
  });
  it.each([
    [45, 'half'],
    [44, 'a third'],
    [29, 'a third'],
    [28, 'a quarter'],
    [20.1, 'a quarter'],
    [19, 'the most'],
  ])('of many stops %s of a hundred is %s', (n, words) => {
    const rest = Array.from({ length: 12 }, (_, i) => leg('exposed', 100 + i * 20, 115 + i * 20, (100 - n) / 12));
    expect(told(day(), [leg('lee', 20, 90, n), ...rest, late('barred', 345, 0)])[1]).toContain(` gives ${words} of the day’s fish`);
  });
  it('is all of it at one stop, and nothing at all of a day without fish', () => {
    expect(told(day(), [leg('lee', 20, 350, 3)])[1]).toBe('The whole day is there: about 3 fish (2 to 12).');
    expect(told(day(), [leg('lee', 20, 90, 0), late('exposed', 110, 0)])[1]).toBe(
      'From 08:20 it gives the most of the day’s fish; in all about less than one fish (2 to 12).',
    );
  });
  it('is told with the tide at the middle of that stop', () => {
    const tide = (more: object) =>
      told(
        day(),
        [leg('lee', 20, 90, 1), leg('exposed', 110, 350, 9)],
        // The middle of the second stop is 230 min on: step 46.
        ranking((s, t) => (s === 0 && t === 46 ? more : {})),
      )[1]?.replace(/ Exposed.*/, '');
    expect(tide({})).toBe('From 09:50');
    expect(tide({ tideStage: 0.2, tidePush: 0.75 })).toBe('From 09:50 with the run-in at its strongest');
    expect(tide({ tideStage: 0.5, tidePush: 0.9 })).toBe('From 09:50 with the run-out at its strongest');
    expect(tide({ tideStage: 0.05, tidePush: 0.74, sinceTurnH: 0.9 })).toBe('From 09:50 with the first of the run-in');
    expect(tide({ tideStage: 0.7, tidePush: 0.2, sinceTurnH: 1 })).toBe('From 09:50 on the run-out');
    expect(tide({ tideStage: 0.7 })).toBe('From 09:50 on the run-out');
    const one = told(
      day(),
      [leg('lee', 20, 350, 3)],
      ranking(() => ({ tideStage: 0.6, tidePush: 1 })),
    );
    expect(one[1]).toBe('The whole day is there: about 3 fish (2 to 12), with the run-out at its strongest.');
    expect(
      told(
        day(),
        [leg('secret', 20, 350, 3)],
        ranking(() => ({ tideStage: 0.6, tidePush: 1 })),
      )[1],
    ).toBe('The whole day is there: about 3 fish (2 to 12).');
  });
});

describe('what turns a day', () => {
  const legs = [leg('lee', 20, 90, 3), leg('exposed', 110, 350, 2)];
  const third = (w: WindSeries, l = legs) => told(day(w), l)[2];
  it('is a wind that gets up by three metres a second, from the half hour in which it is half way', () => {
    expect(third(STEADY)).toBe('Lines up at 13:50 at Exposed stone, with much the same wind all day.');
    expect(third(wind((h) => [4 + Math.max(0, Math.min(6, h)) * 0.49, 225]))).toContain('much the same wind');
    // From 4 after two hours to 9 after three and 10 then: half way at 7, between half past two and three.
    const up = wind((h) => [h <= 2 ? 4 : h < 4 ? 9 : 10, 225]);
    expect(third(up)).toBe('The wind gets up to 10 m/s about 11:00; lines up at 13:50 at Exposed stone.');
    // One that drops is not spoken of.
    expect(third(wind((h) => [10 - Math.max(0, Math.min(6, h)), 225]))).toContain('much the same wind');
  });
  it('is a wind that goes round by fifty degrees, unless it dies', () => {
    const round = (deg: number, mps = 5) => third(wind((h) => (h < 3.5 ? [5, 225] : [mps, 225 + deg])));
    expect(round(51)).toMatch(/^The wind goes round to the west about 1[12]:[03]0; lines up at 13:50 at Exposed stone\.$/);
    expect(round(49)).toContain('much the same wind');
    expect(round(-60)).toContain('goes round to the south about');
    expect(round(180, 1.9)).toContain('much the same wind');
    expect(round(90, 2)).toContain('goes round to the north-west about');
  });
  it('sends the boat on where it leaves a stop as the wind turns', () => {
    const w = wind((h) => (h < 2 ? [4, 225] : [12, 225]));
    const on = [leg('lee', 20, 90, 3), leg('barred', 100, 350, 2)];
    expect(third(w, on)).toMatch(/^When the wind gets up to 12 m\/s about 09:30, go to Barred pool; lines up at 13:50\.$/);
    // It is fished through the turn: nothing sends it on.
    expect(third(w, [leg('lee', 20, 200, 3), leg('barred', 210, 350, 2)])).toMatch(
      /^The wind gets up to 12 m\/s about 09:30; lines up at 13:50 at Barred pool\.$/,
    );
    // It lay there long before: as much is said, and not that it goes there now.
    const up = wind((h) => [h <= 3 ? 4 : 12, 225]);
    expect(third(up, [leg('lee', 20, 90, 3), leg('barred', 170, 350, 2)])).toMatch(
      /^The wind gets up .* about 11:30; lines up at 13:50 at Barred pool\.$/,
    );
    expect(third(up, [leg('lee', 20, 90, 3), leg('barred', 180, 350, 2)])).toMatch(
      /^When the wind gets up .* about 11:30, go to Barred pool/,
    );
    // Over before it turns.
    expect(third(w, [leg('lee', 20, 40, 3), leg('barred', 50, 85, 2)])).toMatch(
      /^The wind gets up to 12 m\/s about 09:30; lines up at 09:25 at Barred pool/,
    );
  });
  it('is none where the wind is not known', () => {
    expect(told(inputs({ water: { ...inputs().water, wind: null } as never }), legs)[2]).toBe(
      'Lines up at 13:50 at Exposed stone, with much the same wind all day.',
    );
  });
});

describe('why a day is over early', () => {
  const early = (r: Ranking, to = 240, more: Partial<PlanInputs> = {}) =>
    told(day(STEADY, more), [leg('lee', 20, 90, 3), leg('exposed', 110, to, 2)], r)[2];
  const gale = (from: number, more: object = { windMps: 40 }) => ranking((_, t) => (t >= from ? more : {}));
  it('is not asked within three quarters of an hour of the run home', () => {
    // Ten minutes home: 360 - 10 - 45 = 305.
    expect(early(gale(0), 306)).not.toContain('after that');
    expect(early(gale(0), 304)).toContain('after that');
    expect(early(gale(0), 314, { dockTravelMin: [0, 5, 8] })).toContain('after that');
  });
  it('is what shuts the spots soon after it, most of them', () => {
    // 240 min and half of 45: looked at in step 53.
    expect(early(gale(53))).toBe(
      'Lines up at 12:00 at Exposed stone; after that no spot is within this party’s limits: wind over the limit.',
    );
    expect(early(gale(54))).toBe('Lines up at 12:00 at Exposed stone; no other spot is worth the run after that.');
    const open = inputs().spots.map((x) => ({ ...x, accessDepthM: null }));
    const most = ranking((s) => (s === 0 ? { windMps: 40, windGustMps: null } : { waveM: 3 }));
    expect(early(most, 240, { spots: open })).toContain('limits: waves over the limit.');
    const least = ranking((s) => (s === 2 ? { waveM: 3 } : { windMps: 40, windGustMps: null }));
    expect(early(least, 240, { spots: open })).toContain('limits: wind over the limit.');
  });
  it('is that none is worth it where one is open, or none can be reached', () => {
    expect(early(ranking((s) => (s === 1 ? {} : { windMps: 40 })))).toContain('; no other spot is worth the run after that.');
    expect(early(gale(0), 240, { dockTravelMin: [null, null, null] })).toContain('; no other spot is worth the run after that.');
    // A spot without a way is not counted as open.
    expect(
      early(
        ranking((s) => (s === 1 ? {} : { windMps: 40 })),
        240,
        { dockTravelMin: [10, null, 8] },
      ),
    ).toContain('limits: wind over the limit.');
  });
  it('is judged against the end of this trip', () => {
    expect(END - START).toBe(6 * HOUR);
    expect(early(gale(0), 304, { endsAt: END - 10 * MINUTE })).not.toContain('after that');
  });
});

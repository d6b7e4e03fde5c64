// Levels of conditions, edge by edge, and what is said where nobody knows.
import { describe, expect, it } from 'vitest';
import { DAY } from '../units/time';
import { GROUPS, type Levels, levelsOf, listsOf, waterLevels, WEEK_GROUP } from './groups';
import { RATE_RULES } from './rateRules';
import { type Envelope, ENVELOPE_SPANS } from './envelope';
import type { RateConditions, RateWorld } from './world';

/** How a bait fits a line of its envelope. */
const fitOf = (v: Levels, key: string) => v.fits[ENVELOPE_SPANS.findIndex((s) => s.key === key)] ?? Number.NaN;

const NOON = Date.UTC(2026, 5, 19, 12);
const ENVELOPE: Envelope = {
  depthMinM: 2,
  depthMaxM: 4,
  tempMinC: 8,
  tempMaxC: 18,
  clarityMinM: 0.75,
  clarityMaxM: 1.5,
  windMinMps: 4,
  windMaxMps: 9,
  currentMinMps: 0.4,
  currentMaxMps: 1,
  light: [0, 1],
  cover: ['rock'],
  months: [1, 6, 7],
};
const world: RateWorld = {
  now: NOON,
  spots: [{ id: 'a', structure: 'rock' }, { id: 'b', structure: 'drain' }, { id: 'c' }, { id: 'd', structure: 'rock' }],
  presentations: [
    { id: 'made', family: 'F7', envelope: ENVELOPE },
    { id: 'any', family: 'F2', envelope: null },
    { id: 'none', envelope: { ...ENVELOPE, light: [], cover: [], months: [] } },
  ],
};
const lists = listsOf(world);
const at = (c: RateConditions, { spot = 0, bait = 0, ms = NOON } = {}) => levelsOf(world, lists, spot, bait, ms, c);
const each = <K extends keyof RateConditions>(key: K, values: readonly RateConditions[K][], of: (v: Levels) => number, more: object = {}) =>
  values.map((value) => of(at({ [key]: value } as RateConditions, more)));
const group = (name: string) => GROUPS.find((g) => g.name === name) as (typeof GROUPS)[number];
const NOTHING = [null, undefined, Number.NaN] as const;

describe('a level', () => {
  it('of water temperature, clarity and wind begins at its lower edge', () => {
    expect(each('waterTempC', [6.9, 7, 9.9, 10, 13, 16, 18.9, 19, 30], (v) => v.temp)).toEqual([0, 1, 1, 2, 3, 4, 4, 5, 5]);
    expect(each('clarityM', [0.9, 1, 2.4, 2.5], (v) => v.clarity)).toEqual([0, 1, 1, 2]);
    expect(each('windMps', [1.9, 2, 4.9, 5, 8.9, 9], (v) => v.wind)).toEqual([0, 1, 1, 2, 2, 3]);
  });
  it('of the tide is an eighth of the run-in and run-out, the last one to its end', () => {
    expect(each('tideStage', [0, 0.124, 0.125, 0.499, 0.5, 0.99, 1], (v) => v.stage)).toEqual([0, 0, 1, 3, 4, 7, 7]);
  });
  it('of the wind’s direction is the nearest eighth, and a calm has none', () => {
    const from = (deg: number | null | undefined, windMps = 5) => at({ windFromDeg: deg, windMps }).octant;
    expect([0, 22, 23, 45, 337, 338, 360].map((d) => from(d))).toEqual([0, 0, 1, 1, 7, 0, 0]);
    expect([from(90, 1.9), from(90, 2), from(null, 1.9), from(null), from(undefined)]).toEqual([8, 2, 8, -1, -1]);
    // A wind that is not known is no calm.
    expect(at({ windFromDeg: 90, windMps: null }).octant).toBe(2);
    expect(at({ windFromDeg: 90 }).octant).toBe(2);
  });
  it('of the wind on the bank is off it, along it or onto it, in cold and in warm water', () => {
    const bank = (onshore: number | null | undefined, waterTempC: number | null | undefined = 14, windMps: number | null = 5) =>
      at({ onshore, waterTempC, windMps }).bankWind;
    expect([-1, -0.36, -0.35, 0, 0.35, 0.36, 1].map((o) => bank(o))).toEqual([1, 1, 3, 3, 3, 5, 5]);
    expect([bank(0.5, 9.9), bank(0.5, 10), bank(-0.5, 9), bank(0, 9)]).toEqual([4, 5, 0, 2]);
    expect([bank(null), bank(undefined), bank(0.5, null), at({ onshore: 0.5, windMps: 5 }).bankWind, bank(0.5, 14, 1.9)]).toEqual([
      -1, -1, -1, -1, -1,
    ]);
    expect([bank(0.5, 14, 2), bank(0.5, 14, null)]).toEqual([5, 5]);
  });
  it('of time is the month of the year and the week back from now, the oldest together', () => {
    const v = (days: number) => at({}, { ms: NOON - days * DAY });
    expect([v(0).month, v(30).month, v(170).month]).toEqual([5, 4, 11]);
    expect([v(-3), v(0), v(6.9), v(7), v(14), v(7 * 159), v(7 * 400)].map((x) => x.week)).toEqual([0, 0, 0, 1, 2, 159, 159]);
  });
  it('is none where nobody knows', () => {
    for (const nothing of NOTHING) {
      const v = at({
        waterTempC: nothing,
        clarityM: nothing,
        windMps: nothing,
        depthM: nothing,
        currentMps: nothing,
        sunHeightDeg: nothing,
      });
      expect([
        v.temp,
        v.clarity,
        v.wind,
        v.light,
        fitOf(v, 'temp'),
        fitOf(v, 'clarity'),
        fitOf(v, 'wind'),
        fitOf(v, 'depth'),
        fitOf(v, 'current'),
        v.lightFit,
      ]).toEqual(new Array(10).fill(-1));
    }
    for (const nothing of [null, undefined]) expect(at({ tideStage: nothing }).stage).toBe(-1);
  });
});

describe('how a bait fits', () => {
  it('is inside to its edges, near within its margin, outside beyond', () => {
    // Margins: three tenths of the greatest depth, 3 C, 0.5 m, 2 m/s, 0.2 m/s.
    expect(each('depthM', [0.79, 0.81, 2, 4, 5.19, 5.21], (v) => fitOf(v, 'depth'))).toEqual([2, 1, 0, 0, 1, 2]);
    expect(each('waterTempC', [4.9, 5, 8, 18, 21, 21.1], (v) => fitOf(v, 'temp'))).toEqual([2, 1, 0, 0, 1, 2]);
    expect(each('clarityM', [0.24, 0.25, 0.75, 1.5, 2, 2.01], (v) => fitOf(v, 'clarity'))).toEqual([2, 1, 0, 0, 1, 2]);
    expect(each('windMps', [1.9, 2, 4, 9, 11, 11.1], (v) => fitOf(v, 'wind'))).toEqual([2, 1, 0, 0, 1, 2]);
    expect(each('currentMps', [0.19, 0.2, 0.4, 1, 1.2, 1.21], (v) => fitOf(v, 'current'))).toEqual([2, 1, 0, 0, 1, 2]);
  });
  it('has one edge where only one is told, and none where neither is', () => {
    const open = (envelope: Partial<Envelope>, c: RateConditions) => {
      const other = { ...world, presentations: [{ id: 'x', envelope: { ...ENVELOPE, ...envelope } }] };
      return levelsOf(other, listsOf(other), 0, 0, NOON, c);
    };
    expect([0.1, 0.3, 0.5, 9].map((currentMps) => fitOf(open({ currentMaxMps: null }, { currentMps }), 'current'))).toEqual([2, 1, 0, 0]);
    expect([0, 0.9, 1.1, 1.3].map((currentMps) => fitOf(open({ currentMinMps: null }, { currentMps }), 'current'))).toEqual([0, 0, 1, 2]);
    expect(fitOf(open({ currentMinMps: null, currentMaxMps: null }, { currentMps: 0.5 }), 'current')).toBe(-1);
    // A shallow bait has half a metre of margin.
    expect([0.49, 0.51, 1.49, 1.51].map((depthM) => fitOf(open({ depthMinM: 1, depthMaxM: 1 }, { depthM }), 'depth'))).toEqual([
      2, 1, 1, 2,
    ]);
  });
  it('is by cover, month and light where its kind has any', () => {
    expect([0, 1, 2].map((spot) => at({}, { spot }).coverFit)).toEqual([0, 2, -1]);
    const month = (m: number) => at({}, { ms: Date.UTC(2026, m - 1, 15) }).seasonFit;
    expect([1, 2, 3, 4, 5, 6, 7, 8, 9, 11, 12].map(month)).toEqual([0, 1, 2, 2, 1, 0, 0, 1, 2, 2, 1]);
    expect(each('sunHeightDeg', [-10, 0, 20, 50], (v) => v.lightFit)).toEqual([0, 0, 2, 2]);
    const none = at({ sunHeightDeg: 20 }, { bait: 2 });
    expect([none.coverFit, none.seasonFit, none.lightFit]).toEqual([-1, -1, -1]);
    const any = at({ depthM: 3, waterTempC: 12, clarityM: 1, windMps: 5, currentMps: 0.5, sunHeightDeg: 20 }, { bait: 1 });
    expect([
      fitOf(any, 'depth'),
      fitOf(any, 'temp'),
      fitOf(any, 'clarity'),
      fitOf(any, 'wind'),
      fitOf(any, 'current'),
      any.coverFit,
      any.seasonFit,
      any.lightFit,
    ]).toEqual(new Array(8).fill(-1));
  });
  it('is not told of the water alone', () => {
    const v = waterLevels(world, lists, 0, NOON, { depthM: 3, waterTempC: 12, sunHeightDeg: 20 });
    expect([
      v.presentation,
      v.family,
      fitOf(v, 'depth'),
      fitOf(v, 'temp'),
      fitOf(v, 'clarity'),
      fitOf(v, 'wind'),
      fitOf(v, 'current'),
      v.coverFit,
      v.seasonFit,
      v.lightFit,
    ]).toEqual(new Array(10).fill(-1));
    for (const [k, r] of RATE_RULES.entries()) if (r.bait) expect(v.rules[k], r.name).toBe(-1);
    // A spot or bait that is not in the world has no kind.
    expect(waterLevels(world, lists, 99, NOON, {}).structure).toBe(-1);
    expect(at({}, { bait: 99 }).family).toBe(-1);
  });
});

describe('a group', () => {
  it('of two things is unknown where one of them is', () => {
    const v = at({ tideStage: 0.9, sunHeightDeg: 20 }, { spot: 2, bait: 1 });
    expect([v.structure, v.family]).toEqual([-1, 0]);
    expect(group('structure and family').code(v, lists)).toBe(-1);
    expect(group('structure and family').code(at({}, { spot: 1, bait: 2 }), lists)).toBe(-1);
    // Structures drain and rock, families F2 and F7.
    expect(group('structure and family').code(at({}, { spot: 3, bait: 0 }), lists)).toBe(3);
    expect(group('structure and family').size(lists)).toBe(4);
    expect(group('spot and presentation').code(at({}, { spot: 3, bait: 1 }), lists)).toBe(10);
    expect(group('spot and tide stage').code(v, lists)).toBe(2 * 8 + 7);
    expect(group('spot and tide stage').code(at({}), lists)).toBe(-1);
  });
  it('of the tide takes run-in and run-out together, and each spot’s own run apart', () => {
    const code = (name: string, tideStage: number | null) => group(name).code(at({ tideStage }, { spot: 1 }), lists);
    expect([0, 0.2, 0.4, 0.5, 0.7, 0.99].map((s) => code('tide stage', s))).toEqual([0, 1, 3, 0, 1, 3]);
    expect([0, 0.2, 0.49, 0.5, 0.99].map((s) => code('spot and run', s))).toEqual([2, 2, 2, 3, 3]);
    expect([code('tide stage', null), code('spot and run', null)]).toEqual([-1, -1]);
    expect(group('tide stage').size(lists)).toBe(4);
  });
  it('has room for every level that it can have', () => {
    const c: RateConditions = {
      tideStage: 1,
      sunHeightDeg: 60,
      waterTempC: 30,
      clarityM: 9,
      windMps: 20,
      windFromDeg: 300,
      onshore: 1,
      depthM: 99,
      currentMps: 9,
    };
    for (const g of [...GROUPS, WEEK_GROUP]) {
      const code = g.code(at(c, { spot: 3, bait: 0, ms: NOON - 4000 * DAY }), lists);
      expect(code, g.name).toBeLessThan(g.size(lists));
    }
    expect(WEEK_GROUP.size(lists)).toBe(4 * 160);
    expect(WEEK_GROUP.code(at({}, { spot: 1, ms: NOON - 8 * DAY }), lists)).toBe(161);
  });
  it('of a rule of the trade begins at its level’s multiplier, and says which rule it is', () => {
    for (const rule of RATE_RULES) {
      const g = group(rule.name);
      rule.levels.forEach((l, code) => {
        expect(g.prior?.(code, lists)).toEqual({ rule: { id: rule.id, text: rule.text }, mean: l.multiplier, weight: rule.weight });
      });
      expect(g.prior?.(99, lists)?.mean).toBe(1);
    }
  });
  it('says what is missing, and a water without a tide misses none', () => {
    const needs = (name: string, c: RateConditions, w: RateWorld = world) => group(name).needs?.(c, w) ?? null;
    expect([null, undefined].map((tideStage) => needs('tide stage', { tideStage }))).toEqual(['stage of the tide', 'stage of the tide']);
    expect(needs('tide stage', { tideStage: 0 })).toBeNull();
    expect(needs('tide stage', {}, { ...world, tidal: false })).toBeNull();
    expect([
      needs('wind', {}),
      needs('wind', { windMps: 0 }),
      needs('light', {}),
      needs('water temperature', {}),
      needs('depth for the presentation', {}),
    ]).toEqual(['wind', null, 'light', 'water temperature', 'depth']);
  });
});

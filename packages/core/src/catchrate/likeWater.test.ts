// What counts as like water, factor by factor: a set alike in all weighs its whole age, and each thing that differs takes its share.
import { describe, expect, it } from 'vitest';
import { DAY } from '../units/time';
import { bigLureWindow } from './bigLureWindow';
import { HALF_LIFE_DAYS } from './encode';
import { likeWater } from './likeWater';
import type { FishedSet, RateConditions } from './world';

const NOW = Date.UTC(2026, 5, 19, 12);
const SAME: RateConditions = { tideStage: 0.3, waterTempC: 14, windMps: 6, windFromDeg: 225, clarityM: 2, sunHeightDeg: 30, cloud: 0 };
const set = (more: Partial<RateConditions> = {}, own: Partial<FishedSet> = {}): FishedSet => ({
  at: NOW,
  spot: 'lee',
  presentation: 'shad',
  rodHours: 2,
  fish: 3,
  conditions: { ...SAME, ...more },
  ...own,
});
const query = (more: Partial<RateConditions> = {}) => ({ at: NOW, spot: 'lee', presentation: 'shad', conditions: { ...SAME, ...more } });
const weight = (s: FishedSet, q = query()) => likeWater([s], q, NOW).sets[0]?.weight ?? 0;
/** exp(-1/2) at one width from it. */
const ONE_WIDTH = Math.exp(-0.5);

describe('like water', () => {
  it('weighs a set that is alike in all as one, its hours and fish with it', () => {
    expect(likeWater([set()], query(), NOW)).toEqual({ rodHours: 2, fish: 3, sets: [{ set: set(), weight: 1 }] });
    expect(likeWater([set({}, { counts: 1 })], query(), NOW).fish).toBe(1);
    expect(likeWater([set({}, { counts: 0 })], query(), NOW).fish).toBe(0);
    const half = likeWater([set({ tideStage: 0.42 })], query(), NOW);
    expect([half.rodHours, half.fish]).toEqual([2 * ONE_WIDTH, 3 * ONE_WIDTH].map((v) => expect.closeTo(v, 9)));
  });
  it('is of this spot alone, and another bait counts three tenths', () => {
    expect(likeWater([set({}, { spot: 'head' })], query(), NOW)).toEqual({ rodHours: 0, fish: 0, sets: [] });
    expect(weight(set({}, { presentation: 'worm' }))).toBeCloseTo(0.3, 9);
  });
  it('halves by its age, and what is told of after now is as new', () => {
    expect(weight(set({}, { at: NOW - HALF_LIFE_DAYS * DAY }))).toBeCloseTo(0.5, 9);
    expect(weight(set({}, { at: NOW + DAY }))).toBe(1);
  });
  it.each([
    ['tideStage', 0.42],
    ['tideStage', 0.18],
    ['waterTempC', 17],
    ['waterTempC', 11],
    ['windMps', 10],
    ['windMps', 2],
    ['windFromDeg', 285],
    ['windFromDeg', 165],
    ['clarityM', 3],
    ['clarityM', 1],
  ] as const)('takes its share where %s is %s', (name, value) => {
    expect(weight(set({ [name]: value }))).toBeCloseTo(ONE_WIDTH, 9);
  });
  it('goes round the tide and the compass', () => {
    expect(weight(set({ tideStage: 0.96 }), query({ tideStage: 0.08 }))).toBeCloseTo(ONE_WIDTH, 9);
    expect(weight(set({ windFromDeg: 350 }), query({ windFromDeg: 50 }))).toBeCloseTo(ONE_WIDTH, 9);
    expect(weight(set({ windFromDeg: 50 }), query({ windFromDeg: 350 }))).toBeCloseTo(ONE_WIDTH, 9);
  });
  it('asks for no direction of a wind of less than two metres a second, then or now', () => {
    const turned = { windFromDeg: 45 };
    const force = (v: number) => Math.exp(-0.5 * ((6 - v) / 4) ** 2);
    expect(weight(set({ ...turned, windMps: 1.9 }))).toBeCloseTo(force(1.9), 9);
    expect(weight(set(turned), query({ windMps: 1.9 }))).toBeCloseTo(force(1.9), 9);
    // From two on it does: three widths away next to nothing is left.
    expect(weight(set({ ...turned, windMps: 3 }), query({ windMps: 3 }))).toBeCloseTo(Math.exp(-4.5), 9);
    expect(weight(set({ windFromDeg: 285, windMps: 2 }), query({ windMps: 2 }))).toBeCloseTo(ONE_WIDTH, 9);
    // A wind that nobody knows is none: no direction is asked for.
    expect(weight(set({ ...turned, windMps: null }))).toBeCloseTo(0.7, 9);
    expect(weight(set(turned), query({ windMps: null }))).toBeCloseTo(0.7, 9);
  });
  it('counts what is not known on either side as seven tenths', () => {
    for (const name of ['tideStage', 'waterTempC', 'clarityM', 'windFromDeg', 'sunHeightDeg'] as const)
      for (const nothing of [null, undefined]) {
        expect(weight(set({ [name]: nothing })), name).toBeCloseTo(0.7, 9);
        expect(weight(set(), query({ [name]: nothing })), name).toBeCloseTo(0.7, 9);
        expect(weight(set({ [name]: nothing }), query({ [name]: nothing })), name).toBeCloseTo(0.7, 9);
      }
    // Night is a light like the others, the first of them.
    expect(weight(set({ sunHeightDeg: -20 }), query({ sunHeightDeg: -20 }))).toBe(1);
    expect(weight(set({ sunHeightDeg: -20 }))).toBeCloseTo(0.5, 9);
    expect(weight(set(), query({ sunHeightDeg: -20 }))).toBeCloseTo(0.5, 9);
  });
  it('lets go of what weighs less than a hundredth, whatever made it so, and puts the weightiest first', () => {
    expect(weight(set({ tideStage: 0.8 }))).toBe(0);
    expect(weight(set({ waterTempC: 24 }))).toBe(0);
    expect(weight(set({ windMps: 19 }))).toBe(0);
    expect(weight(set({ clarityM: 5.1 }))).toBe(0);
    const { sets } = likeWater([set({ tideStage: 0.42 }), set(), set({ waterTempC: 15 })], query(), NOW);
    expect(sets.map((s) => s.weight)).toEqual([...sets.map((s) => s.weight)].sort((a, b) => b - a));
    expect(sets[0]?.weight).toBe(1);
  });
});

describe('the window of large jointed lures (common practice)', () => {
  const fine = { clarityM: 1, windMps: 6, cloud: 0.8 };
  it('is ten to two, half clear water, a breeze and cloud, its edges within', () => {
    expect(bigLureWindow(12, fine)).toEqual({ hour: true, clarity: true, wind: true, cloud: true });
    expect([9.9, 10, 14, 14.1].map((h) => bigLureWindow(h, fine).hour)).toEqual([false, true, true, false]);
    expect([0.7, 0.75, 1.5, 1.6].map((clarityM) => bigLureWindow(12, { ...fine, clarityM }).clarity)).toEqual([false, true, true, false]);
    expect([4.4, 4.5, 9, 9.1].map((windMps) => bigLureWindow(12, { ...fine, windMps }).wind)).toEqual([false, true, true, false]);
    expect([0.59, 0.6, 1].map((cloud) => bigLureWindow(12, { ...fine, cloud }).cloud)).toEqual([false, true, true]);
  });
  it('is not known where its parts are not', () => {
    expect(bigLureWindow(12, {})).toEqual({ hour: true, clarity: null, wind: null, cloud: null });
    expect(bigLureWindow(12, { clarityM: null, windMps: null, cloud: null })).toEqual({
      hour: true,
      clarity: null,
      wind: null,
      cloud: null,
    });
  });
});

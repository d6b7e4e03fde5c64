// The log as columns: the same whatever the order in which it came, at once or bit by bit; what is not usable is refused by name.
import { describe, expect, it } from 'vitest';
import { DAY } from '../units/time';
import { encode, FIT_GROUPS, HALF_LIFE_DAYS, placesOf } from './encode';
import { listsOf } from './groups';
import type { FishedSet, RateWorld } from './world';
import { nth } from '../units/indexed';

const NOW = Date.UTC(2026, 5, 19, 12);
const world: RateWorld = { now: NOW, spots: [{ id: 'lee' }, { id: 'head' }], presentations: [{ id: 'shad' }, { id: 'worm' }] } as never;
const set = (daysAgo: number, more: Partial<FishedSet> = {}): FishedSet => ({
  at: NOW - daysAgo * DAY,
  spot: 'lee',
  presentation: 'shad',
  rodHours: 2,
  fish: 3,
  conditions: { tideStage: 0.3 },
  ...more,
});
const lists = listsOf(world);
const coded = (sets: readonly FishedSet[], after?: ReturnType<typeof encode>) => encode(world, lists, placesOf(world), sets, after);
/** Sets that differ in one thing at a time, in their order. */
const ORDERED = [
  set(3),
  set(2, { spot: 'head' }),
  set(2),
  set(1, { presentation: 'shad', rodHours: 1 }),
  set(1, { rodHours: 2, fish: 1 }),
  set(1, { rodHours: 2, fish: 2, conditions: { tideStage: null } }),
  set(1, { rodHours: 2, fish: 2, conditions: { tideStage: 0.1 } }),
  set(1, { rodHours: 2, fish: 2, conditions: { tideStage: 0.2 } }),
  set(1, { presentation: 'worm', rodHours: 1 }),
];

describe('the log as columns', () => {
  it('halves hours and fish by their age', () => {
    const { count, fish, effort, weight } = coded([set(HALF_LIFE_DAYS), set(-1)]);
    expect(count).toBe(2);
    expect([...weight]).toEqual([expect.closeTo(0.5, 12), 1]);
    expect([...fish]).toEqual([expect.closeTo(1.5, 12), 3]);
    expect([...effort]).toEqual([expect.closeTo(1, 12), 2]);
  });
  it('stands by time, spot, bait, hours, fish and tide, whatever the order in which it came', () => {
    expect(coded([...ORDERED].reverse()).sets).toEqual(ORDERED);
    const mixed = [4, 0, 8, 2, 6, 1, 7, 3, 5].map((i) => nth(ORDERED, i));
    expect(coded(mixed).sets).toEqual(ORDERED);
    expect(coded(mixed)).toEqual(coded(ORDERED));
    expect([...coded(ORDERED).spot]).toEqual([0, 1, 0, 0, 0, 0, 0, 0, 0]);
    expect([...coded(ORDERED).presentation]).toEqual([0, 0, 0, 0, 0, 0, 0, 0, 1]);
    expect([...coded(ORDERED).at]).toEqual(ORDERED.map((s) => s.at));
    expect(coded(ORDERED).codes).toHaveLength(FIT_GROUPS.length);
  });
  it('goes on after what is there, or begins anew where something older came late', () => {
    for (let k = 0; k <= ORDERED.length; k++) {
      expect(coded(ORDERED.slice(k), coded(ORDERED.slice(0, k))), `after ${k}`).toEqual(coded(ORDERED));
      expect(coded(ORDERED.slice(0, k), coded(ORDERED.slice(k))), `before ${k}`).toEqual(coded(ORDERED));
    }
    // Alike to the last one is after it: what is there is not gone over again.
    const first = coded(ORDERED.slice(0, 3));
    expect(coded([nth(ORDERED, 2)], first).sets).toEqual([...ORDERED.slice(0, 3), ORDERED[2]]);
    expect(coded([], first)).toEqual(first);
  });
  it('refuses a spot or bait that it does not know, and hours and fish that cannot be', () => {
    expect(() => coded([set(1, { spot: 'gone' })])).toThrow('stops: unknown spot gone');
    expect(() => coded([set(1, { presentation: 'gone' })])).toThrow('stops: unknown presentation gone');
    for (const rodHours of [0, -1, 1e4, Number.NaN])
      expect(() => coded([set(1, { rodHours })])).toThrow(`rodHours: expected more than 0, got ${rodHours}`);
    for (const fish of [-1, 1e5, Number.NaN]) expect(() => coded([set(1, { fish })])).toThrow(`fish: expected 0 or more, got ${fish}`);
    expect(coded([set(1, { rodHours: 0.01, fish: 0 }), set(1, { rodHours: 9999, fish: 99_999 })]).count).toBe(2);
  });
});

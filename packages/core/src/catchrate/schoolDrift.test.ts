// The school that comes and goes, held against Bayes' theorem written out: every path of the hidden state through a few stops, added up.
import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { DAY } from '../units/time';
import type { DriftRows } from './driftRows';
import { filterSchools, type SchoolDrift, schoolLogVariance, schoolMultiplier } from './schoolDrift';
import { lastOf, nth } from '../units/indexed';

type Row = readonly [day: number, spot: number, fish: number, expected: number];
const rows = (list: readonly Row[], spots = 1): DriftRows =>
  ({
    count: list.length,
    spots,
    at: Float64Array.from(list, (r) => r[0] * DAY),
    spot: Int32Array.from(list, (r) => r[1]),
    fish: Float64Array.from(list, (r) => r[2]),
    expected: Float64Array.from(list, (r) => r[3]),
  }) as DriftRows;

/**
 * Chances of the levels of one spot at a day, and the gain, by all paths: the level at each stop is the one before, or drawn anew, and
 * each stop weighs a path by its Poisson likelihood against "as ever".
 */
function byPaths(kind: SchoolDrift, list: readonly Row[], nowDay: number, phi: number) {
  const { mix, levels, stayDays } = kind;
  const step = (from: number, to: number, days: number) => {
    const stays = Math.exp(-days / stayDays);
    return (from === to ? stays : 0) + (1 - stays) * nth(mix, to);
  };
  const likely = ([, , y, e]: Row, k: number) => Math.exp((y * Math.log(nth(levels, k)) - e * (nth(levels, k) - 1)) / phi);
  /** Sum over paths of the first n stops that end in each level, the n-th one weighed or not. */
  const ends = (n: number, weighed: boolean): number[] => {
    const first = nth(list, 0);
    const paths = (i: number, k: number): number => {
      const at = nth(list, i);
      const own = i < n - 1 || weighed ? likely(at, k) : 1;
      if (i === 0) return own * mix.reduce((s, p, j) => s + p * step(j, k, at[0] - first[0]), 0);
      const days = at[0] - nth(list, i - 1)[0];
      return own * levels.reduce((s, _, j) => s + paths(i - 1, j) * step(j, k, days), 0);
    };
    return levels.map((_, k) => paths(n - 1, k));
  };
  const share = (v: number[]) => v.map((x) => x / v.reduce((a, b) => a + b, 0));
  const mean = (p: number[]) => p.reduce((s, x, k) => s + x * nth(levels, k), 0);
  let gain = 0;
  const told: number[] = [];
  list.forEach((r, i) => {
    const m = mean(share(ends(i + 1, false)));
    told.push(m);
    gain += r[2] * Math.log(m) - r[3] * (m - 1);
  });
  const last = share(ends(list.length, true));
  const days = nowDay - lastOf(list)[0];
  return { gain, told, chance: levels.map((_, k) => last.reduce((s, p, j) => s + p * step(j, k, days), 0)) };
}

const LOG: readonly Row[] = [
  [0, 0, 2, 1.5],
  [1, 0, 6, 2],
  [4, 0, 0, 1],
  [4.5, 0, 5, 1.2],
  [11, 0, 1, 2.5],
];

describe('a school that is there or not', () => {
  it.each([1, 2.3])('is known by Bayes’ theorem from the stops before (spread %s)', (phi) => {
    const told: number[] = [];
    const found = filterSchools(rows(LOG), 13 * DAY, phi, (_, m) => told.push(m));
    const whole = byPaths(found, LOG, 13, phi);
    expect([...found.chance]).toEqual(whole.chance.map((p) => expect.closeTo(p, 10)));
    expect(told).toEqual(whole.told.map((m) => expect.closeTo(m, 10)));
    expect(found.gain).toBeCloseTo(whole.gain, 10);
  });
  it('of each spot is by its own stops, and one that was not fished is as ever', () => {
    const other: Row[] = LOG.map(([d, , y, e]) => [d, 2, 5 - Math.min(5, y), e]);
    const both = [...LOG, ...other].sort((a, b) => a[0] - b[0]);
    const found = filterSchools(rows(both, 3), 13 * DAY, 1);
    expect([...found.chance.slice(0, 4)]).toEqual(byPaths(found, LOG, 13, 1).chance.map((p) => expect.closeTo(p, 10)));
    expect([...found.chance.slice(8, 12)]).toEqual(byPaths(found, other, 13, 1).chance.map((p) => expect.closeTo(p, 10)));
    expect([...found.chance.slice(4, 8)]).toEqual(found.mix.map((p) => expect.closeTo(p, 12)));
    expect(schoolMultiplier(found, 1)).toBeCloseTo(1, 12);
  });
  it('has levels whose mean is one, which is what nothing fished is worth', () => {
    const none = filterSchools(rows([], 2), 5 * DAY, 1);
    expect(none.mix.reduce((s, p, k) => s + p * nth(none.levels, k), 0)).toBeCloseTo(1, 12);
    expect([0, 1].map((s) => schoolMultiplier(none, s))).toEqual([expect.closeTo(1, 12), expect.closeTo(1, 12)]);
    expect(none.gain).toBe(0);
  });
  it('fades to what is usual, and an instant before the last stop fades nothing', () => {
    const at = (day: number) => schoolMultiplier(filterSchools(rows(LOG.slice(0, 2)), day * DAY, 1), 0);
    expect(at(1)).toBeGreaterThan(1.3);
    expect(at(900)).toBeCloseTo(1, 9);
    expect(at(3)).toBeLessThan(at(1));
    expect(at(0.5)).toBe(at(1));
  });
  it('is spread as its chances are, in the logarithm', () => {
    const found = filterSchools(rows(LOG), 13 * DAY, 1);
    const logs = found.levels.map(Math.log);
    const p = [...found.chance];
    const mean = p.reduce((s, x, k) => s + x * nth(logs, k), 0);
    expect(schoolLogVariance(found, 0)).toBeCloseTo(
      p.reduce((s, x, k) => s + x * (nth(logs, k) - mean) ** 2, 0),
      12,
    );
    expect(schoolLogVariance({ ...found, chance: Float64Array.of(0, 1, 0, 0) }, 0)).toBe(0);
  });
  it('learns how long it stays from the log', () => {
    const log = (turnDays: number) => {
      const random = seeded(5);
      const list: Row[] = [];
      for (let day = 0; day < 700; day++) {
        const mean = Math.floor(day / turnDays) % 3 === 0 ? 6 : 1;
        let n = -1;
        for (let p = 1, limit = Math.exp(-mean); p > limit; n++) p *= random();
        list.push([day, 0, Math.max(0, n), 2.6]);
      }
      return filterSchools(rows(list), 700 * DAY, 1);
    };
    const [short, long] = [log(4), log(40)];
    expect(short.stayDays).toBeLessThan(long.stayDays);
    expect(Math.min(short.gain, long.gain)).toBeGreaterThan(50);
  });
});

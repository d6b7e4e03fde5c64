import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { DAY } from '../units/time';
import { driftOf, filterDrift } from './drift';
import type { DriftRows } from './driftRows';

const rows = (list: readonly (readonly [day: number, spot: number, fish: number, expected: number])[], spots = 1): DriftRows => ({
  count: list.length,
  spots,
  at: Float64Array.from(list, (r) => r[0] * DAY),
  spot: Int32Array.from(list, (r) => r[1]),
  fish: Float64Array.from(list, (r) => r[2]),
  expected: Float64Array.from(list, (r) => r[3]),
});

describe('how a spot has done lately', () => {
  it('is the Gamma-Poisson mean of its fish over what was expected: (k + y) / (k + e)', () => {
    const d = filterDrift(rows([[10, 0, 9, 3]]), 10 * DAY, 4, 1, { halfLifeDays: 8 });
    expect(driftOf(d, 0)).toBeCloseTo((4 + 9) / (4 + 3), 9);
    // Clumped counts say less: both are divided by phi.
    expect(driftOf(filterDrift(rows([[10, 0, 9, 3]]), 10 * DAY, 4, 3, { halfLifeDays: 8 }), 0)).toBeCloseTo((4 + 3) / (4 + 1), 9);
  });

  it('fades by half in a half-life, towards as ever', () => {
    const d = filterDrift(rows([[0, 0, 8, 2]]), 16 * DAY, 4, 1, { halfLifeDays: 16 });
    expect(driftOf(d, 0)).toBeCloseTo((4 + 4) / (4 + 1), 9);
    expect(driftOf(filterDrift(rows([[0, 0, 8, 2]]), 400 * DAY, 4, 1, { halfLifeDays: 16 }), 0)).toBeCloseTo(1, 6);
  });

  it('tells each row what was known before it, never what it brought itself', () => {
    const told: number[] = [];
    filterDrift(
      rows([
        [0, 0, 6, 2],
        [0, 0, 0, 2],
        [0, 0, 0, 2],
      ]),
      0,
      4,
      1,
      { halfLifeDays: 8, each: (_, m) => told.push(m) },
    );
    expect(told).toEqual([1, 10 / 6, 10 / 8]);
  });

  it('keeps spots apart, and knows nothing of a spot that is not among them', () => {
    const d = filterDrift(
      rows(
        [
          [5, 0, 9, 3],
          [5, 1, 0, 3],
        ],
        3,
      ),
      5 * DAY,
      4,
      1,
      { halfLifeDays: 8 },
    );
    expect(driftOf(d, 0)).toBeGreaterThan(1);
    expect(driftOf(d, 1)).toBeLessThan(1);
    expect(driftOf(d, 2)).toBe(1);
    expect(driftOf(d, -1)).toBe(1);
  });

  it('learns a short memory where luck turns in days, and a long one where it lasts', () => {
    const log = (turnDays: number) => {
      const random = seeded(9);
      const list: [number, number, number, number][] = [];
      for (let day = 0; day < 600; day += 2) {
        for (const spot of [0, 1, 2]) {
          const good = Math.floor(day / turnDays + spot) % 2 === 0;
          const mean = good ? 1.8 : 0.3;
          // Poisson by Knuth's product.
          let n = -1;
          for (let p = 1, limit = Math.exp(-mean); p > limit; n++) p *= random();
          list.push([day, spot, Math.max(0, n), 1]);
        }
      }
      return rows(list, 3);
    };
    const memory = (turnDays: number) => filterDrift(log(turnDays), 600 * DAY, 3, 1).halfLifeDays;
    expect(memory(16)).toBe(4);
    expect(memory(200)).toBeGreaterThan(memory(16));
    // What turns faster than it is fished cannot be followed: the long record speaks.
    expect(memory(6)).toBe(32);
  });
});

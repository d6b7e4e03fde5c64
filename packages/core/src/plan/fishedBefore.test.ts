import { describe, expect, it } from 'vitest';
import { HOUR, MINUTE } from '../units/time';
import { fishedBefore } from './fishedBefore';
import { layDay, scoreDay } from './layDay';
import { rankTrip } from './rankTrip';
import { inputs, START } from './testTrip';

const stay = (fromH: number, toH: number) => ({ fromMs: fromH * HOUR, toMs: toH * HOUR });

describe('a spot that another boat has fished', () => {
  it('gives what the stay left, and comes back with rest', () => {
    const half = [stay(0, 1.5)];
    // 1 - exp(-0.35 x 1.5) is taken: 0.592 is left when the boat goes.
    expect(fishedBefore(half, 0.35, 1.5 * HOUR)).toBeCloseTo(Math.exp(-0.525), 9);
    // Common practice: about three quarters after two hours.
    expect(fishedBefore(half, 0.35, 3.5 * HOUR)).toBeCloseTo(0.75, 1);
    expect(fishedBefore(half, 0.35, 30 * HOUR)).toBeGreaterThan(0.999);
  });

  it('is whole before and during another boat’s stay, and where it does not fade', () => {
    expect(fishedBefore([stay(2, 4)], 0.35, HOUR)).toBe(1);
    expect(fishedBefore([stay(2, 4)], 0.35, 3 * HOUR)).toBe(1);
    expect(fishedBefore([stay(0, 2)], 0, 2 * HOUR)).toBe(1);
    expect(fishedBefore([], 0.35, HOUR)).toBe(1);
  });

  it('gives less after two stays than after either, more the longer it rests', () => {
    const [a, b] = [stay(0, 1), stay(2, 3)];
    const both = fishedBefore([a, b], 0.5, 3 * HOUR);
    expect(both).toBeLessThan(Math.min(fishedBefore([a], 0.5, 3 * HOUR), fishedBefore([b], 0.5, 3 * HOUR)));
    const rest = [3, 4, 6, 9].map((h) => fishedBefore([a, b], 0.5, h * HOUR));
    expect(rest).toEqual([...rest].sort((x, y) => x - y));
    expect(rest.every((x) => x > 0 && x <= 1)).toBe(true);
  });
});

describe('a plan round another boat', () => {
  const lee = { spotId: 'lee', fromMs: START + 30 * MINUTE, toMs: START + 120 * MINUTE, boat: 'Marrow' };
  const legs = [{ spotId: 'lee', startMs: START + 150 * MINUTE, departMs: START + 210 * MINUTE }];

  it('counts on what that boat leaves, and on all of it when it comes first', () => {
    const [free, after] = [inputs(), inputs({ taken: [lee] })];
    const ranking = rankTrip(free);
    const [whole, left] = [scoreDay(free, ranking, legs).expected, scoreDay(after, ranking, legs).expected];
    expect(left).toBeLessThan(0.85 * whole);
    expect(left).toBeGreaterThan(0.5 * whole);
    const before = [{ spotId: 'lee', startMs: START + 30 * MINUTE, departMs: START + 90 * MINUTE }];
    const later = inputs({ taken: [{ ...lee, fromMs: START + 150 * MINUTE, toMs: START + 240 * MINUTE }] });
    expect(scoreDay(later, ranking, before).expected).toBeCloseTo(scoreDay(free, ranking, before).expected, 9);
  });

  it('is worth no more than alone', () => {
    const ranking = rankTrip(inputs());
    const [alone, round] = [layDay(inputs(), ranking), layDay(inputs({ taken: [lee] }), ranking)];
    expect(round.expected).toBeLessThanOrEqual(alone.expected + 1e-9);
    expect(round.proved).toBe(true);
  });
});

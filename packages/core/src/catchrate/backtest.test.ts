import { describe, expect, it } from 'vitest';
import { seeded } from '../units/seeded';
import { DAY } from '../units/time';
import { foretellDay, poissonDeviance, summariseBacktest } from './backtest';
import type { FishedSet, RateWorld } from './world';

const START = Date.UTC(2026, 4, 1);
const WORLD: RateWorld = { spots: [{ id: 'good' }, { id: 'poor' }], presentations: [{ id: 'shad', envelope: null }], now: START };
const random = seeded(8);
const LOG: FishedSet[] = Array.from({ length: 200 }, (_, i) => {
  const spot = i % 2 ? 'good' : 'poor';
  const mean = spot === 'good' ? 3 : 0.4;
  let fish = 0;
  for (let p = random(); p > Math.exp(-mean); p *= random()) fish++;
  return { at: START + Math.floor(i / 4) * DAY + (i % 4) * 3_600_000, spot, presentation: 'shad', rodHours: 2, fish, conditions: {} };
});
const day = (d: number) => foretellDay({ ...WORLD, now: START + d * DAY }, LOG, START + (d + 1) * DAY);

describe('past days foretold', () => {
  it('uses nothing of the day itself or after it', () => {
    const whole = day(30);
    const now = { ...WORLD, now: START + 30 * DAY };
    const known = LOG.filter((s) => s.at < START + 31 * DAY);
    expect(foretellDay(now, known, START + 31 * DAY)).toEqual(whole);
    const other = known.map((s) => (s.at >= now.now ? { ...s, fish: 99 } : s));
    expect(foretellDay(now, other, START + 31 * DAY).map((r) => r.model)).toEqual(whole.map((r) => r.model));
  });

  it('has nothing to say of the first day', () => {
    expect(day(0)).toEqual([]);
    expect(summariseBacktest([])).toBeNull();
  });

  it('tells good from poor, keeps the better third and is near in sum', () => {
    const rows = Array.from({ length: 20 }, (_, i) => day(25 + i)).flat();
    const s = summariseBacktest(rows);
    expect(s?.sets).toBe(80);
    expect(Math.abs((s?.expected ?? 0) / (s?.fish ?? 1) - 1)).toBeLessThan(0.25);
    expect(s?.bestThird.model).toBeGreaterThan(1.3 * (s?.bestThird.all ?? 9));
    expect(s?.apart.model).toBeLessThan(s?.apart.yesterday ?? 0);
    expect(s?.inside).toBeGreaterThan(0.7);
    const rates = s?.calibration.map((b) => b.expected) ?? [];
    expect([...rates].sort((a, b) => a - b)).toEqual(rates);
  });

  it('has the Poisson deviance of the textbook: 2 (y log(y / mu) - (y - mu))', () => {
    expect(poissonDeviance(5, 5)).toBe(0);
    expect(poissonDeviance(0, 1.5)).toBeCloseTo(3, 12);
    expect(poissonDeviance(4, 2)).toBeCloseTo(2 * (4 * Math.log(2) - 2), 12);
  });
});

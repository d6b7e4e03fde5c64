import { describe, expect, it } from 'vitest';
import { HOUR, MINUTE } from '../units/time';
import { layDay } from './layDay';
import { rankTrip } from './rankTrip';
import { restOfDay } from './restOfDay';
import { END, inputs, START } from './testTrip';

const trip = inputs();
const ranking = rankTrip(trip);
const day = layDay(trip, ranking);
const first = day.legs[0] as (typeof day.legs)[number];
const left = day.legs.slice(1).map((l) => l.spotId);

describe('the rest of a day', () => {
  it('is that of the plan while all goes as planned', () => {
    const rest = restOfDay(trip, ranking, { atMs: first.departMs, spotId: first.spotId, share: 0, fished: [first.spotId], left });
    expect(rest.plan.legs.map((l) => l.spotId)).toEqual(left);
    expect(rest.plan.expected).toBeCloseTo(day.expected - first.expected, 6);
    expect(rest.kept?.expected).toBeCloseTo(rest.plan.expected, 6);
  });
  it('goes nowhere before now and is home in time', () => {
    const atMs = START + 2 * HOUR + 7 * MINUTE;
    const { plan } = restOfDay(trip, ranking, { atMs, spotId: null, share: 0, fished: [], left });
    for (const l of plan.legs) {
      expect(l.startMs).toBeGreaterThan(atMs);
      expect(l.departMs).toBeLessThan(END);
    }
  });
  it('stays where the fish are and leaves where there are none', () => {
    const asked = { atMs: START + 50 * MINUTE, spotId: 'lee', fished: ['lee'], left: ['exposed'] };
    const good = restOfDay(trip, ranking, { ...asked, share: 3 });
    const poor = restOfDay(trip, ranking, { ...asked, share: 0.05 });
    const stay = (r: typeof good) => r.plan.legs.find((l) => l.spotId === 'lee');
    expect(stay(good)?.startMs).toBe(asked.atMs);
    expect((stay(good)?.departMs ?? 0) - asked.atMs).toBeGreaterThan((stay(poor)?.departMs ?? asked.atMs) - asked.atMs);
    expect(good.plan.expected).toBeGreaterThan(poor.plan.expected);
  });
  it('is worth at least what the plan’s own stops still give', () => {
    for (const min of [20, 60, 120, 180]) {
      const rest = restOfDay(trip, ranking, { atMs: START + min * MINUTE, spotId: null, share: 0, fished: [], left: ['barred', 'lee'] });
      expect(rest.kept?.expected).toBeGreaterThan(0);
      expect(rest.plan.expected).toBeGreaterThanOrEqual((rest.kept?.expected ?? 0) - 1e-9);
    }
  });
  it('says when there is none', () => {
    expect(() => restOfDay(trip, ranking, { atMs: END - MINUTE, spotId: null, share: 0, fished: [], left })).toThrow(RangeError);
  });
});

import { describe, expect, it } from 'vitest';
import { HOUR, MINUTE } from '../units/time';
import { layDay } from './layDay';
import { rankTrip } from './rankTrip';
import { restOfDay } from './restOfDay';
import { END, inputs, START } from './testTrip';
import { nth } from '../units/indexed';

const trip = inputs();
const ranking = rankTrip(trip);
const day = layDay(trip, ranking);
const first = nth(day.legs, 0);
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
  it('does not go back to what was fished, and goes on where lines are in', () => {
    const asked = { atMs: START + HOUR, spotId: null, share: 0, left: ['exposed', 'lee'] };
    const spots = (fished: string[]) => new Set(restOfDay(trip, ranking, { ...asked, fished }).plan.legs.map((l) => l.spotId));
    expect(spots([])).toContain('exposed');
    expect(spots(['exposed'])).not.toContain('exposed');
    expect(spots(['exposed', 'barred'])).toEqual(new Set(['lee']));
    const here = restOfDay(trip, ranking, { ...asked, spotId: 'exposed', share: 2, fished: ['exposed'] });
    expect(here.plan.legs[0]?.spotId).toBe('exposed');
    const gone = restOfDay(trip, ranking, { ...asked, spotId: 'exposed', share: 0, fished: ['exposed'] });
    expect(gone.plan.legs.map((l) => l.spotId)).not.toContain('exposed');
  });
  it('holds against it what is left of the plan and nothing else', () => {
    const asked = { atMs: START + HOUR, spotId: null, share: 0 };
    const { kept } = restOfDay(trip, ranking, { ...asked, fished: ['barred'], left: ['barred', 'lee'] });
    expect(kept?.legs.map((l) => l.spotId)).toEqual(['lee']);
    expect(restOfDay(trip, ranking, { ...asked, fished: [], left: [] }).kept).toBeNull();
    // What is left cannot be fished any more: the rest of the day is laid all the same.
    const gone = restOfDay(trip, ranking, { ...asked, fished: ['lee'], left: ['lee'] });
    expect(gone.kept).toBeNull();
    expect(gone.plan.expected).toBeGreaterThan(0);
  });
  it('does not swallow what is no refusal', () => {
    const broken = { ...trip, breaks: null as never };
    expect(() => restOfDay(broken, ranking, { atMs: START + HOUR, spotId: null, share: 0, fished: [], left: ['lee'] })).toThrow(TypeError);
  });
  it('says when there is none', () => {
    expect(() => restOfDay(trip, ranking, { atMs: END - MINUTE, spotId: null, share: 0, fished: [], left })).toThrow(RangeError);
  });
});

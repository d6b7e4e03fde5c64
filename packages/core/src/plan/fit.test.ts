// What a party and its goal ask of a plan. Facts of the trade are common practice.
import { describe, expect, it } from 'vitest';
import { MINUTE } from '../units/time';
import { layDay, scoreDay } from './layDay';
import { patienceOf } from './itineraryProblem';
import { fitSentence } from './partyFit';
import { rankTrip } from './rankTrip';
import { inputs } from './testTrip';
import { whyLeftOut } from './whyLeftOut';
import { inMetric } from '../units/measure';
import { nth } from '../units/indexed';

describe('presentations that a trip cannot fish', () => {
  const trip = inputs({ skill: 2, rods: 2 });
  const bait = nth(trip.presentations, 0);
  it('are named with their reason: skill, rods, what is aboard, the last of the bait', () => {
    expect(whyLeftOut(trip, bait)).toBeNull();
    expect(whyLeftOut(trip, { ...bait, skill: 3 })).toBe('asks for skill 3, the party has 2');
    expect(whyLeftOut(trip, { ...bait, rods: 6 })).toBe('takes 6 rods, the trip has 2');
    expect(whyLeftOut(trip, { ...bait, heldBy: ['Second Kettle'] })).toBe('Second Kettle has the last of the day’s bait');
    expect(whyLeftOut(trip, bait, [])).toBe('not aboard');
  });

  it('are in no call, and when none is left the plan says why', () => {
    const held = inputs({ presentations: trip.presentations.map((p) => ({ ...p, ...(p.id === 'shad' ? { heldBy: ['Marrow'] } : {}) })) });
    const ranking = rankTrip(held);
    expect(new Set(ranking.calls.flatMap((c) => c.others.map((o) => o.presentationId)))).toEqual(new Set(['worm']));
    const none = inputs({ presentations: trip.presentations.map((p) => ({ ...p, rods: 8 })) });
    expect(() => layDay(none, rankTrip(none))).toThrow('no presentation can be fished on this trip: takes 8 rods, the trip has 3');
  });

  it('can be left to other boats without being taken off the boat', () => {
    const all = inputs();
    const ranking = rankTrip(all);
    const day = layDay(all, ranking, { without: ['worm'] });
    const used = new Set(day.legs.flatMap((l) => l.parts.map((p) => p.presentationId)));
    expect(used).toEqual(new Set(['shad']));
    expect(day.expected).toBeLessThanOrEqual(layDay(all, ranking).expected + 1e-9);
    const again = scoreDay(all, ranking, day.legs, { without: ['worm'] });
    expect(again.expected).toBeCloseTo(day.expected, 9);
  });
});

describe('footing', () => {
  it('shuts a spot that asks for more than the party manages, and says so', () => {
    const trip = inputs({ footing: 1, spots: inputs().spots.map((s) => (s.id === 'exposed' ? { ...s, footing: 3 } : s)) });
    const ranking = rankTrip(trip);
    expect(ranking.shut.find((s) => s.spotId === 'exposed')?.why).toBe('asks for a climb, more than the party manages');
    expect(layDay(trip, ranking).legs.map((l) => l.spotId)).not.toContain('exposed');
    expect(rankTrip({ ...trip, footing: 3 }).shut.map((s) => s.spotId)).not.toContain('exposed');
  });
});

describe('a party that wants to learn', () => {
  const trip = inputs({ counting: 'action' });
  it('sees more waters, and stays at none longer than an hour and a quarter', () => {
    const ranking = rankTrip(trip);
    const day = layDay(trip, ranking);
    expect(Math.max(...day.legs.map((l) => (l.departMs - l.startMs) / MINUTE))).toBeLessThanOrEqual(75);
    const patient = inputs({ patienceMin: 30 });
    const numbers = layDay(patient, rankTrip(patient));
    expect(Math.max(...numbers.legs.map((l) => (l.departMs - l.startMs) / MINUTE))).toBeGreaterThan(75);
    expect(day.legs.length).toBeGreaterThanOrEqual(numbers.legs.length);
  });

  it('waits half an hour for a fish at the most, unless it has said otherwise', () => {
    expect(patienceOf(trip)).toBe(30);
    expect(patienceOf({ ...trip, patienceMin: 50 })).toBe(50);
    expect(patienceOf(inputs())).toBeNull();
  });
});

describe('a bag', () => {
  it('cuts what is kept, and tells when it is likely full', () => {
    const trip = inputs({ bag: 2 });
    const ranking = rankTrip(trip);
    const day = layDay(trip, ranking);
    expect(day.expected).toBeGreaterThan(2);
    const sentence = fitSentence(trip, ranking, day, []);
    const kept = Number(/To be kept: (\d+\.\d) of/.exec(sentence)?.[1]);
    expect(kept).toBeGreaterThan(0);
    expect(kept).toBeLessThanOrEqual(2);
    expect(inMetric(sentence)).toMatch(
      /within the bag of 2 by the crew's copy of the rules, likely full by \d\d:\d\d; what comes then goes back\.$/,
    );
    expect(fitSentence({ ...trip, bag: null }, ranking, day, [])).not.toContain('bag');
    expect(fitSentence({ ...trip, bag: 400 }, ranking, day, [])).not.toContain('likely full');
  });
});

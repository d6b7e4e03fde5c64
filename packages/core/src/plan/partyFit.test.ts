// How a plan fits its party, said of plans and rates made up by hand.
import { describe, expect, it } from 'vitest';
import { inMetric } from '../units/measure';
import { MINUTE } from '../units/time';
import type { PlanLeg } from './plannedDay';
import { fitSentence, type Guest, longestWaitMin, rodRoles, usualPatience } from './partyFit';
import type { PlanInputs } from './planInputs';
import type { Ranking } from './rankTrip';
import { inputs, START } from './testTrip';

const guest = (name: string, more: Partial<Guest> = {}): Guest => ({ name, experience: 2, child: false, hand: null, ...more });
const STEPS = 72;
/** Rates a rod-hour by spot and bait; the baits are shad, then worm. */
const ranking = (rates: number[][], baits = [0, 1]) =>
  ({ baits, rates: rates.map((spot) => spot.map((r) => new Array(STEPS).fill(r))), model: { dispersion: 1 } }) as unknown as Ranking;
const leg = (spotId: string, from: number, to: number, more: Partial<PlanLeg> = {}): PlanLeg => ({
  spotId,
  presentationId: 'shad',
  parts: [],
  arriveMs: START + from * MINUTE,
  startMs: START + from * MINUTE,
  departMs: START + to * MINUTE,
  expected: 2,
  lo80: 0,
  hi80: 4,
  pinned: false,
  ...more,
});
const still = (more: Partial<PlanInputs> = {}) =>
  inputs({ rods: 2, ...more, spots: inputs().spots.map((s) => ({ ...s, fadePerHour: 0 })) });
const fade = () => inputs({ rods: 2, spots: inputs().spots.map((s) => ({ ...s, fadePerHour: 0.6 })) });
const RATES = [
  [1, 0.5],
  [2, 4],
  [0, 0],
];
const said = (i: PlanInputs, legs: PlanLeg[], guests: Guest[] = [], r = ranking(RATES)) =>
  inMetric(fitSentence(i, r, { legs, expected: legs.reduce((s, l) => s + l.expected, 0) }, guests));

describe('the patience of a party (common practice)', () => {
  it('is that of a child, of a first-timer, of practised anglers', () => {
    expect(usualPatience([guest('a'), guest('b', { child: true, experience: 1 })], 'numbers')).toBe(25);
    expect(usualPatience([guest('a'), guest('b', { experience: 1 })], 'table')).toBe(40);
    expect(usualPatience([guest('a'), guest('b', { experience: 3 })], 'numbers')).toBe(90);
  });
});

describe('rods', () => {
  it('go to children first, then to the least practised, then by name; the last one tries the second bait', () => {
    const party = [
      guest('Odd', { experience: 3 }),
      guest('Berit'),
      guest('Arne'),
      guest('Liv', { child: true, experience: 3 }),
      guest('New', { experience: 1 }),
    ];
    expect(rodRoles(party, 5).map((r) => r.guest)).toEqual(['Liv', 'New', 'Arne', 'Berit', 'Odd']);
    expect(rodRoles([...party].reverse(), 5).map((r) => r.guest)).toEqual(['Liv', 'New', 'Arne', 'Berit', 'Odd']);
    expect(rodRoles(party, 3).map((r) => [r.rod, r.role])).toEqual([
      [1, 'first bait'],
      [2, 'first bait'],
      [3, 'second bait'],
    ]);
    expect(rodRoles([guest('Arne', { hand: 'right' })], 1)).toEqual([{ rod: 1, guest: 'Arne', role: 'first bait', leftHanded: false }]);
    expect(rodRoles([], 3)).toEqual([]);
  });
});

describe('the longest wait', () => {
  it('is a fish at the least rate of any stop, by all rods', () => {
    // One a rod-hour and two rods: half an hour.
    expect(longestWaitMin(still(), ranking(RATES), { legs: [leg('exposed', 10, 60)] })).toBeCloseTo(30, 9);
    expect(longestWaitMin(still(), ranking(RATES), { legs: [leg('exposed', 10, 60), leg('lee', 70, 90)] })).toBeCloseTo(30, 9);
    expect(longestWaitMin(still(), ranking(RATES), { legs: [leg('lee', 70, 90)] })).toBeCloseTo(15, 9);
  });
  it('is by the bait of the hour', () => {
    const parts = [
      { presentationId: 'shad', fromMs: START + 10 * MINUTE, toMs: START + 30 * MINUTE },
      { presentationId: 'worm', fromMs: START + 30 * MINUTE, toMs: START + 60 * MINUTE },
    ];
    expect(longestWaitMin(still(), ranking(RATES), { legs: [leg('exposed', 10, 60, { parts })] })).toBeCloseTo(60, 9);
    expect(longestWaitMin(still(), ranking(RATES), { legs: [leg('exposed', 10, 30, { parts })] })).toBeCloseTo(30, 9);
  });
  it('grows as a spot fades, to the last step before leaving', () => {
    // From 10 to 60 min: the last step begins 45 min after the first.
    expect(longestWaitMin(fade(), ranking(RATES), { legs: [leg('exposed', 10, 60)] })).toBeCloseTo(30 * Math.exp(0.6 * 0.75), 6);
  });
  it('is none without stops, rates or a spot that is known', () => {
    expect(longestWaitMin(still(), ranking(RATES), { legs: [] })).toBeNull();
    expect(longestWaitMin(still(), ranking(RATES), { legs: [leg('barred', 10, 60)] })).toBeNull();
    expect(longestWaitMin(still(), ranking(RATES), { legs: [leg('elsewhere', 10, 60)] })).toBeNull();
    expect(longestWaitMin(still(), ranking(RATES, [1]), { legs: [leg('exposed', 10, 60)] })).toBeNull();
  });
});

describe('the sentence', () => {
  const plan = [leg('exposed', 10, 90)];
  it('begins with who is aboard', () => {
    const end = 'a fish is to be expected every 30 min at the slowest; anyone can fish its baits.';
    expect(said(still(), plan)).toBe(`A${end.slice(1)}`);
    expect(said(still(), plan, [guest('a')])).toBe(`A${end.slice(1)}`);
    expect(said(still(), plan, [guest('a', { child: true, experience: 1 })])).toBe(`For 1 child: ${end}`);
    expect(
      said(still(), plan, [
        guest('a', { child: true }),
        guest('b', { child: true }),
        guest('c', { experience: 1 }),
        guest('d', { hand: 'left' }),
      ]),
    ).toBe(`For 2 children, 1 for the first time, a left hand: ${end}`);
    expect(said(still(), plan, [guest('d', { hand: 'right' })])).toBe(`A${end.slice(1)}`);
  });
  it('holds the wait against their patience and the length of the longest stop', () => {
    expect(said(still({ patienceMin: 40 }), plan)).toContain('every 30 min at the slowest, they stand 40 min; anyone');
    expect(said(still(), [leg('exposed', 10, 40)])).toMatch(/^At its slowest a whole stop may go by without a fish; anyone/);
    expect(said(still(), [leg('exposed', 10, 41)])).toContain('every 30 min');
    expect(said(still(), [leg('exposed', 10, 20), leg('lee', 30, 90)])).toContain('every 30 min');
    expect(said(still(), [leg('barred', 10, 90)])).toBe('Anyone can fish its baits.');
  });
  it('says what its baits ask for, those of the hours', () => {
    const parts = (...ids: string[]) => ({
      parts: ids.map((presentationId, i) => ({ presentationId, fromMs: START + i, toMs: START + i + 1 })),
    });
    expect(said(still(), [leg('exposed', 10, 90, parts('shad', 'worm'))])).toContain('its baits are for experts.');
    expect(said(still(), [leg('exposed', 10, 90, { presentationId: 'worm', ...parts('shad') })])).toContain('anyone can fish its baits.');
    expect(said(still(), [leg('exposed', 10, 90, { presentationId: 'worm' })])).toContain('its baits are for experts.');
    const some = still({ presentations: inputs().presentations.map((p) => ({ ...p, skill: 2 })) });
    expect(said(some, plan)).toContain('its baits ask for some practice.');
    expect(said(some, [])).toBe('Anyone can fish its baits.');
  });
  it('says what the bag leaves, and the stop after which it is likely full', () => {
    const two = [leg('exposed', 10, 90, { expected: 3 }), leg('lee', 100, 200, { expected: 3 })];
    expect(said(still({ bag: 3 }), two)).toMatch(
      / To be kept: 2\.\d of the 6\.0 fish, within the bag of 3 by the crew's copy of the rules, likely full by 09:30; what comes then goes back\.$/,
    );
    expect(said(still({ bag: 4 }), two)).toContain('likely full by 11:20');
    expect(said(still({ bag: 7 }), two)).toMatch(/within the bag of 7 by the crew's copy of the rules\.$/);
    expect(said(still(), two)).not.toContain('bag');
  });
});

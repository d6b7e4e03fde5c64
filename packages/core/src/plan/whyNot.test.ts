import { describe, expect, it } from 'vitest';
import { inMetric } from '../units/measure';
import { HOUR } from '../units/time';
import { rankTrip, type Ranking } from './rankTrip';
import { inputs, START } from './testTrip';
import { filterCalls, whyNot } from './whyNot';

const trip = inputs();
const ranking = rankTrip(trip);
const call = (spotId: string, more: object) => ({ ...ranking.calls.find((c) => c.spotId === spotId), wayShut: [], reasons: [], ...more });
const with_ = (calls: object[], shut: Ranking['shut'] = []): Ranking => ({ ...ranking, calls: calls as never, shut });
const why = (r: Ranking, spotId: string, legs: string[] = [], more: Partial<typeof trip> = {}) =>
  inMetric(
    whyNot(
      { ...trip, ...more },
      r,
      spotId,
      legs.map((s) => ({ spotId: s })),
    ),
  );
const three = with_([
  call('exposed', { ratePerRodHour: 0.9 }),
  call('barred', {
    ratePerRodHour: 0.5,
    reasons: [
      { sign: '+', text: 'ebb' },
      { sign: '-', text: 'cold water' },
      { sign: '-', text: 'late' },
    ],
  }),
  call('lee', { ratePerRodHour: 0.4, reasons: [{ sign: '+', text: 'ebb' }] }),
]);

describe('why a spot is not in the plan', () => {
  it('is answered first by what is plain: it is in it, it is shut, it is none of this trip', () => {
    expect(why(three, 'lee', ['lee'])).toBe('Lee wall is in the plan.');
    expect(why(with_([], [{ spotId: 'lee', why: 'too shallow' }]), 'lee', ['exposed'])).toBe('Lee wall is shut: too shallow.');
    expect(why(with_([]), 'lee')).toBe('Lee wall is not among the spots of this trip.');
    expect(why(with_([]), 'elsewhere')).toBe('It is not among the spots of this trip.');
  });
  it('is its rate, held against the least of the plan', () => {
    expect(why(three, 'lee', ['exposed', 'barred'])).toBe('Lee wall: at best 0.40 a rod-hour, where the least of the plan gives 0.50.');
    expect(why(three, 'lee', ['exposed'])).toBe('Lee wall: at best 0.40 a rod-hour, where the least of the plan gives 0.90.');
    expect(why(three, 'lee')).toBe('Lee wall: 0.40 a rod-hour at best.');
  });
  it('is its run where its rate would do', () => {
    expect(why(three, 'barred', ['lee'])).toBe(
      'Barred pool: its 0.50 a rod-hour would do, but its hours and its run of 8 min cost more elsewhere; cold water.',
    );
    expect(why(three, 'exposed', ['lee'], { dockTravelMin: [null, 5, 8] })).toContain('its run of 0 min');
    // As good as the least is not worse.
    const even = with_([call('exposed', { ratePerRodHour: 0.4 }), call('lee', { ratePerRodHour: 0.4 })]);
    expect(why(even, 'lee', ['exposed'])).toContain('would do');
  });
  it('tells the hours in which its way is shut', () => {
    const shut = with_([
      call('lee', {
        ratePerRodHour: 0.4,
        wayShut: [
          { fromMs: START, toMs: START + HOUR, why: 'waves over the limit' },
          { fromMs: START + 2 * HOUR, toMs: START + 3 * HOUR, why: 'gusts over the limit' },
        ],
      }),
    ]);
    expect(why(shut, 'lee')).toBe(
      'Lee wall: waves over the limit on the way there from 08:00 to 09:00, gusts over the limit on the way there from 10:00 to 11:00; 0.40 a rod-hour at best.',
    );
  });
  it('tells which boat has it, until when and what it leaves', () => {
    const taken = [
      { spotId: 'exposed', fromMs: START, toMs: START + HOUR, boat: 'Heron' },
      { spotId: 'lee', fromMs: START + HOUR, toMs: START + 3 * HOUR, boat: 'Wader' },
    ];
    // Two hours at 0.35 an hour: exp(-0.7) is left.
    expect(why(three, 'lee', [], { taken })).toBe(
      'Lee wall: Wader has it until 11:00 and leaves ×0.50 of it, which comes back over some hours; 0.40 a rod-hour at best.',
    );
  });
});

describe('calls that pass a filter', () => {
  const calls = [call('exposed', { presentationId: 'shad' }), call('lee', { presentationId: 'worm' })] as never;
  const spots = trip.spots.map((s) => (s.id === 'lee' ? { ...s, depthMinM: 5, depthMaxM: 9, structure: 'wall' } : s));
  const ids = (f: Parameters<typeof filterCalls>[2]) => filterCalls({ ...trip, spots }, calls, f).map((c) => c.spotId);

  it('are all where nothing is asked', () => {
    expect(ids({})).toEqual(['exposed', 'lee']);
    expect(ids({ depth: null, structure: null, family: null })).toEqual(['exposed', 'lee']);
  });
  it('lie in the depth, from the least on and below the most, by the middle of the spot', () => {
    // Three metres and seven metres in the middle.
    expect(ids({ depth: [3, 7] })).toEqual(['exposed']);
    expect(ids({ depth: [3.1, 7.1] })).toEqual(['lee']);
    expect(ids({ depth: [0, 3] })).toEqual([]);
  });
  it('are of the structure and the family', () => {
    expect(ids({ structure: 'wall' })).toEqual(['lee']);
    expect(ids({ structure: 'rock' })).toEqual(['exposed']);
    expect(ids({ family: 'F9' })).toEqual(['exposed']);
    expect(ids({ family: 'F10' })).toEqual(['lee']);
  });
  it('are of spots and baits that are still there', () => {
    expect(filterCalls({ ...trip, spots: spots.slice(1) }, calls, {}).map((c) => c.spotId)).toEqual(['lee']);
    expect(filterCalls({ ...trip, spots, presentations: trip.presentations.slice(1) }, calls, {}).map((c) => c.spotId)).toEqual(['lee']);
  });
});

import { describe, expect, it } from 'vitest';
import { seaOver } from '../conditions/spotConditions';
import { waterStateOf } from '../conditions/waterRecord';
import { HOUR } from '../units/time';
import { layDay, scoreDay } from './layDay';
import { rankTrip, stepsOf } from './rankTrip';
import { shuts } from '../risk/judge';
import { shutWays, wayShutWords } from './shutWays';
import { waysBySea } from './waysBySea';
import { waysInSteps, waysOfTrip } from './waysByTide';
import { whyNot } from './whyNot';
import { inputs, roughWay, START } from './testTrip';
import { inMetric } from '../units/measure';
import { nth } from '../units/indexed';

const END_OF_TIME = START + 1000 * HOUR;
const ROUGH_FROM = START + 3 * HOUR;

/** The test's trip with a gale from its fourth hour, for a boat with a limit of waves. */
const rough = ({ limitM = 0.8, fromMs = ROUGH_FROM }: { limitM?: number; fromMs?: number } = {}) =>
  roughWay(inputs({ boat: { ...inputs().boat, waveLimitM: limitM } }), fromMs);

describe('sea on the runs', () => {
  it('shuts a way for the hours in which the waves on it are over the boat’s limit, though both its ends are sheltered', () => {
    const trip = rough();
    const ways = shutWays(trip, stepsOf(trip), 3);
    expect(ways.dock[0]?.ranges).toEqual([]);
    const [from, to] = nth(nth(ways.dock, 1).ranges, 0);
    // Looked at every three steps: the way is shut from the look before the first that finds it so.
    const firstOver = Array.from({ length: 24 }, (_, k) => k).find((k) => ways.judgeAt(0, 3 * k).findings.some(shuts)) as number;
    expect(from).toBe(3 * (firstOver - 1));
    // Within two hours of the wind getting up: waves need time to grow.
    expect(from).toBeGreaterThanOrEqual(30);
    expect(from).toBeLessThanOrEqual(60);
    expect(to).toBe(stepsOf(trip));
    expect(ways.between[1]?.[2]).toEqual(ways.dock[1]);
    expect(ways.dock[1]?.why.map((f) => f.quantity)).toEqual(['wave']);
    expect(shutWays(rough({ limitM: 5 }), stepsOf(trip), 3).dock[1]?.ranges).toEqual([]);
  });

  it('has the boat fish there before it and be off in time, and refuses a leg that would be caught there', () => {
    const trip = rough();
    const ranking = rankTrip(trip);
    const shut = (ranking.ways.dock[1]?.ranges[0]?.[0] ?? 0) * 5 * 60_000;
    const day = layDay(trip, ranking);
    expect(day.proved).toBe(true);
    for (const l of day.legs.filter((x) => x.spotId === 'lee')) expect(l.departMs).toBeLessThanOrEqual(START + shut);
    const late = [{ spotId: 'lee', startMs: START + shut - HOUR, departMs: START + shut + HOUR }];
    expect(() => scoreDay(trip, ranking, late)).toThrow('the sea or the tide shuts the way home after Lee wall');
    expect(layDay(rough({ limitM: 5 }), rankTrip(rough({ limitM: 5 }))).expected).toBeGreaterThanOrEqual(day.expected - 1e-9);
  });

  it('tells of a spot in no plan from when to when its way is shut', () => {
    const trip = rough();
    const ranking = rankTrip(trip);
    const call = ranking.calls.find((c) => c.spotId === 'lee');
    const [from, to] = nth(nth(ranking.ways.dock, 1).ranges, 0);
    expect(call?.wayShut).toEqual([{ fromMs: START + from * 300_000, toMs: START + to * 300_000, why: 'waves over the limit' }]);
    expect(inMetric(whyNot(trip, ranking, 'lee', [{ spotId: 'exposed' }]))).toMatch(
      /^Lee wall: waves over the limit on the way there from \d\d:\d\d to 14:00; /,
    );
    expect(ranking.calls.find((c) => c.spotId === 'exposed')?.wayShut).toEqual([]);
  });

  it('is shut again and again, by whichever place of it is over, and open between', () => {
    const calm = { lat: 47.6, lon: -35.2, depthM: 20, fetchM: new Array(36).fill(100), bar: null };
    const hours = Array.from({ length: 40 }, (_, i) => START + (i - 16) * HOUR);
    const blows = (t: number) => t < START + HOUR || t > START + 4 * HOUR;
    const of = () => ({ atMs: hours, value: hours.map((t) => (blows(t) ? 12 : 1)), forecastFrom: 0 });
    const base = rough({ fromMs: START - 12 * HOUR });
    const open = nth(base.sea.places, 0);
    const trip = {
      ...base,
      water: { ...base.water, wind: { east: of(), north: of(), gust: null } },
      sea: { ...base.sea, places: [calm, open], dock: [[0], [0, 1], [1]] },
    };
    const ways = shutWays(trip, stepsOf(trip), 3);
    expect(ways.dock[0]).toEqual({ ranges: [], why: [] });
    expect(ways.dock[1]?.ranges.length).toBe(2);
    expect(ways.dock[1]).toEqual(ways.dock[2]);
    const [first, second] = nth(ways.dock, 1).ranges as [[number, number], [number, number]];
    expect([first[0], second[1]]).toEqual([0, stepsOf(trip)]);
    expect(second[0]).toBeGreaterThan(first[1]);
    expect(ways.dock[1]?.why).toHaveLength(2);
  });

  it('looks at the water under the keel on bars alone, and at what nobody has sounded', () => {
    const base = rough({ limitM: 5, fromMs: END_OF_TIME });
    const shallow = { ...nth(base.sea.places, 0), depthM: -3 };
    const at = (place: object) => {
      const trip = { ...base, sea: { ...base.sea, places: [{ ...shallow, ...place }] } };
      return shutWays(trip, stepsOf(trip), 3)
        .judgeAt(0, 0)
        .findings.find((f) => f.quantity === 'keel')?.level;
    };
    expect(at({})).toBeUndefined();
    expect(at({ bar: 'Gate bar' })).toBe('over');
    expect(at({ unsounded: true })).toBe('unknown');
  });

  it('judges each place and look by itself, and no step beyond the last look', () => {
    const trip = rough();
    const steps = stepsOf(trip);
    const ways = shutWays(trip, steps, 3);
    const wave = (step: number) => ways.judgeAt(0, step).findings.find((f) => f.quantity === 'wave')?.value;
    expect(wave(0)).toBe(wave(2));
    expect(wave(steps - 1)).not.toBe(wave(0));
    expect(wave(steps + 40)).toBe(wave(steps - 1));
    expect(wave(-5)).toBe(wave(0));
  });

  it('is said by what shuts it', () => {
    const words = (quantity: string) => inMetric(wayShutWords({ quantity, level: 'over', value: 3, limit: 2 } as never));
    expect(wayShutWords(undefined)).toBe('the sea');
    expect(['keel', 'wind', 'gust', 'wave'].map(words)).toEqual([
      'too little water on a bar of the way',
      'wind over the limit',
      'gusts over the limit',
      'waves over the limit',
    ]);
    expect(words('visibility')).toMatch(/^visib/);
    expect(words('thunder')).toMatch(/^thunder/);
  });

  it('leaves out a spot that cannot be reached all day, and says why', () => {
    const trip = rough({ fromMs: START - 12 * HOUR });
    const ranking = rankTrip(trip);
    expect(ranking.shut).toEqual([{ spotId: 'lee', why: 'waves over the limit on the way there during the whole trip' }]);
    expect(layDay(trip, ranking).legs.map((l) => l.spotId)).not.toContain('lee');
  });
});

describe('the waves that slow a way', () => {
  const STRIDE = 3;
  it('are those of each place in each look, asked once', () => {
    const trip = rough({ limitM: 0.9, fromMs: START + 2 * HOUR });
    const places = [25_000, 4000, 800].map((m, i) => ({
      lat: 47.6 + i / 50,
      lon: -35.2,
      depthM: 20,
      fetchM: new Array(36).fill(m),
      bar: null,
    }));
    const sea = {
      ...trip.sea,
      places,
      dock: [[0], [1], [2]],
      between: trip.sea.between.map((row) => row.map((_, q) => (q === 1 ? [1] : [2]))),
    };
    const own = { ...trip, sea, ways: undefined } as typeof trip;
    const steps = stepsOf(own);
    const at = seaOver(waterStateOf(own.water), own.startsAt, own.endsAt);
    const looks = Math.ceil(steps / STRIDE);
    const waveAt = (place: number, step: number) =>
      at(nth(places, place), START + Math.min(looks - 1, Math.floor(step / STRIDE)) * STRIDE * 5 * 60_000).waveM;
    const byHand = waysBySea(own, { sets: waysOfTrip(own), level: waysInSteps(own, waterStateOf(own.water), steps) }, waveAt, STRIDE);
    const found = shutWays(own, steps, STRIDE);
    expect(found.level).toEqual(byHand.level);
    expect(found.sets).toEqual(byHand.sets);
    // The sea does slow it, and not every place alike.
    expect(new Set(found.level).size).toBeGreaterThan(2);
    expect(waveAt(0, steps - 1)).toBeGreaterThan(1.2 * (waveAt(1, steps - 1) as number));
    // Another look past the end is the last one, and a judgement is the same object when it is asked for again.
    expect(found.judgeAt(1, steps + 50)).toBe(found.judgeAt(1, steps - 1));
    expect(found.judgeAt(1, -4)).toBe(found.judgeAt(1, 0));
    expect(found.judgeAt(0, 6)).not.toBe(found.judgeAt(1, 6));
    expect(found.judgeAt(1, 0)).not.toEqual(found.judgeAt(0, steps - 1));
  });
});

describe('what shuts a way, in words', () => {
  it('is the limit for wind, gusts and waves, the bar for the keel, and else the finding as it is said', () => {
    const of = (quantity: string) => ({ quantity, level: 'over', value: 0.4, limit: 0.8, words: '' }) as never;
    expect(wayShutWords(of('wind'))).toBe('wind over the limit');
    expect(wayShutWords(of('gust'))).toBe('gusts over the limit');
    expect(wayShutWords(of('wave'))).toBe('waves over the limit');
    expect(wayShutWords(of('keel'))).toBe('too little water on a bar of the way');
    expect(wayShutWords(undefined)).toBe('the sea');
    const other = wayShutWords(of('thunder'));
    expect(other).not.toContain('over the limit');
    expect(other.charAt(0)).toBe(other.charAt(0).toLowerCase());
  });
});

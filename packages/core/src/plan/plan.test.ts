import { describe, expect, it } from 'vitest';
import type { FishedSet } from '../catchrate/world';
import { seeded } from '../units/seeded';
import { DAY, HOUR, MINUTE } from '../units/time';
import { windComponents } from '../weather/wind';
import { layDay, scoreDay } from './layDay';
import type { PlanInputs } from './planInputs';
import { rankTrip } from './rankTrip';

const START = Date.UTC(2026, 5, 19, 8);
const END = START + 6 * HOUR;
const hours = Array.from({ length: 120 }, (_, i) => START + (i - 96) * HOUR);
const of = (value: (at: number) => number) => ({ atMs: hours, value: hours.map(value), forecastFrom: 80 });
const ENVELOPE = { depthMinM: 0.5, depthMaxM: 8, tempMinC: 6, tempMaxC: 22 };

/** Wind of 4 m/s until two hours into the trip, 16 m/s from the south-west after it. */
function shift(part: 'east' | 'north') {
  return of((at) => windComponents(at < START + 2 * HOUR ? 4 : 16, 225)[part]);
}

function log(): FishedSet[] {
  const random = seeded(3);
  return Array.from({ length: 240 }, (_, i) => {
    const spot = ['exposed', 'lee', 'barred'][i % 3] as string;
    return {
      at: START - (1 + random() * 200) * DAY,
      stopId: `stop-${i}`,
      spot,
      presentation: i % 2 ? 'shad' : 'worm',
      rodHours: 2,
      fish: spot === 'exposed' ? 4 : spot === 'lee' ? 2 : 1,
      conditions: { tideStage: random(), windMps: 4, windFromDeg: 225, waterTempC: 14, sunHeightDeg: 30, depthM: 4 },
    };
  });
}

function inputs(more: Partial<PlanInputs> = {}): PlanInputs {
  const ground = {
    lat: 47.6,
    lon: -35.2,
    bottom: 'mud',
    heatOffsetC: 0,
    heatSdC: 0.6,
    depthMinM: 2,
    depthMaxM: 4,
    shoreNormalDeg: null,
    fadePerHour: 0.35,
    structure: 'rock',
    pressure: 1,
    restsUntil: null,
  };
  const bait = { coverRate: 3, snag: 1, zone: 'middle' as const, look: 'natural', envelope: ENVELOPE };
  return {
    now: START - 12 * HOUR,
    startsAt: START,
    endsAt: END,
    zone: 'UTC',
    rods: 3,
    skill: 3,
    counting: 'all',
    patienceMin: null,
    breaks: [],
    taken: [],
    boat: { draughtM: 0.6, windLimitMps: 13, waveLimitM: 0.8, runMin: null },
    water: {
      lat: 47.6,
      lon: -35.2,
      tide: { z0M: 1.8, constants: [{ name: 'M2', amplitudeM: 1.2, phaseDeg: 300 }] },
      wind: { east: shift('east'), north: shift('north'), gust: null },
      airTempC: null,
      pressureHpa: null,
      cloud: null,
      waterTempC: of(() => 14),
      clarityM: null,
      flowM3s: null,
      currents: [],
      levelM: null,
      dewPointC: null,
      visibilityM: null,
      sources: {},
    },
    spots: [
      { ...ground, id: 'exposed', name: 'Exposed stone', fetchM: new Array(36).fill(20_000), accessDepthM: null },
      { ...ground, id: 'lee', name: 'Lee wall', fetchM: new Array(36).fill(150), accessDepthM: null },
      { ...ground, id: 'barred', name: 'Barred pool', fetchM: new Array(36).fill(150), accessDepthM: -0.9 },
    ],
    presentations: [
      { ...bait, id: 'shad', name: 'Shad', skill: 1, family: 'F9', familyName: 'Soft lure' },
      { ...bait, id: 'worm', name: 'Worm', skill: 3, family: 'F10', familyName: 'Drop rig', zone: 'bottom', look: 'bait' },
    ],
    sets: log(),
    dockTravelMin: [10, 5, 8],
    travelMin: [
      [0, 8, 12],
      [8, 0, 10],
      [12, 10, 0],
    ],
    ...more,
  };
}

describe('ranking a trip', () => {
  const ranking = rankTrip(inputs());

  it('puts the spot with more fish an hour first, with its evidence', () => {
    expect(ranking.calls.map((c) => c.spotId)).toEqual(['exposed', 'lee', 'barred']);
    const [top] = ranking.calls;
    expect(top?.lo80).toBeLessThan(top?.ratePerRodHour ?? 0);
    expect(top?.hi80).toBeGreaterThan(top?.ratePerRodHour ?? 0);
    expect(top?.likeRodHours).toBeGreaterThan(1);
    expect(top?.likeStopIds.length).toBeGreaterThan(0);
  });

  it('closes a spot when the wind passes the limit of the boat there, and leaves the lee open', () => {
    const [exposed, lee] = ranking.open;
    expect(exposed?.at(-1)?.[1]).toBeLessThanOrEqual((2 * 60) / 5 + 12);
    expect(lee?.at(-1)?.[1]).toBe((6 * 60) / 5);
  });

  it('opens a barred spot only while the tide lets the boat in', () => {
    const open = ranking.open[2] ?? [];
    expect(open.length).toBeGreaterThan(0);
    const fished = open.reduce((sum, [a, b]) => sum + b - a, 0);
    expect(fished).toBeGreaterThan(3);
    expect(fished).toBeLessThan(72);
  });

  it('names what shuts a spot for the whole trip', () => {
    const deepBoat = rankTrip(inputs({ boat: { draughtM: 3.9, windLimitMps: 13, waveLimitM: 0.8, runMin: null } }));
    expect(deepBoat.shut.find((s) => s.spotId === 'barred')?.why).toMatch(/too little water/);
    const noWay = rankTrip(inputs({ dockTravelMin: [null, 5, 8] }));
    expect(noWay.shut).toEqual([{ spotId: 'exposed', why: 'no way there for this boat at its draught' }]);
  });

  it('leaves out presentations beyond the skill of the party', () => {
    const first = rankTrip(inputs({ skill: 1 }));
    expect(new Set(first.calls.map((c) => c.presentationId))).toEqual(new Set(['shad']));
    expect(first.calls.every((c) => c.second === null)).toBe(true);
  });

  it('ranks on rules alone when nothing is logged', () => {
    const blank = rankTrip(inputs({ sets: [] }));
    expect(blank.calls).toHaveLength(3);
    expect(blank.calls.every((c) => c.likeRodHours === 0 && c.ratePerRodHour > 0)).toBe(true);
  });

  it('gives the same result, bit for bit, from inputs that went over the wire', () => {
    const sent = JSON.parse(JSON.stringify(inputs())) as PlanInputs;
    expect(JSON.stringify(rankTrip(sent).calls)).toBe(JSON.stringify(ranking.calls));
  });
});

describe('laying a day', () => {
  const trip = inputs();
  const ranking = rankTrip(trip);
  const day = layDay(trip, ranking);

  it('fishes the exposed stone before the wind and the lee after it', () => {
    const exposed = day.legs.find((l) => l.spotId === 'exposed');
    const lee = day.legs.find((l) => l.spotId === 'lee');
    expect(exposed?.departMs).toBeLessThanOrEqual(START + 3 * HOUR);
    expect(lee?.departMs).toBeGreaterThan(exposed?.departMs ?? 0);
    expect(day.proved).toBe(true);
  });

  it("beats yesterday's best kept all day, which the wind ends", () => {
    const open = ranking.open[0]?.at(-1) as readonly [number, number];
    const naive = scoreDay(trip, ranking, [{ spotId: 'exposed', startMs: START + 10 * MINUTE, departMs: START + open[1] * 5 * MINUTE }]);
    expect(day.expected).toBeGreaterThan(naive.expected * 1.15);
  });

  it('scores its own legs by hand to the same worth', () => {
    expect(scoreDay(trip, ranking, day.legs).expected).toBeCloseTo(day.expected, 9);
    expect(day.lo80).toBeLessThanOrEqual(day.expected);
    expect(day.hi80).toBeGreaterThanOrEqual(day.expected);
  });

  it('loses fish, never gains, by a ban', () => {
    const banned = layDay(trip, ranking, { bans: ['exposed'] });
    expect(banned.legs.some((l) => l.spotId === 'exposed')).toBe(false);
    expect(banned.expected).toBeLessThan(day.expected);
  });

  it('keeps a pin where it is', () => {
    const pin = { spotId: 'lee', startMs: START + 30 * MINUTE, departMs: START + 60 * MINUTE };
    expect(layDay(trip, ranking, { pins: [pin] }).legs.find((l) => l.spotId === 'lee')).toMatchObject({ ...pin, pinned: true });
  });

  it('names the spots when pins contradict each other, a ban, or the water', () => {
    const at = (spotId: string, from: number, to: number) => ({ spotId, startMs: START + from * MINUTE, departMs: START + to * MINUTE });
    expect(() => layDay(trip, ranking, { pins: [at('lee', 30, 60), at('exposed', 60, 90)] })).toThrow(
      /Lee wall until .* and Exposed stone from/,
    );
    expect(() => layDay(trip, ranking, { pins: [at('lee', 30, 60)], bans: ['lee'] })).toThrow(/Lee wall is both pinned and banned/);
    expect(() => layDay(trip, ranking, { pins: [at('exposed', 240, 300)] })).toThrow(/Exposed stone cannot be fished/);
    expect(() => layDay(trip, ranking, { bans: ['exposed', 'lee', 'barred'] })).toThrow(/none can be fished/);
  });
});

// A made-up trip for tests: three spots, a wind that rises after two hours, a log with fish in it.
import type { FishedSet } from '../catchrate/world';
import { seeded } from '../units/seeded';
import { DAY, HOUR } from '../units/time';
import { windComponents } from '../weather/wind';
import type { PlanInputs } from './planInputs';
import { nth } from '../units/indexed';

export const START = Date.UTC(2026, 5, 19, 8);
export const END = START + 6 * HOUR;
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
    const spot = nth(['exposed', 'lee', 'barred'], i % 3);
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

/** Inputs of the trip. */
export function inputs(more: Partial<PlanInputs> = {}): PlanInputs {
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
    footing: 1,
    hazards: [],
    legality: '',
  };
  const bait = { coverRate: 3, snag: 1, rods: 1, heldBy: [], zone: 'middle' as const, look: 'natural', envelope: ENVELOPE };
  return {
    now: START - 12 * HOUR,
    startsAt: START,
    endsAt: END,
    zone: 'UTC',
    rods: 3,
    skill: 3,
    counting: 'all',
    bag: null,
    footing: 3,
    patienceMin: null,
    breaks: [],
    taken: [],
    boat: { draughtM: 0.6, windLimitMps: 22, gustLimitMps: null, waveLimitM: 0.5, speedMps: 8, runMin: null },
    party: { children: 0, firstTimers: 0, nonSwimmers: 0 },
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
      thunder: null,
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
    sea: { places: [], dock: [[], [], []], between: [] },
    dockTravelMin: [10, 5, 8],
    travelMin: [
      [0, 8, 12],
      [8, 0, 10],
      [12, 10, 0],
    ],
    ...more,
  };
}

/**
 * The trip with a gale on open water from an instant on, its spots in shelter; only the way to the lee wall crosses that water.
 * @param base - The trip that it is made from.
 */
export function roughWay(base: PlanInputs, fromMs: number): PlanInputs {
  const each = Array.from({ length: 40 }, (_, i) => START + (i - 16) * HOUR);
  const wind = () => ({ atMs: each, value: each.map((t) => (t >= fromMs ? 9 : 1)), forecastFrom: 0 });
  return {
    ...base,
    boat: { ...base.boat, windLimitMps: 40 },
    water: { ...base.water, wind: { east: wind(), north: wind(), gust: null } },
    spots: base.spots.map((s) => ({ ...s, fetchM: new Array(36).fill(100), accessDepthM: null })),
    sea: {
      places: [{ lat: 47.6, lon: -35.2, depthM: 20, fetchM: new Array(36).fill(25_000), bar: null }],
      dock: [[], [0], []],
      between: [
        [[], [0], []],
        [[0], [], [0]],
        [[], [0], []],
      ],
    },
  };
}
